<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\FittedPart;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * A capacitor on a board: what was written down of it, and what sits there now. One without kind, value or voltage is not known, and
 * is never judged by a guess.
 *
 * Invariant: original is there when kind, value and voltage are; part is what sits there now.
 */
final readonly class BoardCapacitor
{
    private function __construct(public CapacitorFound $given, public string $key, public ?Part $original, public ?Part $part, public bool $replaced = false)
    {
    }

    /** @return list<self> of a description: designator, kind, value and voltage are needed */
    public static function readAll(?Node $list): array
    {
        $nodes = $list?->items() ?? [];
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('ref'), $nodes));

        return array_map(static function (Node $node): self {
            foreach (['kind', 'marked_f', 'rated_v'] as $needed) {
                $node->at($needed);
            }
            $node->optional('asked')?->refuse('is not a field of this document');

            return self::of(Shape::of(CapacitorFound::class)->read($node));
        }, $nodes);
    }

    public static function of(CapacitorFound $given): self
    {
        return new self($given, $given->key(), $given->part(), $given->part());
    }

    /**
     * With another part in its stead. It is judged by its own figures; a substitute is still chosen for the original, or the value would
     * creep from one to the next.
     *
     * @param ?FittedPart $fitted null when nobody wrote them down, and the original's count on
     */
    public function replacedBy(?FittedPart $fitted): self
    {
        $part = $fitted === null
            ? $this->original
            : Part::of($fitted->kind, $fitted->markedF, $fitted->ratedV, $fitted->toleranceMinusPct, $fitted->tolerancePlusPct);

        return new self($this->given, $this->key, $this->original, $part, true);
    }

    /** What a new part is, where its marking leaves no doubt. */
    public function fittedBy(string $marking): ?FittedPart
    {
        $read = $this->original === null ? [] : Marking::decode($marking, $this->original->kind);
        if ($this->original === null || count($read) !== 1 || $read[0]->ratedV === null) {
            return null;
        }
        $tolerance = $read[0]->tolerance;

        return new FittedPart($this->original->kind, $read[0]->capacitanceF, $read[0]->ratedV, $tolerance['minus_pct'] ?? null, $tolerance['plus_pct'] ?? null);
    }

    public function words(): string
    {
        $part = $this->part;
        $kind = $this->given->kind?->words();

        return $part === null
            ? 'not known'.($this->given->markedF === null ? '' : ', '.Notation::print($this->given->markedF, Unit::Farad, 4))
                .($kind === null ? '' : ", {$kind}").($this->given->marking === null ? '' : ", marked \"{$this->given->marking}\"")
            : Notation::print($part->markedF, Unit::Farad, 4).' '.Notation::print($part->ratedV, Unit::Volt).", {$part->kind->words()}";
    }

    /** What a substitute must stand for; the position is a filter's where nobody said another. */
    public function wanted(?float $railV): ?Wanted
    {
        if ($this->original === null) {
            return null;
        }
        $mains = $this->original->kind === \Ash\Facts\CapacitorKind::MainsSuppression;

        return new Wanted(
            part: $this->original,
            position: $this->given->position ?? ($mains ? Position::Mains : Position::Filter),
            safetyClass: $this->given->safetyClass,
            esrOhm: $this->given->esrOhm,
            diameterMm: $this->given->diameterMm,
            heightMm: $this->given->heightMm,
            pitchMm: $this->given->pitchMm,
            temperatureC: $this->given->temperatureC,
            railV: $railV === null ? null : abs($railV),
            clearanceMm: $this->given->clearanceMm,
        );
    }
}
