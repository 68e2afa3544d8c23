<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * What the supply of a machine that nobody has described probably gives: a starting point that is said to be one until a label, a sheet or
 * a good board confirms it. Typical values, from memory; tolerances where none stands are those of Limits::ordinary().
 */
enum Family: string
{
    case Single5 = 'single-5';
    case Home9Vac = 'home-9vac';
    case Twin512 = 'twin-5-12';
    case ThreeSupplyMemory = 'three-supply-memory';
    case DesktopAt = 'desktop-at';
    case DesktopAtx = 'desktop-atx';
    case UnregulatedBus = 'unregulated-bus';
    case Split15 = 'split-15';
    case CoreMachine = 'core-machine';
    case PlusMinus12Serial = 'plus-minus-12-serial';
    case Monitor = 'monitor';

    public function howToKnow(): string
    {
        return match ($this) {
            self::Single5 => 'one regulator, one colour of wire',
            self::Home9Vac => 'a plug with four pins or more, a transformer on the floor, a bridge rectifier on the board',
            self::Twin512 => 'drive boxes, small machines with drives: yellow 12, red 5, black ground is common and proves nothing',
            self::ThreeSupplyMemory => '4027 or 4116 in the rows',
            self::DesktopAt => 'two six-way plugs side by side, black beside black',
            self::DesktopAtx => 'one plug of 20 or 24, a soft switch',
            self::UnregulatedBus => 'regulators on every card',
            self::Split15 => 'analogue cards, laboratory machines',
            self::CoreMachine => 'core stack; the drive current follows temperature',
            self::PlusMinus12Serial => 'line drivers 1488 and 1489',
            self::Monitor => 'picture tube: for trained people, kept dark here: rails up to 60 V only, as its label says',
        };
    }

    /** Shown with every figure taken from it until someone confirms it. */
    public function source(): string
    {
        return "family: {$this->value}, not measured, not from a sheet";
    }

    /** @return list<array<string, mixed>> as a description holds them; none where only the label can say */
    public function rails(): array
    {
        $rail = static fn (string $name, float|int $nominal, array $more = []): array => ['name' => $name, 'nominal_v' => $nominal, ...$more];
        $ripple = static fn (int $mvpp): array => ['ripple_max_mvpp' => $mvpp];
        $within = static fn (float|int $minus, float|int $plus): array => ['tolerance' => ['minus_pct' => $minus, 'plus_pct' => $plus]];
        $raw = static fn (float $low, float $high): array => ['limits_v' => ['low' => $low, 'high' => $high], 'needs_load' => false];
        $optional = ['optional' => true];

        /** @var list<array<string, mixed>> $rails */
        $rails = match ($this) {
            self::Single5 => [$rail('+5', 5)],
            self::Home9Vac => [$rail('9 ac', 9, ['kind' => 'ac', ...$within(10, 25)]), $rail('+5', 5), $rail('+12', 12, $optional)],
            self::Twin512 => [$rail('+5', 5), $rail('+12', 12)],
            self::ThreeSupplyMemory => [
                $rail('-5', -5, ['limits_v' => ['low' => -5.7, 'high' => -4.5], 'protects' => ['+12', '+5'], 'needs_load' => false]),
                $rail('+5', 5), $rail('+12', 12), $rail('-12', -12, $optional),
            ],
            self::DesktopAt => [$rail('+5', 5, $ripple(50)), $rail('+12', 12, $ripple(120)), $rail('-5', -5, $ripple(50)), $rail('-12', -12, $ripple(120))],
            self::DesktopAtx => [
                $rail('+3.3', 3.3, $ripple(50)), $rail('+5', 5, $ripple(50)), $rail('+12', 12, $ripple(120)), $rail('-12', -12, $ripple(120)),
                $rail('+5 standby', 5, ['standby' => true, ...$ripple(50)]),
            ],
            self::UnregulatedBus => [$rail('+8', 8, $raw(7.5, 11)), $rail('+16', 16, $raw(14.5, 21)), $rail('-16', -16, $raw(-21, -14.5))],
            self::Split15 => [$rail('+5', 5), $rail('+15', 15, $within(5, 5)), $rail('-15', -15, $within(5, 5))],
            self::CoreMachine => [
                $rail('+5', 5, $within(4, 4)), $rail('+15', 15, $within(4, 4)), $rail('-15', -15, $within(4, 4)), $rail('+20 drive', 20, $within(4, 4)),
            ],
            self::PlusMinus12Serial => [$rail('+5', 5, $within(10, 10)), $rail('+12', 12, $within(10, 10)), $rail('-12', -12, $within(10, 10))],
            self::Monitor => [],
        };

        return $rails;
    }
}
