<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\Band;
use Ash\Facts\BandChosen;
use Ash\Facts\Facts;
use Ash\Facts\RailVolts;

/** The rails of a machine as its description lists them, with test points along each, and the supply's label. */
final readonly class DescribedRails implements RailVolts
{
    /**
     * @param array<string, Rail>                      $rails      as Rail::byName() gives them
     * @param array<string, non-empty-list<TestPoint>> $testPoints by rail, in order along it
     * @param array<string, list<string>>              $feeds      by rail: chips it feeds or protects
     * @param array<string, ?string>                   $sources    by rail: where its figures come from, when that was noted
     */
    public function __construct(public array $rails, public array $testPoints, public array $feeds, public ?Budget $budget, private array $sources = [])
    {
    }

    public function rail(string $name): ?Rail
    {
        return $this->rails["\0{$name}"] ?? null;
    }

    public function source(string $rail): ?string
    {
        return $this->sources["\0{$rail}"] ?? null;
    }

    public function testPoint(string $rail, string $name): ?TestPoint
    {
        foreach ($this->testPoints["\0{$rail}"] ?? [] as $testPoint) {
            if ($testPoint->name === $name) {
                return $testPoint;
            }
        }

        return null;
    }

    /** @return array<string, Rail> each within the band that the bench chose for it */
    public function within(Facts $facts): array
    {
        return array_map(static function (Rail $rail) use ($facts): Rail {
            $wide = self::band($facts, $rail->name)?->band === Band::Wide;

            return $wide ? $rail->within(Limits::wide($rail->nominalV)) : $rail;
        }, $this->rails);
    }

    /** The latest decision on the band of a rail; null while nobody took one, and the tight one counts. */
    public static function band(Facts $facts, string $rail): ?BandChosen
    {
        $chosen = null;
        foreach ($facts->all(BandChosen::class) as $it) {
            $chosen = $it->rail === $rail ? $it : $chosen;
        }

        return $chosen;
    }

    public function protects(): bool
    {
        return array_filter($this->rails, static fn (Rail $rail): bool => $rail->protects !== []) !== [];
    }

    public function railNames(): array
    {
        return array_values(array_map(static fn (Rail $rail): string => $rail->name, $this->rails));
    }

    public function nominalV(string $rail): ?float
    {
        return $this->rail($rail)?->nominalV;
    }
}
