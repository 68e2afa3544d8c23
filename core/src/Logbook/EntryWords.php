<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Batteries\BatteryNote;
use Ash\Capacitors\CapacitorNote;
use Ash\Corrosion\SurveyPlace;
use Ash\Memory\MemoryNote;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Load;
use Ash\Rails\Verdict;

/**
 * An entry in words, the same on screen, on paper and in exports.
 *
 * @phpstan-import-type Item from StripItem
 */
final readonly class EntryWords
{
    /** @param array<string, mixed> $data as EntryData gives it, with what the record added to a reading */
    public static function of(EntryKind $kind, string $text, array $data): string
    {
        $said = match ($kind) {
            EntryKind::Reading => self::reading($data),
            EntryKind::Part => self::part($data),
            EntryKind::Waiting => 'Waiting for '.self::word($data, 'for').self::after($data, 'asked', ', asked of '),
            EntryKind::Battery => BatteryNote::words($data),
            EntryKind::Clock => 'Clock set; the test runs'.self::after($data, 'due_at', ' until '),
            EntryKind::ClockRead => 'Clock '.self::word($data, 'verdict').(isset($data['reasons']) && is_array($data['reasons']) ? ': '.implode(', ', array_filter($data['reasons'], is_string(...))) : ''),
            EntryKind::Strip => StripItem::words(self::item($data)),
            EntryKind::Rebuilt => 'Back in: '.self::word($data, 'what'),
            EntryKind::Survey => SurveyPlace::words($data),
            EntryKind::Continuity => self::continuity($data),
            EntryKind::Capacitor => CapacitorNote::foundWords($data),
            EntryKind::CapReading => CapacitorNote::readingWords($data),
            EntryKind::Rework => CapacitorNote::reworkWords($data),
            EntryKind::Memory => MemoryNote::runWords($data),
            EntryKind::Swap => MemoryNote::swapWords($data),
            EntryKind::Soak => MemoryNote::soakWords($data),
            EntryKind::DateCodes => MemoryNote::dateCodesWords($data),
            EntryKind::Photo => 'Photo'.self::after($data, 'of', ' of ').self::after($data, 'phase', ', '),
            EntryKind::Pin => 'Pin '.(is_int($data['number'] ?? null) ? $data['number'] : '').': '.$text,
            EntryKind::Stage => 'Stage: '.(Stage::tryFrom(self::word($data, 'to'))?->words() ?? ''),
            EntryKind::Gate => 'Went on past '.(Gate::tryFrom(self::word($data, 'gate'))?->words() ?? '').', because '.self::word($data, 'reason'),
            EntryKind::Outcome => self::outcome($data),
            EntryKind::Decision => 'Decided: '.$text.', because '.self::word($data, 'reason'),
            EntryKind::Undone => 'Undone: '.self::word($data, 'what'),
            EntryKind::Arrived => 'Arrived: '.self::word($data, 'what'),
            default => $text,
        };
        $repeats = in_array($kind, [EntryKind::Strip, EntryKind::Decision, EntryKind::Waiting, EntryKind::Part, EntryKind::Battery, EntryKind::Undone, EntryKind::Arrived], true);

        return $kind->speaksForItself() && !$repeats && $text !== '' ? "{$said}. {$text}" : $said;
    }

    /** @param array<string, mixed> $data */
    public static function part(array $data): string
    {
        return self::word($data, 'designator').self::after($data, 'from', ': ').' to '.self::word($data, 'to')
            .self::after($data, 'source', ', from ').self::after($data, 'date_code', ', date code ').self::after($data, 'polarity', ', stripe at ').self::after($data, 'kept_at', '; the original is kept in ');
    }

    /** @param array<string, mixed> $data */
    private static function reading(array $data): string
    {
        $load = Load::tryFrom(self::word($data, 'load'))?->words() ?? '';
        $figures = array_filter([
            isset($data['volts']) && is_numeric($data['volts']) ? Notation::print((float) $data['volts'], Unit::Volt) : null,
            isset($data['ripple_mvpp']) && is_numeric($data['ripple_mvpp']) ? 'ripple '.Notation::plain((float) $data['ripple_mvpp']).' mVpp'.(self::word($data, 'ripple_from') === 'rms' ? ' from AC volts' : '') : null,
            isset($data['amps']) && is_numeric($data['amps']) ? Notation::print((float) $data['amps'], Unit::Ampere) : null,
            isset($data['ohms_to_ground']) && is_numeric($data['ohms_to_ground']) ? Notation::print((float) $data['ohms_to_ground'], Unit::Ohm).' to ground' : null,
        ]);
        $verdict = Verdict::tryFrom(self::word($data, 'verdict'))?->words();

        return self::word($data, 'rail').' at '.self::word($data, 'test_point').", {$load}: ".implode(', ', $figures).($verdict === null ? '' : " ({$verdict})");
    }

    /** @param array<string, mixed> $data */
    private static function continuity(array $data): string
    {
        $measured = $data['measured_ohm'] ?? null;
        $value = is_numeric($measured) ? Notation::print((float) $measured, Unit::Ohm, 3) : 'open';
        $reasons = is_array($data['reasons'] ?? null) ? array_filter($data['reasons'], is_string(...)) : [];

        return self::word($data, 'what').": {$value}, ".self::word($data, 'verdict').($reasons === [] ? '' : ' ('.implode('; ', $reasons).')');
    }

    /**
     * @param array<string, mixed> $data as StripItem gave it
     *
     * @return Item
     */
    private static function item(array $data): array
    {
        /** @var Item */
        return ['what' => '', ...$data];
    }

    /** @param array<string, mixed> $data */
    private static function outcome(array $data): string
    {
        $limits = array_filter(is_array($data['limits'] ?? null) ? $data['limits'] : [], is_string(...));

        return (Outcome::tryFrom(self::word($data, 'outcome'))?->words() ?? '')
            .(($data['handed_back'] ?? false) === true ? ', handed back' : ', not handed back')
            .($limits === [] ? '' : '. Limits: '.implode('; ', $limits))
            .self::after($data, 'waiting_for', '. Waits for ').self::after($data, 'next_time', '. Next time: ');
    }

    /** @param array<string, mixed> $data */
    private static function word(array $data, string $key): string
    {
        return is_string($data[$key] ?? null) ? $data[$key] : '';
    }

    /** @param array<string, mixed> $data */
    private static function after(array $data, string $key, string $lead): string
    {
        return self::word($data, $key) === '' ? '' : $lead.self::word($data, $key);
    }
}
