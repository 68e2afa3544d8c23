<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Batteries\BatteryNote;
use Ash\Capacitors\CapacitorNote;
use Ash\Capacitors\Kind;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\Node;
use Ash\Memory\MemoryNote;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;
use Ash\Rails\Band;
use Ash\Rails\Load;

/** The structured part of an entry, read strictly, kind by kind. */
final readonly class EntryData
{
    /** A reading beyond this is a slip of the finger: nothing on a bench for boards carries it. */
    private const MAX_VOLTS = 100_000.0;
    private const TIME = 'Y-m-d\TH:i:sP';

    /** @return array<string, mixed> in canonical form, ready to be stored */
    public static function read(EntryKind $kind, Node $data): array
    {
        return array_filter(match ($kind) {
            EntryKind::Part => self::part($data),
            EntryKind::Undone => ['hazard' => Ulid::read($data->only('hazard')->at('hazard'))],
            EntryKind::Waiting => self::waiting($data),
            EntryKind::Arrived => ['waiting' => Ulid::read($data->only('waiting')->at('waiting'))],
            EntryKind::Decision => self::decision($data),
            EntryKind::Battery => BatteryNote::read($data),
            EntryKind::Clock => [
                'set_at' => $data->only('set_at', 'due_at')->at('set_at')->instant()->format(self::TIME),
                'due_at' => $data->optional('due_at')?->instant()->format(self::TIME),
            ],
            EntryKind::ClockRead => self::clockRead($data),
            EntryKind::Strip => StripItem::read($data),
            EntryKind::Rebuilt => ['item' => Ulid::read($data->only('item', 'fixings')->at('item')), 'fixings' => $data->has('fixings') ? Fixing::readAll($data->at('fixings')) : null],
            EntryKind::Survey => SurveyPlace::read($data),
            EntryKind::Continuity => self::continuity($data),
            EntryKind::Capacitor => CapacitorNote::found($data),
            EntryKind::CapReading => CapacitorNote::reading($data),
            EntryKind::Rework => CapacitorNote::rework($data),
            EntryKind::Memory => MemoryNote::run($data),
            EntryKind::Swap => MemoryNote::swap($data),
            EntryKind::Soak => MemoryNote::soak($data),
            EntryKind::DateCodes => MemoryNote::dateCodes($data),
            EntryKind::Photo => self::photo($data),
            EntryKind::Pin => [
                'photo' => Ulid::read($data->only('photo', 'x', 'y')->at('photo')),
                'x' => $data->at('x')->between(0, 1),
                'y' => $data->at('y')->between(0, 1),
            ],
            EntryKind::Stage => ['to' => $data->only('to')->at('to')->enum(Stage::class)->value],
            EntryKind::Gate => [
                'gate' => $data->only('gate', 'reason')->at('gate')->enum(Gate::class)->value,
                'reason' => $data->at('reason')->text(500),
            ],
            EntryKind::Reading => self::reading($data),
            EntryKind::Outcome => self::outcome($data),
            default => self::none($data),
        }, static fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> */
    private static function clockRead(Node $data): array
    {
        $data->only('test', 'checked_at', 'clock_read', 'power_off_h');

        return [
            'test' => Ulid::read($data->at('test')),
            'checked_at' => $data->at('checked_at')->instant()->format(self::TIME),
            'clock_read' => $data->at('clock_read')->instant()->format(self::TIME),
            'power_off_h' => $data->at('power_off_h')->notNegative(),
        ];
    }

    /** @return array<string, mixed> what it shows, and whether that was before or after the work */
    private static function photo(Node $data): array
    {
        $data->only('photo', 'of', 'phase');
        $phase = $data->optional('phase');
        if ($phase !== null && !in_array($phase->string(), ['before', 'after'], true)) {
            $phase->refuse('must be before or after');
        }
        if ($phase !== null && !$data->has('of')) {
            $data->at('of');
        }

        return ['photo' => Ulid::read($data->at('photo')), 'of' => $data->optional('of')?->text(160), 'phase' => $phase?->string()];
    }

    /** @return array<string, mixed> "open" stands for a meter that shows no value */
    private static function continuity(Node $data): array
    {
        $data->only('place', 'measured_ohm', 'lead_ohm', 'meter');
        $measured = $data->at('measured_ohm');

        return [
            'place' => Ulid::read($data->at('place')),
            'measured_ohm' => $measured->raw() === 'open' ? 'open' : self::quantity($measured, Unit::Ohm),
            'lead_ohm' => self::quantity($data->at('lead_ohm'), Unit::Ohm),
            'meter' => $data->optional('meter')?->isNull() === false ? Ulid::read($data->at('meter')) : null,
        ];
    }

    /** @return array<string, mixed> */
    private static function none(Node $data): array
    {
        $data->only();

        return [];
    }

    /** @return array<string, mixed> */
    private static function part(Node $data): array
    {
        $data->only('designator', 'from', 'to', 'source', 'date_code', 'shelf', 'quantity', 'polarity', 'kept_at');
        $stripe = $data->optional('polarity')?->string();
        $stripe === null || in_array($stripe, ['plus', 'minus'], true) || $data->at('polarity')->refuse('must be plus or minus: the board\'s mark that the part\'s stripe sits at');

        return [
            'designator' => $data->at('designator')->text(60),
            'from' => $data->optional('from')?->text(120),
            'to' => $data->at('to')->text(120),
            'source' => $data->optional('source')?->text(120),
            'date_code' => $data->optional('date_code')?->text(20),
            'shelf' => $data->has('shelf') ? Ulid::read($data->at('shelf')) : null,
            'quantity' => $data->optional('quantity')?->integer(1, 10_000),
            'polarity' => $stripe,
            'kept_at' => $data->optional('kept_at')?->text(120),
        ];
    }

    /** @return array<string, mixed> */
    private static function waiting(Node $data): array
    {
        $data->only('for', 'asked', 'since');

        return [
            'for' => $data->at('for')->text(200),
            'asked' => $data->optional('asked')?->text(120),
            'since' => $data->optional('since')?->instant()->format('Y-m-d\TH:i:sP'),
        ];
    }

    /** @return array<string, mixed> */
    private static function decision(Node $data): array
    {
        $data->only('reason', 'rail', 'band', 'capacitors', 'policy');
        if ($data->has('rail') !== $data->has('band')) {
            $data->refuse('rail and band come together');
        }
        if ($data->has('capacitors') !== $data->has('policy')) {
            $data->refuse('capacitors and policy come together');
        }
        $policy = $data->optional('policy')?->string();
        $policy === null || in_array($policy, ['replace_bad', 'replace_kind'], true) || $data->at('policy')->refuse('must be replace_bad or replace_kind');

        return [
            'reason' => $data->at('reason')->text(500),
            'rail' => $data->optional('rail')?->text(40),
            'band' => $data->optional('band')?->enum(Band::class)->value,
            'capacitors' => $data->optional('capacitors')?->enum(Kind::class)->value,
            'policy' => $policy,
        ];
    }

    /** @return array<string, mixed> */
    private static function reading(Node $data): array
    {
        $data->only('run', 'rail', 'test_point', 'load', 'volts', 'ripple_mvpp', 'ripple_from', 'amps', 'ohms_to_ground', 'meter');
        if (!$data->has('volts') && !$data->has('ohms_to_ground')) {
            $data->refuse('must have volts or ohms_to_ground or both');
        }

        return [
            'run' => Ulid::read($data->at('run')),
            'rail' => $data->at('rail')->text(40),
            'test_point' => $data->at('test_point')->text(120),
            'load' => $data->at('load')->enum(Load::class)->value,
            'volts' => self::quantity($data->optional('volts'), Unit::Volt, true),
            'ripple_mvpp' => self::millivolts($data->optional('ripple_mvpp')),
            'ripple_from' => self::rippleFrom($data),
            'amps' => self::quantity($data->optional('amps'), Unit::Ampere),
            'ohms_to_ground' => self::quantity($data->optional('ohms_to_ground'), Unit::Ohm),
            'meter' => $data->optional('meter')?->isNull() === false ? Ulid::read($data->at('meter')) : null,
        ];
    }

    /** Ripple is seen on a scope, or computed from AC volts RMS as a sawtooth: then the record says so. */
    private static function rippleFrom(Node $data): ?string
    {
        $from = $data->optional('ripple_from');

        return match (true) {
            $from === null => null,
            $from->string() !== 'rms' => $from->refuse('must be rms'),
            !$data->has('ripple_mvpp') => $from->refuse('says where a ripple comes from that is not there'),
            default => 'rms',
        };
    }

    /** @return array<string, mixed> */
    private static function outcome(Node $data): array
    {
        $data->only('outcome', 'handed_back', 'limits', 'waiting_for', 'next_time');

        return [
            'outcome' => $data->at('outcome')->enum(Outcome::class)->value,
            'handed_back' => $data->at('handed_back')->bool(),
            'limits' => array_map(static fn (Node $line): string => $line->text(300), $data->optional('limits')?->items() ?? []),
            'waiting_for' => $data->optional('waiting_for')?->text(200),
            'next_time' => $data->optional('next_time')?->text(500),
        ];
    }

    /** A number in SI units, or what a person typed ("4,98", "4k7"). */
    private static function quantity(?Node $node, Unit $unit, bool $signed = false): ?float
    {
        if ($node === null) {
            return null;
        }
        try {
            $value = is_string($node->raw()) ? Notation::read($node->string(), $unit) : $node->number();
        } catch (UnreadableQuantity $problem) {
            $node->refuse($problem->getMessage());
        }
        if (!$signed && $value < 0) {
            $node->refuse('must not be negative');
        }
        if ($unit === Unit::Volt && abs($value) > self::MAX_VOLTS) {
            $node->refuse('must be at most '.Notation::print(self::MAX_VOLTS, Unit::Volt).' either way');
        }

        return $value;
    }

    /** Ripple is spoken of in millivolts: a bare "120" typed there is 120 mVpp, "0.12 V" is the same. */
    private static function millivolts(?Node $node): ?float
    {
        if ($node === null || !is_string($node->raw())) {
            return $node?->notNegative();
        }
        $typed = trim(preg_replace('/pp$/i', '', $node->string()) ?? '');
        if (preg_match('/^[\d.,]+$/', $typed) === 1) {
            $typed .= 'm';
        }
        $volts = self::quantity(Node::of($typed, $node->pointer), Unit::Volt);

        return $volts === null ? null : $volts * 1000;
    }
}
