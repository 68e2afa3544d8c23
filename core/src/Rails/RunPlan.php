<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * The order of a rail run. The list is the rails' test points, rails that protect chips first. The live one is
 * the point the run needs next: first every supply output, then, on a rail that is open, the point that splits it.
 */
final readonly class RunPlan
{
    /** @param list<array{rail: Rail, point: TestPoint}> $steps */
    private function __construct(public array $steps)
    {
    }

    /**
     * @param array<string, Rail>                      $rails
     * @param array<string, non-empty-list<TestPoint>> $testPoints by rail
     */
    public static function of(array $rails, array $testPoints): self
    {
        $order = array_values($rails);
        usort($order, static fn (Rail $a, Rail $b): int => count($b->protects) <=> count($a->protects));
        $steps = [];
        foreach ($order as $rail) {
            foreach ($testPoints["\0{$rail->name}"] ?? [] as $point) {
                $steps[] = ['rail' => $rail, 'point' => $point];
            }
        }

        return new self($steps);
    }

    /**
     * @param list<string>            $done  "rail\0test point" of what was read at this load, or at any load on a rail that needs none
     * @param array<string, PathWalk> $walks by rail, where the path stands
     *
     * @return array{rail: string, test_point: string, why: string}|null null when nothing is left to advise
     */
    public function live(array $done, array $walks): ?array
    {
        foreach ($walks as $name => $walk) {
            if ($walk->nextPoint !== null) {
                return ['rail' => ltrim($name, "\0"), 'test_point' => $walk->nextPoint, 'why' => $walk->reasons[count($walk->reasons) - 1] ?? ''];
            }
        }
        foreach ($this->steps as ['rail' => $rail, 'point' => $point]) {
            if ($point->point === Point::Supply && !in_array("{$rail->name}\0{$point->name}", $done, true)) {
                return [
                    'rail' => $rail->name,
                    'test_point' => $point->name,
                    'why' => $rail->protects === [] ? 'next in order' : 'the rail that protects chips comes first',
                ];
            }
        }

        return null;
    }

    /**
     * The next point of a resistance run, power off: each rail once at the supply, then along a rail that is shorted.
     *
     * @param array<string, array<string, float>> $ohms net, by rail (as Rail::byName() keys them) and test point
     *
     * @return array{rail: string, test_point: string, why: string}|null null when nothing is left to advise
     */
    public function resistance(array $ohms): ?array
    {
        foreach ($this->shorts($ohms) as $rail => $walk) {
            if ($walk->left !== []) {
                return ['rail' => $rail, 'test_point' => $walk->left[0], 'why' => $walk->says];
            }
        }
        foreach ($this->steps as ['rail' => $rail, 'point' => $point]) {
            if (($ohms["\0{$rail->name}"] ?? []) === []) {
                return ['rail' => $rail->name, 'test_point' => $point->name, 'why' => 'each rail to ground once, power off'];
            }
        }

        return null;
    }

    /**
     * @param array<string, array<string, float>> $ohms
     *
     * @return array<string, ShortWalk> by name of the rail
     */
    public function shorts(array $ohms): array
    {
        $points = [];
        foreach ($this->steps as ['rail' => $rail, 'point' => $point]) {
            $points[$rail->name][] = $point->name;
        }
        $walks = [];
        foreach ($points as $rail => $names) {
            $walk = ShortWalk::of((string) $rail, $names, $ohms["\0{$rail}"] ?? []);
            if ($walk !== null) {
                $walks[(string) $rail] = $walk;
            }
        }

        return $walks;
    }
}
