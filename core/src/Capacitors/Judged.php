<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Node;
use Ash\Facts\CapacitorKind;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * The verdict on a capacitor. End of life as the catalogues put it: tan delta above twice its limit, capacitance out of tolerance,
 * leakage above its limit after reforming. In circuit the neighbours add capacitance, leakage and loss, so only low capacitance, high ESR, looks
 * and voltage can condemn there.
 */
final class Judged
{
    private const TANTALUM_AT_MOST = 0.8;
    private const TANTALUM_BETTER = 0.5;

    /** Of the tolerance, from where a part is watched. */
    public const NEAR = 0.9;

    /** In circuit, of the limit: below this an ESR is no part's. And times its limit that an oxide which rested may leak. */
    private const DOUBTFUL_ESR = 0.02;
    private const RESTED = 10.0;

    public PartVerdict $verdict = PartVerdict::Keep;
    public bool $proven = false;

    /** @var list<string> */
    public array $reasons = [];

    /** @param list<Look> $looks */
    private function __construct(
        public readonly Part $part,
        public readonly Measured $measured,
        private readonly bool $inCircuit,
        private readonly array $looks,
        private readonly ?float $railV,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('part', 'measured', 'in_circuit', 'visual', 'rail_v');
        $looks = $node->at('visual')->items();
        Node::distinct($looks);

        return self::of(
            Part::read($node->at('part')->only(...Part::FIELDS)), Measured::read($node->optional('measured')), $node->at('in_circuit')->bool(),
            array_map(static fn (Node $it): Look => $it->enum(Look::class), $looks), $node->optional('rail_v')?->number(),
        );
    }

    /** @param list<Look> $looks */
    public static function of(Part $part, Measured $measured, bool $inCircuit, array $looks, ?float $railV): self
    {
        $it = new self($part, $measured, $inCircuit, $looks, $railV === null ? null : abs($railV));
        $it->looks();
        $it->voltage();
        $it->capacitance();
        if ($part->kind->losesMatter()) {
            $it->esr();
            $it->tanDelta();
        }
        $it->leakage();
        $it->prove();

        return $it;
    }

    private function say(PartVerdict $verdict, string $reason): void
    {
        $this->reasons[] = $reason;
        $this->verdict = PartVerdict::worse($this->verdict, $verdict);
    }

    private function looks(): void
    {
        foreach ($this->looks as $look) {
            $this->say($look->condemns() ? PartVerdict::Replace : PartVerdict::Watch, $look->words());
        }
    }

    private function voltage(): void
    {
        $part = $this->part;
        if ($part->kind === CapacitorKind::MainsSuppression && $part->metallisedPaper) {
            $this->say(PartVerdict::Replace, 'metallised paper across the mains: it cracks, draws damp and burns');
        }
        if ($this->railV === null) {
            return;
        }
        $rail = Notation::print($this->railV, Unit::Volt);
        $rated = Notation::print($part->ratedV, Unit::Volt);
        if (Compare::below($part->ratedV, $this->railV)) {
            $this->say(PartVerdict::Replace, "rated {$rated} on a rail of {$rail}");
        }
        if ($part->kind === CapacitorKind::Tantalum && Compare::above($this->railV, self::TANTALUM_AT_MOST * $part->ratedV)) {
            $this->say(PartVerdict::Replace, "a tantalum of {$rated} on {$rail}: above 80 % of its rating it fails as a short");
        } elseif ($part->kind === CapacitorKind::Tantalum && Compare::above($this->railV, self::TANTALUM_BETTER * $part->ratedV)) {
            $this->say(PartVerdict::Watch, "a tantalum of {$rated} on {$rail}: above half its rating");
        }
    }

    private function capacitance(): void
    {
        $c = $this->measured->capacitanceF;
        if ($c === null) {
            return;
        }
        $part = $this->part;
        $says = Notation::print($c, Unit::Farad, 4).' of '.Notation::print($part->markedF, Unit::Farad, 4);
        $low = Notation::print($part->lowF, Unit::Farad, 4);
        $high = Notation::print($part->highF, Unit::Farad, 4);
        match (true) {
            Compare::below($c, $part->condemnedBelowF) => $this->say(
                PartVerdict::Replace,
                "{$says}: below ".Notation::print($part->condemnedBelowF, Unit::Farad, 4),
            ),
            Compare::above($c, $part->condemnedAboveF) => $this->say(
                $this->inCircuit ? PartVerdict::Watch : PartVerdict::Replace,
                "{$says}: above ".Notation::print($part->condemnedAboveF, Unit::Farad, 4).($this->inCircuit ? ', but neighbours add to it in circuit' : ''),
            ),
            Compare::below($c, $part->lowF), Compare::above($c, $part->highF) => $this->say(
                PartVerdict::Watch,
                "{$says}: outside the usual {$low} to {$high}, which condemns nothing by itself: loss and leakage imitate capacitance, old "
                    .'parts were made generous',
            ),
            Compare::below($c, $part->markedF * (1 - self::NEAR * $part->minusPct / 100)),
            Compare::above($c, $part->markedF * (1 + self::NEAR * $part->plusPct / 100)) => $this->say(
                PartVerdict::Watch,
                "{$says}: close to its tolerance, {$low} to {$high}",
            ),
            default => $this->say(PartVerdict::Keep, "{$says}: within {$low} to {$high}"),
        };
    }

