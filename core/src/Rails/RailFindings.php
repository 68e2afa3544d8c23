<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Facts\BiasedChips;
use Ash\Facts\PartsReplaced;
use Ash\Facts\PowerOn;
use Ash\Logbook\Findings;
use Ash\Logbook\Gate;
use Ash\Logbook\GateState;
use Ash\Logbook\Situation;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;
use Ash\Logbook\Unproven;
use Ash\Logbook\Urgency;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** What the rails say of a job: readings that stand, causes, gates 2 and 3, and what to measure next. */
final readonly class RailFindings
{
    private ?DescribedRails $described;
    private ?Judgement $judgement;

    /** @var list<string> three-supply chips of the memories, in words */
    private array $chips;

    private function __construct(private Situation $at)
    {
        $this->described = $at->profile->section(DescribedRails::class);
        $this->judgement = $at->facts->last(RailsJudged::class)?->judgement;
        $this->chips = $at->facts->last(BiasedChips::class)->chips ?? [];
    }

    public static function of(Situation $at): Findings
    {
        $it = new self($at);

        return new Findings(
            known: $it->known(),
            suspects: array_map(self::suspect(...), $it->judgement->causes ?? []),
            steps: array_filter([$it->step()]),
            gates: $it->gates(),
            unproven: $it->changedSince() ? [new Unproven('the rails were not measured again since something was changed', 'rails')] : [],
        );
    }

    private function hasRails(): bool
    {
        return ($this->described->rails ?? []) !== [];
    }

    /** @return list<string> */
    private function known(): array
    {
        $known = [];
        foreach ($this->judgement->standing->rails ?? [] as $rail) {
            $last = $this->judgement?->standing->last($rail);
            if ($last !== null) {
                $known[] = "{$last->reading->place()}: ".Notation::print((float) $last->reading->volts, Unit::Volt).', '.($last->verdict?->words() ?? '');
            }
        }

        return $known;
    }

    private static function suspect(Cause $cause): Suspect
    {
        return new Suspect(implode(', ', $cause->rails).': '.lcfirst($cause->text), implode('; ', $cause->evidence));
    }

    /** @return list<GateState> */
    private function gates(): array
    {
        if (!$this->hasRails()) {
            return [
                $this->at->gate(
                    Gate::Rails,
                    PowerOn::Hold,
                    ['no rail is known yet: begin a rail run and say what the supply gives, by its label or by what it looks like'],
                ),
                ...($this->chips === [] ? [] : [$this->at->gate(Gate::Bias, PowerOn::Stop, $this->missingBias())]),
            ];
        }
        $gates = [$this->at->gate(
            Gate::Rails,
            $this->judgement->powerOn ?? PowerOn::Hold,
            $this->judgement->powerOnReasons ?? ['no rail has been measured on this job'],
        )];
        if ($this->chips !== [] || $this->described?->protects() === true) {
            $missing = $this->missingBias();
            $gates[] = $this->at->gate(Gate::Bias, $missing === [] ? PowerOn::Ok : PowerOn::Stop, $missing);
        }

        return $gates;
    }

    /** @return list<string> */
    private function missingBias(): array
    {
        $chips = $this->chips === [] ? 'three-supply chips' : implode(', ', $this->chips);
        if ($this->judgement === null) {
            return ["{$chips}: their bias rail is not measured"];
        }
        $standing = $this->judgement->standing;
        $protecting = array_filter($standing->rails, static fn (Rail $rail): bool => $rail->protects !== []);
        if ($protecting === []) {
            return ["{$chips}: they need -5 V before the other rails, and the profile names no rail that protects them"];
        }
        $missing = [];
        foreach ($protecting as $rail) {
            $why = Causes\BiasMissing::missing($standing, $rail);
            if ($why !== null) {
                $missing[] = "{$rail->name} {$why}: {$chips} need it before the other rails";
            }
        }

        return $missing;
    }

    private function step(): ?Step
    {
        if (!$this->hasRails()) {
            return isset($this->at->leaps[Gate::Rails->value])
                ? null
                : new Step('Say what the supply gives, then measure it under load.', 'gate 2: no rail is known yet', 'rails', Urgency::Unseen);
        }
        if ($this->judgement === null) {
            // What somebody leapt over with a reason is not asked again.
            return isset($this->at->leaps[Gate::Rails->value])
                ? null
                : new Step('Measure the rails under load, supply off the board.', 'gate 2: no rail has been judged on this job', 'rails', Urgency::Unseen);
        }
        if ($this->changedSince()) {
            return new Step('Repeat the rail run.', 'something was changed since the last reading: the same test that failed must pass', 'rails');
        }
        $open = $this->unproven();
        $cause = $this->judgement->causes[0] ?? null;
        $all = count($this->judgement->standing->rails);

        return match (true) {
            $cause !== null && $cause->code !== CauseCode::BiasMissing => new Step(self::byCause($cause), $cause->evidence[0], 'rails'),
            $open !== [] => new Step('Measure '.implode(', ', $open).' under load.', count($open)." of {$all} rails not proved", 'rails'),
            $this->judgement->powerOn !== PowerOn::Ok => new Step(
                "Hold the board: {$this->judgement->powerOnReasons[0]}.",
                'power-on advice of the last run',
                'rails',
            ),
            default => null,
        };
    }

    private function changedSince(): bool
    {
        $read = $this->at->facts->last(RailsJudged::class)?->last;
        $changed = $this->at->facts->last(PartsReplaced::class)?->last;

        return $read !== null && $changed !== null && $changed > $read;
    }

    private static function byCause(Cause $cause): string
    {
        $rails = implode(', ', $cause->rails);

        return match ($cause->code) {
            CauseCode::Reversed => "Turn the plug or the part on {$rails} the right way round, then measure again.",
            CauseCode::ShortedRail => "Find the short on {$rails}: power off, walk along it in milliohms; the lowest capacitor is nearest.",
            CauseCode::OverVoltage => "Keep the board off {$rails}: regulator and feedback first.",
            CauseCode::Exchanged => "Look at the plugs and the probes: {$rails} have changed places.",
            CauseCode::StandbyOnly => 'Find why the supply does not start: start signal, switch, protection, main converter.',
            CauseCode::DeadOutput => "Measure {$rails} to ground with the power off, then its fuse, regulator and rectifier.",
            CauseCode::Unsteady => "Watch {$rails}: joints and connectors first; do not average it.",
            CauseCode::SeveralWeak => "Look at what {$rails} share: mains selector, bulk capacitor, rectifier, transformer, or an overload on one of them.",
            CauseCode::WeakOutput => "Measure {$rails} without the board, then its regulator, reference and sense line.",
            CauseCode::LowResistance => "Compare {$rails} to ground with a good board.",
            CauseCode::AllAbsent => 'Check mains lead, fuse, switch and standby circuit.',
            CauseCode::AllScaled => 'Check the reference, the feedback and the mains selector.',
            CauseCode::LowWithRipple, CauseCode::RippleHigh => "Test the filter capacitor and the rectifier of {$rails}.",
            CauseCode::SagsUnderLoad => "Find what gives way on {$rails}: regulator, pass transistor, joints, or a load that draws too much.",
            CauseCode::OpenPath => "Walk along {$rails} from the supply until the voltage is gone.",
            CauseCode::DropInPath => "Find the contact that loses volts on {$rails}: connector, fuse holder, switch, thin trace.",
            CauseCode::BiasMissing => "{$rails}: ".lcfirst($cause->text),
        };
    }

    /** @return list<string> rails that must be measured and have no reading that proves anything */
    private function unproven(): array
    {
        $standing = $this->judgement?->standing;
        $open = array_filter(
            $standing->rails ?? [],
            static fn (Rail $rail): bool => !$rail->optional && $standing !== null && !$standing->hasConclusive($rail),
        );

        return array_values(array_map(static fn (Rail $rail): string => $rail->name, $open));
    }
}
