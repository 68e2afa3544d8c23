<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Logbook\Ulid;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;

/**
 * A capacitor on a board: from the machine's profile, or found while walking over it. One without designator has a place; one
 * without kind, value or voltage is not known, and is never judged by a guess.
 *
 * Invariant: a designator or a place is there; original is there when kind, value and voltage are; part is what sits there now.
 */
final readonly class BoardCapacitor
{
    private const SPEC = ['kind', 'marked_f', 'rated_v', 'tolerance_minus_pct', 'tolerance_plus_pct', 'esr_max_ohm', 'tan_delta_max', 'leakage_max_a', 'metallised_paper'];
    private const FITS = ['position', 'safety_class', 'esr_ohm', 'diameter_mm', 'height_mm', 'pitch_mm', 'temperature_c'];
    private const MORE = ['ref', 'place', 'board', 'rail', 'row', 'where', 'marking', 'clearance_mm', 'pin'];

    /** @param array<string, mixed> $document as it was given, in SI units */
    private function __construct(public array $document, public string $key, public ?Part $original, public ?Part $part, public ?string $rail, public bool $replaced = false)
    {
    }

    /** @return list<self> of a profile: designator, kind, value and voltage are needed */
    public static function readAll(?Node $list): array
    {
        $nodes = $list?->items() ?? [];
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('ref'), $nodes));

        return array_map(static function (Node $node): self {
            foreach (['kind', 'marked_f', 'rated_v'] as $needed) {
                $node->at($needed);
            }

            return self::read($node);
        }, $nodes);
    }

    public static function read(Node $node): self
    {
        $node->only(...self::SPEC, ...self::FITS, ...self::MORE);
        $given = [];
        foreach ($node->members() as $name => $field) {
            $given[(string) $name] = self::field((string) $name, $field);
        }
        $key = $given['ref'] ?? $given['place'] ?? $node->refuse('must have a designator or a place');
        $known = isset($given['kind'], $given['marked_f'], $given['rated_v']);
        $part = Node::of((object) array_intersect_key($given, array_flip(self::SPEC)), $node->pointer);

        $original = $known ? Part::read($part) : null;

        return new self($given, is_string($key) ? $key : '', $original, $original, is_string($given['rail'] ?? null) ? $given['rail'] : null);
    }

    /**
     * With another part in its stead. It is judged by its own figures; a substitute is still chosen for the original, or the value would creep from one to the next.
     *
     * @param array<string, mixed>|null $fitted fields of the new part; null when nobody wrote them, and the original's count on
     */
    public function replacedBy(?array $fitted): self
    {
        $part = $fitted === null ? $this->original : Part::read(Node::of((object) array_intersect_key($fitted, array_flip(self::SPEC))));

        return new self($this->document, $this->key, $this->original, $part, $this->rail, true);
    }

    /**
     * What a new part is, where its marking leaves no doubt.
     *
     * @return array<string, mixed>|null
     */
    public function fittedBy(string $marking): ?array
    {
        $read = $this->original === null ? [] : Marking::decode($marking, $this->original->kind);
        if ($this->original === null || count($read) !== 1 || $read[0]->ratedV === null) {
            return null;
        }

        return ['kind' => $this->original->kind->value, 'marked_f' => $read[0]->capacitanceF, 'rated_v' => $read[0]->ratedV, ...($read[0]->tolerance === null ? [] : ['tolerance_minus_pct' => $read[0]->tolerance['minus_pct'], 'tolerance_plus_pct' => $read[0]->tolerance['plus_pct']])];
    }

    public function words(): string
    {
        $part = $this->part;
        $kind = is_string($this->document['kind'] ?? null) ? Kind::from($this->document['kind'])->words() : null;

        return $part === null
            ? 'not known'.($kind === null ? '' : ", {$kind}").(isset($this->document['marking']) && is_string($this->document['marking']) ? ", marked \"{$this->document['marking']}\"" : '')
            : Notation::print($part->markedF, Unit::Farad, 4).' '.Notation::print($part->ratedV, Unit::Volt).", {$part->kind->words()}";
    }

    public function number(string $field): ?float
    {
        return is_numeric($this->document[$field] ?? null) ? (float) $this->document[$field] : null;
    }

    public function text(string $field): ?string
    {
        return is_string($this->document[$field] ?? null) ? $this->document[$field] : null;
    }

    /** What a substitute must stand for; the position is a filter's where nobody said another. */
    public function wanted(?float $railV): ?Wanted
    {
        if ($this->original === null) {
            return null;
        }
        $document = array_intersect_key($this->document, array_flip([...self::SPEC, ...self::FITS])) + ['position' => $this->original->kind === Kind::MainsSuppression ? 'mains' : 'filter'];

        return Wanted::read(Node::of((object) $document), $railV === null ? null : Node::of($railV), $this->number('clearance_mm') === null ? null : Node::of($this->number('clearance_mm')));
    }

    private static function field(string $name, Node $field): mixed
    {
        return match ($name) {
            'kind' => $field->enum(Kind::class)->value,
            'safety_class' => $field->enum(SafetyClass::class)->value,
            'position' => in_array($field->string(), ['filter', 'coupling', 'timing', 'mains'], true) ? $field->string() : $field->refuse('must be one of filter, coupling, timing, mains'),
            'metallised_paper' => $field->bool(),
            'pin' => Ulid::read($field),
            'ref', 'board', 'rail', 'row' => $field->text(60),
            'place', 'where', 'marking' => $field->text(160),
            'marked_f' => self::typed($field, Unit::Farad),
            'rated_v' => self::typed($field, Unit::Volt),
            'tolerance_minus_pct', 'tolerance_plus_pct', 'esr_ohm' => $field->notNegative(),
            'temperature_c' => $field->number(),
            default => $field->positive(),
        };
    }

    /** A number in SI units, or what a person typed: "47u", "16 V". */
    private static function typed(Node $field, Unit $unit): float
    {
        try {
            $value = is_string($field->raw()) ? Notation::read($field->string(), $unit) : $field->number();
        } catch (UnreadableQuantity $problem) {
            $field->refuse($problem->getMessage());
        }

        return $value > 0 ? $value : $field->refuse('must be above 0');
    }
}
