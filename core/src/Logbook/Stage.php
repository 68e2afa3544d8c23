<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** The order of work on one job. A guide and not a cage: any stage can be opened at any time, through its gates. */
enum Stage: string
{
    case Intake = 'intake';
    case StripDown = 'strip_down';
    case Battery = 'battery';
    case Supply = 'supply';
    case ColdChecks = 'cold_checks';
    case FirstPower = 'first_power';
    case Find = 'find';
    case Repair = 'repair';
    case Soak = 'soak';
    case Rebuild = 'rebuild';
    case Close = 'close';

    public function words(): string
    {
        return match ($this) {
            self::StripDown => 'Strip-down',
            self::ColdChecks => 'Cold checks',
            self::FirstPower => 'First power',
            default => ucfirst($this->value),
        };
    }

    /** What must be known before the next stage. */
    public function needs(): string
    {
        return match ($this) {
            self::Intake => 'the symptom in the shop\'s own terms',
            self::StripDown => 'every item taken out is listed',
            self::Battery => 'no leaking cell on the board',
            self::Supply => 'rails judged under load',
            self::ColdChecks => 'nothing shorted, bias rails planned',
            self::FirstPower => 'alive, or a symptom',
            self::Find => 'a named cause with its evidence',
            self::Repair => 'the same test that failed, passed',
            self::Soak => 'a bound on the failure rate, time kept',
            self::Rebuild => 'the strip-down list ticked in reverse',
            self::Close => 'an outcome, no open hazard',
        };
    }

    /** Stages in which the board is under power, so that the gates stand before them. */
    public function powered(): bool
    {
        return $this === self::FirstPower || $this === self::Soak;
    }

    /** @return list<Caution> */
    public function cautions(): array
    {
        return match ($this) {
            self::Intake, self::StripDown => [Caution::Mains, Caution::Static],
            self::Battery => [Caution::Chemicals],
            self::Supply => [Caution::Mains, Caution::StoredCharge],
            self::ColdChecks, self::Find => [Caution::Static],
            self::FirstPower => [Caution::Mains, Caution::OldSupply],
            self::Repair => [Caution::Solder, Caution::Static],
            self::Soak => [Caution::OldSupply],
            self::Rebuild, self::Close => [],
        };
    }
}
