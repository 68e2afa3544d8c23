<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Facts\CouldShare;

/** A set of bad members that explains every failing run, and no part of which does. */
final readonly class Diagnosis
{
    /**
     * @param list<string>                $parts
     * @param list<array{string, string}> $pairs       good parts that do not go together
     * @param float                       $probability of exactly this set
     */
    public function __construct(public array $parts, public array $pairs, public float $probability)
    {
    }

    /** @param list<CouldShare> $shares what two parts could both be set to take */
    public function words(array $shares = []): string
    {
        $pairs = array_map(static function (array $pair) use ($shares): string {
            $what = array_filter(array_map(static fn (CouldShare $it): ?string => $it->of(...$pair), $shares), is_string(...));

            return "{$pair[0]} with {$pair[1]}".($what === [] ? '' : ' (both can be set to take '.implode(', ', $what).')');
        }, $this->pairs);

        return $this->parts === [] && $pairs === [] ? 'nothing is bad' : implode(' and ', [...$this->parts, ...$pairs]);
    }
}
