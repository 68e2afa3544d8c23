<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\OpenThing;
use Ash\Facts\PartsReplaced;
use Ash\Logbook\Entries\Arrived;
use Ash\Logbook\Entries\BoardMoved;
use Ash\Logbook\Entries\ColdChecked;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\Entries\FixUndone;
use Ash\Logbook\Entries\GatePassed;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Entries\OnlyHere;
use Ash\Logbook\Entries\Overruled;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\PhotoTaken;
use Ash\Logbook\Entries\Pin;
use Ash\Logbook\Entries\Promised;
use Ash\Logbook\Entries\PutBack;
use Ash\Logbook\Entries\StageEntered;
use Ash\Logbook\Entries\TakenOut;
use Ash\Logbook\Entries\WaitingFor;
use Ash\Logbook\Entries\Words;

/** What the hall itself brings: the entries that belong to no capability, and what follows from them. */
final readonly class LogbookRoom extends Room
{
    public const SYMPTOM = 'symptom';
    public const OBSERVATION = 'observation';
    public const ACTION = 'action';
    public const HAZARD = 'hazard';
    public const REOPENED = 'reopened';
    public const VOIDED = 'voided';
    public const WITHDRAWN = 'withdrawn';

    public function name(): string
    {
        return 'logbook';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(self::SYMPTOM, 'symptom', Words::class, Spoken::Needed, Weight::Evidence),
            new EntryKind(self::OBSERVATION, 'observation', Words::class, Spoken::Needed, Weight::Evidence),
            new EntryKind(self::ACTION, 'action', Words::class, Spoken::Needed),
            new EntryKind(
                PartReplaced::KIND,
                'part replaced',
                PartReplaced::class,
                Spoken::Repeats,
                Weight::Change,
                saidAnew: ['designator' => 'Designator', 'from' => 'From', 'to' => 'To', 'source' => 'Source', 'date_code' => 'Date code'],
                keptAsSaid: ['shelf', 'quantity', 'polarity', 'kept_at'],
                stage: Stage::Repair,
            ),
            new EntryKind(self::HAZARD, 'temporary fix', Words::class, Spoken::Needed),
            new EntryKind(FixUndone::KIND, 'temporary fix undone', FixUndone::class, Spoken::Repeats),
            new EntryKind(
                WaitingFor::KIND,
                'waiting',
                WaitingFor::class,
                Spoken::Repeats,
                saidAnew: ['for' => 'Waiting for', 'asked' => 'Asked of'],
                keptAsSaid: ['since'],
            ),
            new EntryKind(Arrived::KIND, 'arrived', Arrived::class, Spoken::Repeats),
            new EntryKind(Promised::KIND, 'promised', Promised::class),
            new EntryKind(
                Decision::KIND,
                'decision',
                Decision::class,
                Spoken::Needed,
                saidAnew: ['reason' => 'Because'],
                keptAsSaid: ['rail', 'band', 'capacitors', 'policy'],
            ),
            new EntryKind(TakenOut::KIND, 'taken out', TakenOut::class, Spoken::Repeats, stage: Stage::StripDown),
            new EntryKind(BoardMoved::KIND, 'board moved', BoardMoved::class),
            new EntryKind(OnlyHere::KIND, 'this one only', OnlyHere::class),
            new EntryKind(PutBack::KIND, 'put back', PutBack::class, stage: Stage::Rebuild),
            new EntryKind(ColdChecked::KIND, 'cold check', ColdChecked::class, weight: Weight::Evidence, stage: Stage::ColdChecks),
            new EntryKind(Overruled::KIND, 'overruled', Overruled::class),
            new EntryKind(PhotoTaken::KIND, 'photo', PhotoTaken::class),
            new EntryKind(Pin::KIND, 'pin', Pin::class, Spoken::Needed),
            new EntryKind(StageEntered::KIND, 'stage', StageEntered::class),
            new EntryKind(GatePassed::KIND, 'gate passed', GatePassed::class),
            new EntryKind(JobClosed::KIND, 'outcome', JobClosed::class),
            new EntryKind(self::REOPENED, 'reopened', Words::class, Spoken::Needed),
            new EntryKind(self::VOIDED, 'taken in by mistake', Words::class, Spoken::Needed),
            new EntryKind(self::WITHDRAWN, 'withdrawn', Words::class, Spoken::Needed),
        ];
    }

    public function openKinds(): array
    {
        return [
            new OpenKind(self::HAZARD, 'Temporary fix', urgent: true, endedBy: FixUndone::KIND, field: 'hazard', endWords: 'Undone'),
            new OpenKind(WaitingFor::KIND, 'Waiting for', endedBy: Arrived::KIND, field: 'waiting', endWords: 'Arrived'),
            new OpenKind(Promised::KIND, 'Promised back'),
        ];
    }

    public function lines(): array
    {
        return LogbookLines::rules();
    }

    public function section(): Section
    {
        return new ConnectorsSection();
    }

    public function findings(Situation $at): Findings
    {
        $parts = $at->facts->last(PartsReplaced::class);
        $hazards = array_map(static fn (OpenThing $it): string => $it->text, $at->open(self::HAZARD));

        return new Findings(
            known: [
                ...array_map(static fn (OnlyHere $it): string => "On this board only: {$it->words()}", $at->facts->all(OnlyHere::class)),
                ...array_map(static fn (string $part): string => "Replaced {$part}", $parts->parts ?? []),
            ],
            steps: array_values(array_filter([self::ended($at), self::symptom($at), self::arrived($at), self::undo($at, $hazards), ...self::coldChecks($at)])),
            unproven: array_map(static fn (string $wrong): Unproven => new Unproven("cold check: {$wrong}", 'line'), self::wrong($at)),
            waits: array_values(array_map(self::waits(...), array_filter($at->open(WaitingFor::KIND), static fn (OpenThing $it): bool => $it->ready === null))),
        );
    }

    private static function ended(Situation $at): ?Step
    {
        return $at->outcome === null ? null : new Step('Nothing: '.lcfirst($at->outcome->words()).'.', 'the job has its outcome', null, Urgency::Ended);
    }

    private static function symptom(Situation $at): ?Step
    {
        return $at->symptom !== null ? null
            : new Step('Write the symptom as it was told.', 'nothing can be proved cured that was never written down', 'line', Urgency::First);
    }

    private static function arrived(Situation $at): ?Step
    {
        foreach ($at->open(WaitingFor::KIND) as $it) {
            if ($it->ready !== null) {
                return new Step("Take it up again: {$it->text} has arrived.", $it->ready, null, Urgency::Ready);
            }
        }

        return null;
    }

    /** @return list<?Step> what a cold check found comes first; what is left is asked where it has its place, and stands behind what rooms know */
    private static function coldChecks(Situation $at): array
    {
        $steps = array_map(
            static fn (string $wrong): Step => new Step("Put right: {$wrong}.", 'a cold check found it; no power before it is right', 'line', Urgency::First),
            self::wrong($at),
        );
        $left = $at->facts->last(ColdChecksMade::class)?->left() ?? ColdCheck::cases();
        $asked = $at->stage === Stage::ColdChecks && $left !== [];

        return [...$steps, $asked ? new Step(
            'Cold checks: '.implode(', ', array_map(static fn (ColdCheck $it): string => $it->value, $left)).'.',
            'before first power, with the power off',
            'line',
            Urgency::Usual,
            5.0,
        ) : null];
    }

    /** @return list<string> */
    private static function wrong(Situation $at): array
    {
        return array_values(array_filter($at->facts->last(ColdChecksMade::class)->wrong ?? [], is_string(...)));
    }

    private static function waits(OpenThing $it): Step
    {
        $asked = $it->asked === null ? '' : ", asked of {$it->asked}";

        return new Step("Waits for {$it->text}{$asked}.", "since {$it->since->format('j M Y')}", null);
    }

    /** @param list<string> $hazards */
    private static function undo(Situation $at, array $hazards): ?Step
    {
        return $hazards === [] || !in_array($at->stage, [Stage::Rebuild, Stage::Close], true) ? null
            : new Step("Undo: {$hazards[0]}.", 'a board is not handed back with a temporary fix open', 'line', Urgency::BeforeLeaving);
    }
}
