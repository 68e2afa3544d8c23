<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Facts\CapacitorKind;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** A part of the shelf judged as a substitute: what forbids it, what wants care, and how good it is among those that fit. */
final class Choice
{
    /** A score is a sum of these, so that what comes first in the handbook weighs more than all that follows. */
    private const FITS = 1000.0;
    private const CARE = 500.0;
    private const SAME_VALUE = 200.0;
    private const HOT = 100.0;
    private const HOURS = 50.0;
    private const PITCH = 10.0;
    private const ESR = 5.0;

    private const HOT_C = 105.0;
    private const WIDER_MM = 1.0;
    private const PITCH_MM = 1.5;
    private const SLIM = 0.6;
    private const ESR_LEAST = 0.25;

    public ChoiceVerdict $verdict = ChoiceVerdict::Fits;
    public float $score = 0.0;

    /** @var list<string> */
    public array $reasons = [];

    private function __construct(public readonly Stock $stock, private readonly Wanted $wanted)
    {
    }

    public static function of(Stock $stock, Wanted $wanted): self
    {
        $it = new self($stock, $wanted);
        $it->kind();
        $it->value();
        $it->voltage();
        $it->temperature();
        $it->safety();
        $it->size();
        $it->esr();
        Compare::atLeast($stock->quantity, 1) || $it->no('none is on the shelf');
        $it->score();

        return $it;
    }

    private function no(string $reason): void
    {
        $this->verdict = ChoiceVerdict::No;
        $this->reasons[] = $reason;
    }

    private function care(string $reason): void
    {
        $this->verdict = $this->verdict === ChoiceVerdict::No ? ChoiceVerdict::No : ChoiceVerdict::FitsWithCare;
        $this->reasons[] = $reason;
    }

    private function kind(): void
    {
        $old = $this->wanted->part->kind;
        $new = $this->stock->kind;
        $coupling = $this->wanted->position === Position::Coupling;
        $across = $coupling && $old->polarised() && in_array($new, [CapacitorKind::Bipolar, CapacitorKind::Film, CapacitorKind::Ceramic], true);
        if ($coupling && $new->polarised()) {
            match (true) {
                $this->wanted->railV === null => $this->care('a polarised part in a coupling position: the bias is not known, and it may turn round'),
                $this->wanted->railV === 0.0 => $this->no('a polarised part in a coupling position without bias is driven the wrong way round half the time'),
                default => null,
            };
        }
        if (!$old->mayBe($new) && !$across) {
            $this->no("{$new->words()} does not stand for {$old->words()}");
        } elseif ($new !== $old) {
            $this->care("{$new->words()} in place of {$old->words()}");
            if ($old === CapacitorKind::Tantalum
                && $new === CapacitorKind::Aluminium
                && $this->stock->temperatureC !== null
                && Compare::below($this->stock->temperatureC, self::HOT_C)) {
                $this->no('aluminium in place of tantalum must be of the 105 C sort');
            }
            if ($old === CapacitorKind::Bipolar && $new === CapacitorKind::Film && Compare::below($this->stock->markedF, $this->wanted->part->markedF)) {
                $this->no('film in place of bipolar must have at least its value');
            }
        }
        if ($new === CapacitorKind::Ceramic && $this->wanted->position === Position::Timing) {
            $this->care('a ceramic drifts in a timing position');
        }
    }

    private function value(): void
    {
        $marked = $this->wanted->part->markedF;
        [$low, $high] = $this->wanted->values();
        $says = Notation::print($this->stock->markedF, Unit::Farad, 4);
        match (true) {
            Compare::below($this->stock->markedF, $low),
            Compare::above($this->stock->markedF, $high) => $this->no(
                "{$says} is outside ".Notation::print($low, Unit::Farad, 4).' to '.Notation::print($high, Unit::Farad, 4),
            ),
            Compare::same($this->stock->markedF, $marked) => $this->reasons[] = "{$says}: the same value",
            default => $this->reasons[] = "{$says} for ".Notation::print($marked, Unit::Farad, 4),
        };
    }

    private function voltage(): void
    {
        $needed = $this->wanted->part->ratedV;
        $times = match ($this->stock->kind) {
            CapacitorKind::Aluminium, CapacitorKind::Bipolar, CapacitorKind::Polymer => 1.25,
            CapacitorKind::Tantalum => 2.0,
            default => 1.0,
        };
        $says = Notation::print($this->stock->ratedV, Unit::Volt);
        if (Compare::below($this->stock->ratedV, $needed)) {
            $this->no("{$says} is below the original's ".Notation::print($needed, Unit::Volt));
        } elseif ($this->wanted->railV !== null && Compare::below($this->stock->ratedV, $times * $this->wanted->railV)) {
            $this->no("{$says} is below ".Notation::plain($times).' times the rail of '.Notation::print($this->wanted->railV, Unit::Volt));
        } else {
            $this->reasons[] = "{$says} for ".Notation::print($needed, Unit::Volt);
        }
    }

