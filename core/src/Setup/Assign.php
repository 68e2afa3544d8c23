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

    /** Pairs of settings that are looked at before the search stops. */
    private const STEPS = 12_000_000;

    private int $steps = 0;

    /** @var array<int, bool> whether two options clash, by their numbers */
    private array $known = [];

    /** @var list<int> number of a setting's first option */
    private array $first = [];
    private int $options = 0;

    /**
     * @param list<Setting>       $settings those of devices, then what is reserved
     * @param list<string>        $devices
     * @param array<string, true> $shared   places that may be held twice, as Claim::key() writes them
     */
    private function __construct(private readonly array $settings, private readonly array $devices, private readonly array $shared)
    {
        foreach ($settings as $setting) {
            $this->first[] = $this->options;
            $this->options += count($setting->options);
        }
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
        $this->steps = 0;
        if ($conflicts === []) {
            return new AssignFound(proved: true, conflicts: [], solvable: true, changesNeeded: 0, plans: [], core: [], reasons: ['nothing clashes']);
        }
        $best = [];
        try {
            $solution = $this->solve($this->free(), PHP_INT_MAX);
            $best = $solution === null ? [] : [$this->plan($solution)];
            if ($solution === null) {
                $core = $this->core();

                return new AssignFound(proved: true, conflicts: $conflicts, solvable: false, changesNeeded: null, plans: [], core: $core, reasons: [
                    'no way of setting them keeps them apart'.($core === []
                        ? ': what the machine keeps for itself clashes already'
                        : ': '.implode(', ', $core).' cannot live together'),
                ]);
            }
            for ($needed = 1; $this->solve($this->free(), $needed) === null; ++$needed) {
            }
            $plans = $this->plans($needed);

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
                    $free[$s] ??= $this->freeOf($s);
                    $free[$t] ??= $this->freeOf($t);
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

    /** @return list<string> other options of a setting that clash with no other owner as things stand */
    private function freeOf(int $s): array
    {
        $free = [];
        foreach ($this->settings[$s]->fixed ? [] : $this->settings[$s]->options as $o => $option) {
            $clashes = false;
            foreach ($this->settings as $t => $other) {
                $clashes = $clashes || $this->clashes($s, $o, $t, $other->at);
            }
            $clashes || $o === $this->settings[$s]->at || $free[] = $option->name;
        }

        return $free;
    }

    /** Option $o of setting $s against option $p of setting $t. */
    private function clashes(int $s, int $o, int $t, int $p): bool
    {
        if (++$this->steps > self::STEPS) {
            throw new SearchStopped();
        }
        if ($this->settings[$s]->owner === $this->settings[$t]->owner) {
            return false;
        }
        $key = ($this->first[$s] + $o) * $this->options + $this->first[$t] + $p;
        if (!isset($this->known[$key])) {
            $clash = false;
            foreach ($this->settings[$s]->options[$o]->claims as $one) {
                foreach ($this->settings[$t]->options[$p]->claims as $other) {
                    $clash = $clash || $this->clash($one, $other) !== null;
                }
            }
            $this->known[$key] = $this->known[($this->first[$t] + $p) * $this->options + $this->first[$s] + $o] = $clash;
        }

        return $this->known[$key];
    }

    /** @return array<int, SettingState> as things stand, everything that is not fixed free to move */
    private function free(): array
    {
        return array_map(
            static fn (Setting $it): SettingState => $it->fixed || count($it->options) === 1 ? SettingState::kept($it->at) : SettingState::free($it->at),
            $this->settings,
        );
    }

    /**
     * @param array<int, SettingState> $state  of the settings that take part
     * @param int                      $budget settings that may yet move
     *
     * @return array<int, int>|null options by setting; null: there is no way
     */
    private function solve(array $state, int $budget): ?array
    {
        $pair = $this->firstClash($state);
        if ($pair !== null) {
            if ($budget < count($this->settings) && $this->mustMove($state) > $budget) {
                return null;
            }
            foreach ($pair as $s) {
                if (!$state[$s]->free) {
                    continue;
                }
                if ($budget > 0) {
                    $solution = $this->solve([$s => SettingState::mustMove($state[$s]->at)] + $state, $budget - 1);
                    if ($solution !== null) {
                        return $solution;
                    }
                }
                $state[$s] = SettingState::kept($state[$s]->at);
            }

            return null;
        }
        $choice = null;
        foreach ($state as $s => $it) {
            if ($it->open) {
                $may = $this->may($s, $state);
                if ($choice === null || count($may) < count($choice[1])) {
                    $choice = [$s, $may];
                }
            }
        }
        if ($choice === null) {
            return array_map(static fn (SettingState $it): int => $it->at, $state);
        }
        foreach ($choice[1] as $o) {
            $solution = $this->solve([$choice[0] => SettingState::kept($o)] + $state, $budget);
            if ($solution !== null) {
                return $solution;
            }
        }

        return null;
    }

    /**
     * @param array<int, SettingState> $state
     *
     * @return array{int, int}|null two that clash; of a pair that cannot both stay the one with the fewest free first
     */
    private function firstClash(array $state): ?array
    {
        $found = null;
        foreach ($state as $s => $one) {
            if ($one->open) {
                continue;
            }
            foreach ($state as $t => $other) {
                if ($t <= $s || $other->open || !$this->clashes($s, $one->at, $t, $other->at)) {
                    continue;
                }
                if (!$one->free || !$other->free) {
                    return [$s, $t];
                }
                $found ??= [$s, $t];
            }
        }

        return $found;
    }

    /**
     * At least so many have to move: whoever clashes with what stays, and of those that all clash with each other all but one.
     *
     * @param array<int, SettingState> $state
     */
    private function mustMove(array $state): int
    {
        $forced = 0;
        $groups = [];
        foreach ($state as $s => $one) {
            if (!$one->free) {
                continue;
            }
            foreach ($state as $t => $other) {
                if (!$other->free && !$other->open && $this->clashes($s, $one->at, $t, $other->at)) {
                    ++$forced;
                    continue 2;
                }
            }
            foreach ($groups as $g => $group) {
                foreach ($group as $t) {
                    if (!$this->clashes($s, $one->at, $t, $state[$t]->at)) {
                        continue 2;
                    }
                }
                $groups[$g][] = $s;
                continue 2;
            }
            $groups[] = [$s];
        }

        return $forced + array_sum(array_map(static fn (array $group): int => count($group) - 1, $groups));
    }

    /**
     * @param array<int, SettingState> $state
     *
     * @return list<int> options that a setting which has to move may go to, beside what stays
     */
    private function may(int $s, array $state): array
    {
        $may = [];
        foreach ($this->settings[$s]->options as $o => $_) {
            if ($o === $state[$s]->at) {
                continue;
            }
            foreach ($state as $t => $other) {
                if ($t !== $s && !$other->open && !$other->free && $this->clashes($s, $o, $t, $other->at)) {
                    continue 2;
                }
            }
            $may[] = $o;
        }

        return $may;
    }

    /** @return list<string> devices that cannot live together, none of whom can be left out */
    private function core(): array
    {
        $state = $this->free();
        $reserved = array_filter($state, fn (int $s): bool => $this->settings[$s]->name === null, ARRAY_FILTER_USE_KEY);
        if ($this->solve($reserved, PHP_INT_MAX) === null) {
            return [];
        }
        $core = [];
        foreach ($this->devices as $owner => $device) {
            $without = array_filter($state, fn (int $s): bool => $this->settings[$s]->owner !== $owner, ARRAY_FILTER_USE_KEY);
            if ($this->solve($without, PHP_INT_MAX) === null) {
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
     * @return list<list<array{device: string, setting: string, from: string, to: string}>>
     */
    private function plans(int $needed): array
    {
        $plans = [];
        foreach ($this->moving($this->free(), 0, $needed) as $state) {
            foreach ($this->going($state) as $options) {
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

    /**
     * Sets of settings that move, the first in the document first.
     *
     * @param array<int, SettingState> $state
     *
     * @return \Generator<int, array<int, SettingState>>
     */
    private function moving(array $state, int $from, int $left): \Generator
    {
        if ($left === 0) {
            foreach ($state as $s => $it) {
                $it->free && $state[$s] = SettingState::kept($it->at);
            }
            $this->solve($state, 0) !== null && yield $state;

            return;
        }
        for ($s = $from; $s < count($this->settings); ++$s) {
            if (!$state[$s]->free) {
                continue;
            }
            $moved = [$s => SettingState::mustMove($state[$s]->at)] + $state;
            if ($this->solve($moved, $left - 1) !== null) {
                yield from $this->moving($moved, $s + 1, $left - 1);
            }
            $state[$s] = SettingState::kept($state[$s]->at);
        }
    }

    /**
     * Where those that move may go, the first option first.
     *
     * @param array<int, SettingState> $state
     *
     * @return \Generator<int, array<int, int>>
     */
    private function going(array $state): \Generator
    {
        ksort($state);
        foreach ($state as $s => $it) {
            if (!$it->open) {
                continue;
            }
            foreach ($this->may($s, $state) as $o) {
                $next = [$s => SettingState::kept($o)] + $state;
                if ($this->solve($next, 0) !== null) {
                    yield from $this->going($next);
                }
            }

            return;
        }
        yield array_map(static fn (SettingState $it): int => $it->at, $state);
    }
}