    private function esr(): void
    {
        $esr = $this->measured->esrOhm;
        if ($esr === null) {
            return;
        }
        $limit = $this->part->esrLimit($this->measured);
        $says = 'ESR '.Notation::print($esr, Unit::Ohm, 4);
        if ($this->inCircuit && ($esr === 0.0 || ($limit !== null && Compare::below($esr, self::DOUBTFUL_ESR * $limit)))) {
            $this->say(PartVerdict::Watch, "{$says} in circuit is doubtful: probes together, leads not zeroed, or a short. Measure resistance");

            return;
        }
        if ($limit === null) {
            $this->say(PartVerdict::Keep, "{$says}: no limit is known for it");

            return;
        }
        $slow = $this->measured->low();
        $out = $limit * ($slow ? 2 : 1);
        $near = $limit * ($slow ? 1 : 0.5);
        $says .= $slow ? ' at '.Notation::plain((float) $this->measured->frequencyHz).' Hz' : '';
        match (true) {
            Compare::above($esr, $out) => $this->say(PartVerdict::Replace, "{$says}: above ".Notation::print($out, Unit::Ohm, 4)),
            Compare::above($esr, $near) => $this->say(PartVerdict::Watch, "{$says}: above ".Notation::print($near, Unit::Ohm, 4)),
            default => $this->say(PartVerdict::Keep, "{$says}: within ".Notation::print($near, Unit::Ohm, 4)),
        };
    }

    private function tanDelta(): void
    {
        $tan = $this->measured->tanDelta;
        $limit = $this->part->tanDeltaMax;
        if ($tan === null) {
            return;
        }
        $says = 'tan delta '.Notation::plain($tan);
        match (true) {
            !$this->measured->slow() => $this->say(PartVerdict::Keep, "{$says} is not judged: its limit holds at 100 to 150 Hz"),
            $limit === null => $this->say(PartVerdict::Keep, "{$says}: no limit is known for it"),
            Compare::above($tan, 2 * $limit) => $this->say(
                $this->inCircuit ? PartVerdict::Watch : PartVerdict::Replace,
                "{$says}: above twice ".Notation::plain($limit).($this->inCircuit ? ', but neighbours add loss in circuit' : ''),
            ),
            Compare::above($tan, $limit) => $this->say(PartVerdict::Watch, "{$says}: above ".Notation::plain($limit)),
            default => $this->say(PartVerdict::Keep, "{$says}: within ".Notation::plain($limit)),
        };
    }

    private function leakage(): void
    {
        $leak = $this->measured->leakageA;
        if ($leak === null) {
            return;
        }
        $says = 'leakage '.Notation::print($leak, Unit::Ampere, 4);
        $limit = $this->part->leakageMaxA;
        $above = "{$says}: above ".Notation::print($limit, Unit::Ampere, 4);
        $rested = $this->part->kind->wet() && !$this->measured->reformed;
        match (true) {
            !Compare::above($leak, $limit) => $this->say(PartVerdict::Keep, "{$says}: within ".Notation::print($limit, Unit::Ampere, 4)),
            $this->inCircuit => $this->say(PartVerdict::Watch, "{$above}, but neighbours leak too in circuit"),
            $rested && !Compare::above($leak, self::RESTED * $limit) => $this->say(
                PartVerdict::Watch,
                "{$above}: an oxide that rested for years leaks at first. Reform it, then measure again",
            ),
            default => $this->say(PartVerdict::Replace, $above.($rested ? ', ten times and more' : '')),
        };
    }

    private function prove(): void
    {
        $this->proven = $this->verdict === PartVerdict::Replace || (!$this->inCircuit && self::whole($this->part, $this->measured->apart()));
        if (!$this->proven) {
            $this->reasons[] = self::unproven($this->inCircuit, $this->part->kind);
        }
    }

    /**
     * Whether these readings of a lifted part are enough for "keep" to mean something: capacitance, and ESR or a tan delta that can be
     * judged; of film and ceramic, whose losses say nothing, leakage.
     *
     * @param array<string, Measured> $lifted as Measured::apart() gives them
     */
    public static function whole(Part $part, array $lifted): bool
    {
        $tanJudged = ($lifted['tan_delta'] ?? null)?->slow() === true && $part->tanDeltaMax !== null;

        return isset($lifted['capacitance']) && ($part->kind->losesMatter() ? isset($lifted['esr']) || $tanJudged : isset($lifted['leakage']));
    }

    public static function unproven(bool $inCircuit, CapacitorKind $kind): string
    {
        return match (true) {
            $inCircuit => 'unproven: in circuit a good reading proves nothing; lift a leg',
            $kind->losesMatter() => 'unproven: capacitance and ESR (or tan delta at 120 Hz) are wanted',
            default => 'unproven: capacitance and leakage are wanted',
        };
    }

    /** @return list<string> the reasons without what is said of its being unproven */
    public function findings(): array
    {
        return array_values(array_diff($this->reasons, [self::unproven($this->inCircuit, $this->part->kind)]));
    }
}
