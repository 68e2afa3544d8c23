<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What a machine reports beside what is written down of it, and the single settings that would explain the difference if they stood otherwise. */
final readonly class Seen
{
    /**
     * @param list<string> $differs what does not agree, in words
     * @param list<string> $because each a single setting that would explain all of it
     */
    private function __construct(public Reported $reported, public array $differs, public array $because)
    {
    }

    /** @return ?self null where nothing of what is reported is written down */
    public static function of(SetupSheet $sheet, Reported $it): ?self
    {
        $holders = Holder::all($sheet, $it->takes);

        return match (true) {
            $holders === [] => null,
            $it->takes->adds() => self::amount($it, $holders),
            default => self::places($it, $holders),
        };
    }

    /** @param list<Holder> $holders */
    private static function amount(Reported $it, array $holders): self
    {
        $said = array_sum(array_map(static fn (Holder $one): int => $one->place, $holders));
        $counted = $it->takes->place($it->seen[0]);
        $because = [];
        foreach ($holders as $one) {
            foreach ($one->others as $amount => $words) {
                $said - $one->place + $amount === $counted && $because[] = self::stood($one, $words);
            }
        }

        return new self($it, $said === $counted ? [] : ["{$counted}K are counted, the settings say {$said}K"], $said === $counted ? [] : $because);
    }

    /** @param list<Holder> $holders */
    private static function places(Reported $it, array $holders): self
    {
        $seen = array_map($it->takes->place(...), $it->seen);
        $silent = array_map(static fn (Holder $one): int => $one->place, array_filter($holders, static fn (Holder $one): bool => $one->silent));
        $seen = array_values(array_diff($seen, $silent));
        $holders = array_values(array_filter($holders, static fn (Holder $one): bool => !$one->silent));
        $held = array_map(static fn (Holder $one): int => $one->place, $holders);
        $differs = [];
        foreach ($holders as $one) {
            in_array($one->place, $seen, true) || $differs[] = "{$one->device} is not seen at {$it->takes->words()} {$it->takes->written($one->place)}";
        }
        foreach (array_diff($seen, $held) as $place) {
            $differs[] = "something answers at {$it->takes->words()} {$it->takes->written($place)}, where nothing stands";
        }
        $because = [];
        foreach ($differs === [] ? [] : $holders as $i => $one) {
            foreach ($one->others as $place => $words) {
                $places = array_replace($held, [$i => $place]);
                array_diff($places, $seen) === [] && array_diff($seen, $places) === [] && $because[] = self::stood($one, $words);
            }
        }

        return new self($it, $differs, $because);
    }

    private static function stood(Holder $it, string $words): string
    {
        return "{$it->where} of {$it->device} stands on {$words}, not on {$it->value}";
    }

    public function agrees(): bool
    {
        return $this->differs === [];
    }

    /** What the difference means, in a word. */
    public function means(): string
    {
        return match (count($this->because)) {
            0 => 'no single setting that stood otherwise would explain it',
            1 => "it would be explained if {$this->because[0]}",
            default => 'it would be explained if one of these were so: '.implode('; ', $this->because),
        };
    }
}
