<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/**
 * Devices whose settings claim things, so that no two hold the same: what clashes as things stand, and the ways out that move the fewest
 * settings. An exact search: in every way out one of the two settings of a clash has moved, so only these are tried; it stops at a limit and
 * says so.
 *
 * @phpstan-import-type Conflict from AssignFound
 */
final class Assign
{
    private const MOST_DEVICES = 64;
    private const MOST_SETTINGS = 8;
    private const PLANS = 10;

    private readonly AssignSearch $search;

    /**
     * @param list<Setting>       $settings those of devices, then what is reserved
     * @param list<string>        $devices
     * @param array<string, true> $shared   places that may be held twice, as Claim::key() writes them
     */
    private function __construct(private readonly array $settings, private readonly array $devices, private readonly array $shared)
    {
        $this->search = new AssignSearch($settings, $shared);
    }

    public static function read(Node $node): self
    {
        $node->only('devices', 'reserved', 'shared');
        $settings = $named = [];
        foreach ($node->at('devices')->items(self::MOST_DEVICES) as $owner => $device) {
            $named[] = $device->only('name', 'settings')->at('name');
            $list = $device->at('settings')->items(self::MOST_SETTINGS);
            foreach ($list as $setting) {
                $settings[] = Setting::read($setting, $owner, $device->at('name')->name());
            }
            Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $list));
        }
        Node::distinct($named);
        $reserved = $node->optional('reserved')?->items() ?? [];
        foreach ($reserved as $i => $it) {
            $settings[] = Setting::reserved($it, count($named) + $i);
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('by'), $reserved));
        $ranges = self::sorts($node);
        $shared = [];
        foreach ($node->optional('shared')?->items() ?? [] as $it) {
            $resource = $it->only('resource', 'at')->at('resource')->name();
            ($ranges["\0{$resource}"] ?? false) && $it->at('resource')->refuse('is claimed by ranges, which are never shared');
            $shared[Claim::key($resource, Claim::place($it->at('at')))] = true;
        }

        return new self($settings, array_map(static fn (Node $it): string => $it->name(), $named), $shared);
    }

    /**
     * A resource is claimed by places or by ranges throughout, never both.
     *
     * @return array<string, bool> by resource, behind a NUL: by ranges
     */
    private static function sorts(Node $node): array
    {
        $ranges = [];
        $look = static function (Node $claims) use (&$ranges): void {
            foreach ($claims->items() as $claim) {
                $key = "\0{$claim->at('resource')->string()}";
                $range = !$claim->has('at');
                ($ranges[$key] ?? $range) === $range
                    || $claim->refuse(
                        "claims {$claim->at('resource')->string()} by ".($range ? 'a range where others name a place' : 'a place where others give a range'),
                    );
                $ranges[$key] = $range;
            }
        };
        foreach ($node->at('devices')->items() as $device) {
            foreach ($device->at('settings')->items() as $setting) {
                foreach ($setting->at('options')->items() as $option) {
                    $look($option->at('claims'));
                }
            }
        }
        foreach ($node->optional('reserved')?->items() ?? [] as $it) {
            $look($it->at('claims'));
        }

        return $ranges;
    }

    public function found(): AssignFound
    {
        $conflicts = $this->conflicts();
        if ($conflicts === []) {
            return new AssignFound(proved: true, conflicts: [], solvable: true, changesNeeded: 0, plans: [], core: [], reasons: ['nothing clashes']);
        }
        $best = [];
        try {
            $solution = $this->search->anyWay($this->search->free());
            $best = $solution === null ? [] : [$this->plan($solution)];
            if ($solution === null) {
                $core = $this->core();

                return new AssignFound(proved: true, conflicts: $conflicts, solvable: false, changesNeeded: null, plans: [], core: $core, reasons: [
                    'no way of setting them keeps them apart'.($core === []
                        ? ': what the machine keeps for itself clashes already'
                        : ': '.implode(', ', $core).' cannot live together'),
                ]);
            }
            $least = $this->search->fewest();
            $needed = array_sum($least);
            $plans = $this->plans($least);

            return new AssignFound(
                proved: true, conflicts: $conflicts, solvable: true, changesNeeded: $needed, plans: $plans, core: [], reasons: [self::moves($needed)],
            );
        } catch (SearchStopped) {
            return new AssignFound(
                proved: false,
                conflicts: $conflicts,
                solvable: null,
                changesNeeded: null,
                plans: $best,
                core: [],
                reasons: ['the search stopped at its limit: nothing is proved'.($best === [] ? '' : '; the plan works, and may not be the shortest')],
            );
        }
    }

    private static function moves(int $needed): string
    {
        return $needed === 1 ? 'one setting has to move' : "{$needed} settings have to move";
    }

    /** @return list<Conflict> */
    private function conflicts(): array
    {
        $stands = [];
        foreach ($this->settings as $s => $setting) {
            foreach ($setting->options[$setting->at]->claims as $claim) {
                $stands[] = [$s, $claim];
            }
        }
        $byResource = [];
        foreach ($stands as $i => [, $claim]) {
            $byResource["\0{$claim->resource}"][] = $i;
        }
        $free = [];
        $found = [];
        foreach ($stands as $i => [$s, $claim]) {
            foreach ($byResource["\0{$claim->resource}"] as $j) {
                [$t, $other] = $stands[$j];
                if ($j <= $i || $this->settings[$s]->owner === $this->settings[$t]->owner) {
                    continue;
                }
                $overlap = $this->clash($claim, $other);
                if ($overlap !== null) {
                    $free[$s] ??= $this->search->freeOf($s);
                    $free[$t] ??= $this->search->freeOf($t);
                    $found[] = [
                        'resource' => $claim->resource, 'at' => $claim->at, 'base' => $overlap[0], 'length' => $overlap[1],
                        'owners' => [
                            $this->settings[$s]->device,
                            $this->settings[$t]->device,
                        ], 'settings' => [$this->settings[$s]->name, $this->settings[$t]->name],
                        'free' => [$free[$s], $free[$t]],
                    ];
                }
            }
        }

        return $found;
    }

    /** @return array{?int, ?int}|null what both hold: base and length of a range, or two nulls for a place */
    private function clash(Claim $one, Claim $other): ?array
    {
        if ($one->resource !== $other->resource) {
            return null;
        }
        if ($one->at === null || $other->at === null) {
            return $one->overlap($other);
        }

        return $one->at === $other->at && !isset($this->shared[Claim::key($one->resource, $one->at)]) ? [null, null] : null;
    }

    /** @return list<string> devices that cannot live together, none of whom can be left out */
    private function core(): array
    {
        $state = $this->search->free();
        $reserved = array_filter($state, fn (int $s): bool => $this->settings[$s]->name === null, ARRAY_FILTER_USE_KEY);
        if ($this->search->anyWay($reserved) === null) {
            return [];
        }
        $core = [];
        foreach ($this->devices as $owner => $device) {
            $without = array_filter($state, fn (int $s): bool => $this->settings[$s]->owner !== $owner, ARRAY_FILTER_USE_KEY);
            if ($this->search->anyWay($without) === null) {
                $state = $without;
            } else {
                $core[] = $device;
            }
        }

        return $core;
    }

    /**
     * Every way with so few moves, in order: by the places of what moves, then by the places of where it goes.
     *
     * @param list<int> $least moves by group
     *
     * @return list<list<array{device: string, setting: string, from: string, to: string}>>
     */
    private function plans(array $least): array
    {
        $plans = [];
        foreach ($this->search->moving($this->search->free(), 0, $least) as $state) {
            foreach ($this->search->going($state) as $options) {
                $plans[] = $this->plan($options);
                if (count($plans) === self::PLANS) {
                    return $plans;
                }
            }
        }

        return $plans;
    }

    /**
     * @param array<int, int> $options by setting
     *
     * @return list<array{device: string, setting: string, from: string, to: string}> in document order
     */
    private function plan(array $options): array
    {
        ksort($options);
        $plan = [];
        foreach ($options as $s => $o) {
            $setting = $this->settings[$s];
            $o === $setting->at || $plan[] = [
                'device' => $setting->device, 'setting' => (string) $setting->name, 'from' => $setting->options[$setting->at]->name,
                'to' => $setting->options[$o]->name,
            ];
        }

        return $plan;
    }
}
