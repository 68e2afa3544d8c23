<?php

declare(strict_types=1);

namespace Ash\Batteries;

/**
 * What the clock or settings circuit of a machine that nobody has described probably is: its figures are typical and from memory, and stand
 * for themselves until a sheet or a measurement says otherwise.
 */
enum ClockCircuit: string
{
    case CmosClockRam = 'cmos-clock-ram';
    case CmosClockRamLate = 'cmos-clock-ram-late';
    case FourBitClock = 'four-bit-clock';
    case SerialClock = 'serial-clock';
    case StaticRamLowPower = 'static-ram-low-power';
    case StaticRam = 'static-ram';
    case ModuleWithCell = 'module-with-cell';

    /** Where charging was not looked for it is reckoned without and with this: a diode and a resistor from +5 V (common practice). */
    public const CHARGE_V = 5.0;
    public const CHARGE_OHM = 470.0;

    public function typical(): string
    {
        return match ($this) {
            self::CmosClockRam => 'clock chips with 50 to 114 bytes of settings, mid-eighties on',
            self::CmosClockRamLate => 'the same in later low-power chips',
            self::FourBitClock => 'four-bit parallel clock chips with a 32 kHz crystal',
            self::SerialClock => 'two- and three-wire clock chips',
            self::StaticRamLowPower => '6116, 6264, 62256 of the L kind; the current is of one chip',
            self::StaticRam => 'the same without L; the current is of one chip',
            self::ModuleWithCell => 'a clock module that holds its cell inside: the cell cannot be changed from outside; replace the '
                .'module, or open it with care',
        };
    }

    public function source(): string
    {
        return "family: {$this->value}, not measured, not from a sheet";
    }

    /** @return array{keeps: float, stands: float, standby: float}|null V, V, A; null where the cell cannot be changed */
    public function figures(): ?array
    {
        $of = static fn (float $keeps, float $standby): array => ['keeps' => $keeps, 'stands' => 5.5, 'standby' => $standby];

        return match ($this) {
            self::CmosClockRam => $of(2.7, 50e-6),
            self::CmosClockRamLate => $of(2.4, 5e-6),
            self::FourBitClock => $of(2.0, 10e-6),
            self::SerialClock => $of(2.2, 2e-6),
            self::StaticRamLowPower => $of(2.0, 5e-6),
            self::StaticRam => $of(2.0, 100e-6),
            self::ModuleWithCell => null,
        };
    }
}
