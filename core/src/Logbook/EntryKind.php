<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** Kinds of entries in the record. */
enum EntryKind: string
{
    case Symptom = 'symptom';
    case Observation = 'observation';
    case Reading = 'reading';
    case Action = 'action';
    case Part = 'part';
    case Hazard = 'hazard';
    case Undone = 'undone';
    case Waiting = 'waiting';
    case Arrived = 'arrived';
    case Decision = 'decision';
    case Battery = 'battery';
    case Clock = 'clock';
    case ClockRead = 'clock_read';
    case Strip = 'strip';
    case Rebuilt = 'rebuilt';
    case Survey = 'survey';
    case Continuity = 'continuity';
    case Memory = 'memory';
    case Swap = 'swap';
    case Soak = 'soak';
    case DateCodes = 'date_codes';
    case Capacitor = 'capacitor';
    case CapReading = 'cap_reading';
    case Rework = 'rework';
    case Photo = 'photo';
    case Pin = 'pin';
    case Stage = 'stage';
    case Gate = 'gate';
    case Outcome = 'outcome';
    case Reopened = 'reopened';
    case Withdrawn = 'withdrawn';

    public function words(): string
    {
        return match ($this) {
            self::Part => 'part replaced',
            self::Hazard => 'temporary fix',
            self::Undone => 'temporary fix undone',
            self::Gate => 'gate passed',
            self::Clock => 'clock set',
            self::ClockRead => 'clock read',
            self::Strip => 'taken out',
            self::Rebuilt => 'put back',
            self::Survey => 'leak survey',
            self::CapReading => 'capacitor',
            self::Memory => 'memory test',
            self::Swap => 'chips exchanged',
            self::DateCodes => 'date codes',
            default => $this->value,
        };
    }

    /** Kinds whose data say everything, so that text may be left out. */
    public function speaksForItself(): bool
    {
        return in_array($this, [self::Capacitor, self::CapReading, self::Rework, self::Memory, self::Swap, self::Soak, self::DateCodes, self::Clock, self::ClockRead, self::Strip, self::Rebuilt, self::Survey, self::Continuity, self::Photo, self::Reading, self::Stage, self::Battery, self::Part, self::Waiting, self::Undone, self::Arrived, self::Outcome, self::Gate], true);
    }
}
