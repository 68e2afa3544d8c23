<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/** A stock made weaker with water, by mass: stock_pct * stock = want_pct * total. */
final readonly class Dilution
{
    /** Percent by mass above which peroxide is restricted for the public in the EU (Regulation 2019/1148). */
    public const RESTRICTED = 12.0;

    /** @param list<string> $reasons */
    private function __construct(public float $stockG, public float $totalG, public bool $restricted, public bool $dissolves, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('substance', 'stock_pct', 'want_pct', 'total_g', 'stock_g')->exclusive('total_g', 'stock_g');
        $substance = $node->at('substance')->enum(Dilutable::class);
        $stock = $node->at('stock_pct')->positive();
        Compare::atMost($stock, 100.0) || $node->at('stock_pct')->refuse('must be at most 100');
        $want = $node->at('want_pct')->positive();
        Compare::atMost($want, $stock) || $node->at('want_pct')->refuse("must be at most that of the stock, {$stock}: water makes nothing stronger");
        $stockG = $node->optional('stock_g')?->positive() ?? $node->at('total_g')->positive() * $want / $stock;
        $totalG = $node->has('stock_g') ? $stockG * $stock / $want : $node->at('total_g')->number();

        return new self(
            $stockG,
            $totalG,
            $restricted = $substance === Dilutable::HydrogenPeroxide && Compare::above($stock, self::RESTRICTED),
            $dissolves = Compare::atMost($want, $substance->holdsPct()),
            self::reasons($substance, $stockG, $totalG, $stock, $want, $restricted, $dissolves),
        );
    }

    /** g of water; none where the stock is as strong as wanted */
    public function waterG(): float
    {
        return max(0.0, $this->totalG - $this->stockG);
    }

    /** @return list<string> */
    private static function reasons(Dilutable $substance, float $stockG, float $totalG, float $stock, float $want, bool $restricted, bool $dissolves): array
    {
        $figure = static fn (float $it): string => Notation::plain($it, 4);

        return [
            "{$figure($stockG)} g of {$figure($stock)} % and {$figure(max(0.0, $totalG - $stockG))} g of water make {$figure($totalG)} g "
                ."of {$figure($want)} %, by mass",
            ...($restricted ? ['peroxide above 12 % is restricted for the public in the EU (Regulation 2019/1148): local rules come first'] : []),
            ...($dissolves ? [] : ['water of 20 C holds no more than '.$figure($substance->holdsPct()).' % of it: the rest stays at the bottom']),
            ...$substance->notes(),
        ];
    }
}