    private function temperature(): void
    {
        [$old, $new] = [$this->wanted->temperatureC, $this->stock->temperatureC];
        if ($old === null || $new === null) {
            $this->reasons[] = 'temperature not judged: '.($new === null ? 'the part\'s' : 'the original\'s').' is not known';
        } elseif (Compare::below($new, $old)) {
            $this->no(Notation::plain($new).' C is below the original\'s '.Notation::plain($old).' C');
        }
    }

    private function safety(): void
    {
        if ($this->wanted->position !== Position::Mains) {
            return;
        }
        [$old, $new] = [$this->wanted->safetyClass, $this->stock->safetyClass];
        match (true) {
            $new === null => $this->no('no safety class, and it sits across the mains'),
            $old === null => $this->no('the original\'s safety class is not known: find it first'),
            !$new->mayStandFor($old) => $this->no("class {$new->value} does not stand for {$old->value}"),
            default => $this->reasons[] = "class {$new->value} for {$old->value}",
        };
    }

    private function size(): void
    {
        $mm = static fn (float $it): string => Notation::plain($it).' mm';
        [$height, $clearance] = [$this->stock->heightMm, $this->wanted->clearanceMm];
        if ($height === null || $clearance === null) {
            $this->reasons[] = 'height not judged: '.($height === null ? 'the part\'s is not known' : 'the clearance is not known');
        } elseif (Compare::above($height, $clearance)) {
            $this->no("{$mm($height)} high, {$mm($clearance)} are free");
        }
        [$old, $new] = [$this->wanted->diameterMm, $this->stock->diameterMm];
        if ($old === null || $new === null) {
            $this->reasons[] = 'diameter not judged: '.($new === null ? 'the part\'s' : 'the original\'s').' is not known';
        } elseif (Compare::above($new, $old + self::WIDER_MM)) {
            $this->no("{$mm($new)} across, the original {$mm($old)}");
        } elseif (Compare::below($new, self::SLIM * $old)) {
            $this->care("{$mm($new)} across, much slimmer than {$mm($old)}: it stands on its leads");
        }
        [$old, $new] = [$this->wanted->pitchMm, $this->stock->pitchMm];
        if ($old === null || $new === null) {
            $this->reasons[] = 'pitch not judged: '.($new === null ? 'the part\'s' : 'the original\'s').' is not known';
        } elseif (Compare::above(abs($new - $old), self::PITCH_MM)) {
            $this->no("pitch {$mm($new)}, the holes {$mm($old)}");
        } elseif (!Compare::same($new, $old)) {
            $this->care("pitch {$mm($new)}, the holes {$mm($old)}: bend the leads");
        }
    }

    private function esr(): void
    {
        $known = $this->wanted->esr();
        if ($this->wanted->position === Position::Filter
            && $known !== null
            && $this->stock->esrOhm !== null
            && Compare::below($this->stock->esrOhm, self::ESR_LEAST * $known)) {
            $this->care(
                'ESR '.Notation::print($this->stock->esrOhm, Unit::Ohm, 3).', under a quarter of the original\'s '
                    .Notation::print($known, Unit::Ohm, 3).': a regulator may ring',
            );
        }
    }

    private function score(): void
    {
        if ($this->verdict === ChoiceVerdict::No) {
            return;
        }
        $stock = $this->stock;
        $this->score = $this->verdict === ChoiceVerdict::Fits ? self::FITS : self::CARE;
        $this->score += Compare::same($stock->markedF, $this->wanted->part->markedF) ? self::SAME_VALUE : 0.0;
        $this->score += $stock->temperatureC !== null && Compare::atLeast($stock->temperatureC, self::HOT_C) ? self::HOT : 0.0;
        $this->score += $stock->hours === null ? 0.0 : self::HOURS * $stock->hours / ($stock->hours + 5000);
        $this->score += $stock->pitchMm !== null && $this->wanted->pitchMm !== null && Compare::same($stock->pitchMm, $this->wanted->pitchMm)
            ? self::PITCH
            : 0.0;
        $known = $this->wanted->esr();
        $this->score += $known === null || $stock->esrOhm === null ? 0.0 : self::ESR * max(0.0, 1 - $stock->esrOhm / $known);
        $this->reasons = [...$this->reasons, ...array_filter([
            $stock->hours === null
                ? null
                : Notation::plain($stock->hours).' h'.($stock->temperatureC === null ? '' : ' at '.Notation::plain($stock->temperatureC).' C'),
        ])];
    }

    /**
     * @param list<Stock> $stock
     *
     * @return list<self> best first; equals in the order they came
     */
    public static function ranked(array $stock, Wanted $wanted): array
    {
        $choices = array_map(static fn (Stock $it): self => self::of($it, $wanted), $stock);
        usort($choices, static fn (self $a, self $b): int => $b->score <=> $a->score);

        return $choices;
    }
}
