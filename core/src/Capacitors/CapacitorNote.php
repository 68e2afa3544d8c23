<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Logbook\Ulid;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;

/** The record's entries of this room: a capacitor found, a reading, rework. */
final readonly class CapacitorNote
{
    public const REWORK = ['leg_lifted' => 'leg lifted', 'pad_lifted' => 'pad lifted', 'trace_repaired' => 'trace repaired', 'fitted' => 'new part fitted', 'refitted' => 'original fitted again'];

    /** @return array<string, mixed> */
    public static function found(Node $data): array
    {
        $asked = $data->optional('asked')?->text(120);
        $given = clone $data->object();
        unset($given->asked);

        return [...BoardCapacitor::read(Node::of($given, $data->pointer))->document, ...($asked === null ? [] : ['asked' => $asked])];
    }

    /** @return array<string, mixed> in SI units; lead_ohm is what the probes read together */
    public static function reading(Node $data): array
    {
        $data->only('cap', 'in_circuit', 'visual', 'capacitance_f', 'esr_ohm', 'lead_ohm', 'tan_delta', 'frequency_hz', 'leakage_a', 'meter', 'sure');
        $looks = $data->optional('visual')?->items() ?? [];
        Node::distinct($looks);
        $read = array_filter([
            'cap' => $data->at('cap')->text(160), 'in_circuit' => $data->at('in_circuit')->bool(), 'visual' => array_map(static fn (Node $it): string => $it->enum(Look::class)->value, $looks),
            'capacitance_f' => self::quantity($data->optional('capacitance_f'), Unit::Farad), 'esr_ohm' => self::quantity($data->optional('esr_ohm'), Unit::Ohm), 'lead_ohm' => self::quantity($data->optional('lead_ohm'), Unit::Ohm),
            'tan_delta' => $data->optional('tan_delta')?->notNegative(), 'frequency_hz' => self::quantity($data->optional('frequency_hz'), Unit::Hertz), 'leakage_a' => self::quantity($data->optional('leakage_a'), Unit::Ampere),
            'meter' => $data->optional('meter')?->isNull() === false ? Ulid::read($data->at('meter')) : null, 'sure' => $data->optional('sure')?->bool(),
        ], static fn (mixed $it): bool => $it !== null);
        if ($looks === [] && array_intersect_key($read, ['capacitance_f' => 1, 'esr_ohm' => 1, 'tan_delta' => 1, 'leakage_a' => 1]) === []) {
            $data->refuse('must have a reading or a look');
        }
        if (($read['esr_ohm'] ?? null) === 0.0 && !isset($read['lead_ohm'])) {
            $data->at('esr_ohm')->refuse('is 0: the leads are shorted, or the part is. Zero the leads first: hold the probes together, give that as lead_ohm, then measure again');
        }

        return $read;
    }

    /** @return array<string, mixed> */
    public static function rework(Node $data): array
    {
        $done = $data->only('cap', 'done', 'polarity', 'continuity')->at('done')->string();
        isset(self::REWORK[$done]) || $data->at('done')->refuse('must be one of '.implode(', ', array_keys(self::REWORK)));
        $stripe = $data->optional('polarity')?->string();
        $stripe === null || in_array($stripe, ['plus', 'minus'], true) || $data->at('polarity')->refuse('must be plus or minus: the board\'s mark that the part\'s stripe sits at');

        return array_filter(['cap' => $data->at('cap')->text(160), 'done' => $done, 'polarity' => $stripe, 'continuity' => $data->has('continuity') ? Ulid::read($data->at('continuity')) : null], static fn (mixed $it): bool => $it !== null);
    }

    /** The stripe of an aluminium electrolytic marks minus, that of a tantalum plus (common practice, no source). Null when the part sits right. */
    public static function backwards(Kind $kind, string $stripeAt): ?string
    {
        return match (true) {
            $kind === Kind::Tantalum && $stripeAt === 'minus' => 'a tantalum\'s stripe marks plus: this one sits backwards. Turn it round before power: it fails as a short, with fire',
            $kind === Kind::Aluminium && $stripeAt === 'plus' => 'an aluminium electrolytic\'s stripe marks minus: this one sits backwards. Turn it round before power',
            default => null,
        };
    }

    /** @param array<string, mixed> $data */
    public static function foundWords(array $data): string
    {
        $it = BoardCapacitor::read(Node::of((object) array_diff_key($data, ['asked' => 1])));

        return "Capacitor {$it->key}: {$it->words()}".($it->rail === null ? '' : ", on {$it->rail}").(is_string($data['asked'] ?? null) ? ", asked of {$data['asked']}" : '');
    }

    /** @param array<string, mixed> $data as completed */
    public static function readingWords(array $data): string
    {
        $figures = array_filter([
            is_numeric($data['capacitance_f'] ?? null) ? Notation::print((float) $data['capacitance_f'], Unit::Farad, 4) : null,
            is_numeric($data['esr_ohm'] ?? null) ? 'ESR '.Notation::print((float) $data['esr_ohm'], Unit::Ohm, 3) : null,
            is_numeric($data['tan_delta'] ?? null) ? 'tan delta '.Notation::plain((float) $data['tan_delta']) : null,
            is_numeric($data['leakage_a'] ?? null) ? 'leakage '.Notation::print((float) $data['leakage_a'], Unit::Ampere, 3) : null,
            ...array_map(static fn (mixed $look): string => is_string($look) ? Look::from($look)->words() : '', is_array($data['visual'] ?? null) ? $data['visual'] : []),
        ]);
        $word = static fn (string $key): string => is_string($data[$key] ?? null) ? $data[$key] : '';

        return $word('cap').(($data['in_circuit'] ?? false) === true ? ' in circuit: ' : ' lifted: ').implode(', ', $figures)." ({$word('verdict')}".(($data['proven'] ?? true) === true ? '' : ', unproven').')';
    }

    /** @param array<string, mixed> $data */
    public static function reworkWords(array $data): string
    {
        $word = static fn (string $key): string => is_string($data[$key] ?? null) ? $data[$key] : '';

        return "{$word('cap')}: ".(self::REWORK[$word('done')] ?? '').($word('polarity') === '' ? '' : ", stripe at {$word('polarity')}, confirmed against the board's mark").($word('trace') === '' ? '' : ", continuity of {$word('trace')}");
    }

    private static function quantity(?Node $node, Unit $unit): ?float
    {
        if ($node === null) {
            return null;
        }
        try {
            $value = is_string($node->raw()) ? Notation::read($node->string(), $unit) : $node->number();
        } catch (UnreadableQuantity $problem) {
            $node->refuse($problem->getMessage());
        }

        return $value >= 0 ? $value : $node->refuse('must not be negative');
    }
}
