<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;

/** The means that fit a damage of a part, side by side, and the steps of the first. */
final readonly class Choose
{
    /** @param list<array{Means, MeansVerdict, list<string>}> $choices */
    private function __construct(public array $choices)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('damage', 'part', 'have');
        $part = $node->at('part')->only('material', ...array_map(static fn (PartFlag $it): string => $it->value, PartFlag::cases()));
        $flags = array_values(array_filter(PartFlag::cases(), static fn (PartFlag $it): bool => $part->optional($it->value)?->bool() ?? false));
        $have = $node->optional('have')?->items();
        $known = array_map(static fn (Means $it): string => $it->id, MeansTable::all());
        Node::distinct($have ?? []);
        foreach ($have ?? [] as $it) {
            in_array($it->string(), $known, true) || $it->refuse("there is no means \"{$it->string()}\": ".implode(', ', $known));
        }

        return self::of(
            $node->at('damage')->enum(Damage::class),
            $part->at('material')->enum(Material::class),
            $flags,
            $have === null ? null : array_map(static fn (Node $it): string => $it->string(), $have),
        );
    }

    /**
     * @param list<PartFlag>    $flags
     * @param list<string>|null $have  what is at hand, when it was said
     */
    public static function of(Damage $damage, Material $material, array $flags, ?array $have): self
    {
        $choices = $order = [];
        foreach (MeansTable::all() as $means) {
            if (in_array($damage, $means->for, true)) {
                [$verdict, $reasons] = $means->suits($material, $flags);
                $choices[] = [$means, $verdict, $reasons];
                $order[] = [$verdict->rank(), $have === null || in_array($means->id, $have, true) ? 0 : 1, $means->risk, $means->minutes];
            }
        }
        asort($order);

        return new self(array_map(static fn (int $i): array => $choices[$i], array_keys($order)));
    }

    /** @return list<TreatmentStep> none when nothing fits */
    public function steps(): array
    {
        [$first, $verdict] = $this->choices[0] ?? [null, MeansVerdict::No];

        return $first === null || $verdict === MeansVerdict::No ? [] : $first->steps;
    }
}
