<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** A way to treat a part, with what it is not for. */
final readonly class Means
{
    /**
     * @param list<Damage>                  $for
     * @param list<Material|PartFlag>       $not
     * @param list<Material>                $only    other materials are ruled out; empty: any
     * @param list<Material|PartFlag>       $care
     * @param int                           $minutes by the clock
     * @param string                        $reach   how deep it goes
     * @param int                           $risk    1 to 3
     * @param non-empty-list<TreatmentStep> $steps
     */
    public function __construct(
        public string $id,
        public array $for,
        private array $not,
        private array $only,
        private array $care,
        public int $minutes,
        public string $reach,
        public int $risk,
        public array $steps,
    ) {
    }

    /**
     * @param list<PartFlag> $flags
     *
     * @return array{MeansVerdict, list<string>} and what ruled
     */
    public function suits(Material $material, array $flags): array
    {
        $is = static fn (Material|PartFlag $it): bool => $it instanceof Material ? $it === $material : in_array($it, $flags, true);
        $words = static fn (Material|PartFlag $it): string => strtr($it->value, '_', ' ');
        $no = array_map($words, array_values(array_filter($this->not, $is)));
        if ($this->only !== [] && !in_array($material, $this->only, true)) {
            $no[] = 'other than '.implode(' and ', array_map($words, $this->only));
        }
        $care = array_map($words, array_values(array_filter($this->care, $is)));

        return match (true) {
            $no !== [] => [MeansVerdict::No, array_map(static fn (string $it): string => "not for it: {$it}", $no)],
            $care !== [] => [MeansVerdict::WithCare, array_map(static fn (string $it): string => "with care: {$it}", $care)],
            default => [MeansVerdict::Fits, ['nothing speaks against it']],
        };
    }
}
