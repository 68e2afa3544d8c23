<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Bench\ChoiceCard;
use App\Bench\StripCard;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\TrueHere;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\CapacitorLine;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\CapacitorStrips;
use Ash\Capacitors\Look;
use Ash\Capacitors\Part;
use Ash\Capacitors\PartVerdict;
use Ash\Capacitors\Position;
use Ash\Capacitors\ReadingsOfVisit;
use Ash\Capacitors\ReworkStep;
use Ash\Capacitors\Sample;
use Ash\Capacitors\Siblings;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Facts\CapacitorKind;
use Ash\Facts\RailVolts;
use Ash\Facts\ReplacePolicy;
use Ash\Logbook\Caution;
use Ash\Logbook\Entries\WaitingFor;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The capacitors of a job as they are handed out. */
final readonly class CapacitorsOfJob
{
    /** @param Collection<int, \stdClass> $tests rows of this board */
    private function __construct(private Job $job, private BoardList $list, private Readings $readings, private Collection $tests, private TrueHere $here)
    {
    }

    public static function of(Job $job): self
    {
        $list = BoardList::of($job);

        return new self(
            $job,
            $list,
            Readings::of($job, $list),
            DB::table('capacitor_tests')->where('board_id', $job->board_id)->get(),
            TrueHere::of($job->board_id),
        );
    }

    public function page(): CapacitorPage
    {
        $waiting = $this->waiting();
        $caps = array_map(fn (BoardCapacitor $it): CapCard => $this->card($it, $waiting), $this->list->all);
        $live = array_values(array_filter($caps, static fn (CapCard $it): bool => $it->known && $it->verdict === null && $it->replaced === null))[0] ?? null;
        $survey = Entry::query()->where('job_id', $this->job->id)->where('kind', SurveyPlace::KIND)->orderBy('at')->get();

        $last = $this->lastFound();
        $next = $last?->ref === null ? null : CapacitorLine::next($last->ref);

        return new CapacitorPage(
            job: Cards::job(Cards::jobs()->where('jobs.id', $this->job->id)->first() ?? abort(404)),
            caps: $caps,
            live: $live?->key,
            policies: $this->policies(),
            to_replace: array_map(static fn (BoardCapacitor $it): string => $it->key, $this->wanted()),
            looks: array_map(static fn (Look $it): LookCard => new LookCard($it, $it->words(), $it->key()), Look::cases()),
            kinds: ChoiceCard::all(CapacitorKind::class),
            positions: ChoiceCard::all(Position::class),
            rails: $this->list->profile->section(RailVolts::class)?->railNames() ?? [],
            rework: ChoiceCard::all(ReworkStep::class),
            policy_choices: ChoiceCard::all(ReplacePolicy::class),
            traces: array_values($survey->map(static fn (Entry $it): ChoiceCard => new ChoiceCard($it->id, $it->as(SurveyPlace::class)->place ?? ''))->all()),
            cautions: array_map(static fn (Caution $it): string => $it->words(), $this->list->profile->cautionsAt(Stage::Repair)),
            offered: $next === null ? null : "{$next} ",
            same: $next === null ? null : CapacitorLine::anew($next, $last),
        );
    }

    /** The capacitor of the walk that was written down last. */
    private function lastFound(): ?CapacitorFound
    {
        $last = null;
        foreach ($this->list->found as $entry) {
            $last = $last === null || $entry->id > $last->id ? $entry : $last;
        }

        return $last?->as(CapacitorFound::class);
    }

    /** @return list<BoardCapacitor> what measures bad, and originals of a kind that the bench replaces whole */
    public function wanted(): array
    {
        return array_values(array_filter(
            $this->list->all,
            fn (BoardCapacitor $it): bool => $this->readings->standing($it->key)?->verdict === PartVerdict::Replace
                || (!$it->replaced && $it->original !== null && $this->readings->policy($it->original->kind) === ReplacePolicy::Kind),
        ));
    }

    public function substitutes(string $key, float $atC): SubstitutePage
    {
        $it = $this->list->at($key) ?? throw InvalidDocument::at('/cap', 'is not on the list of this board');
        $wanted = $it->wanted($this->list->railV($it));
        $choices = $wanted === null ? [] : Substitutes::for($wanted, $this->job, $atC);
        $fit = count(array_filter($choices, static fn (SubstituteChoice $choice): bool => $choice->fits()));

        return new SubstitutePage(
            cap: $this->card($it, $this->waiting()),
            diameter_mm: $it->given->diameterMm,
            height_mm: $it->given->heightMm,
            pitch_mm: $it->given->pitchMm,
            clearance_mm: $it->given->clearanceMm,
            at_c: $atC,
            choices: $choices,
            says: $wanted === null
                ? 'Nobody knows what it is: a substitute cannot be chosen by a guess.'
                : "{$fit} of ".count($choices).' parts of about this value fit.',
        );
    }

    /** @return Collection<array-key, mixed> what is waited for, by the entry that found the part */
    private function waiting(): Collection
    {
        return OpenItem::query()->where('board_id', $this->job->board_id)->where('kind', WaitingFor::KIND)->where('open', true)->pluck('text', 'id');
    }

    /** @param Collection<array-key, mixed> $waiting text by the entry that found it */
    private function card(BoardCapacitor $it, Collection $waiting): CapCard
    {
        $key = "\0{$it->key}";
        $given = $it->given;
        $found = $this->list->found[$key] ?? null;
        $asked = $found === null ? null : $waiting->get($found->id);
        $entry = $this->readings->latest($it->key);
        $reading = $entry?->as(CapacitorRead::class);
        $siblings = $it->part === null ? Siblings::of($it, $this->list->all) : null;
        $standing = $this->readings->standing($it->key);
        [$farad, $ohm] = self::counting($standing, $reading);

        $here = $this->here->about($it->key);

        return new CapCard(
            key: $it->key,
            ref: $given->ref,
            place: self::place($it),
            words: $it->words().($here === null ? '' : "; {$here}"),
            known: $it->part !== null,
            kind: $it->part?->kind,
            rail: $given->rail,
            entry_id: $found?->id,
            found: $found === null ? null : Cards::data($found),
            waiting: is_string($asked) ? $asked : null,
            siblings: $siblings->keys ?? [],
            guess: $siblings?->guess,
            value: $reading === null ? null : self::value($farad, $reading->visual),
            esr: $ohm === null ? null : Notation::print($ohm, Unit::Ohm, 3),
            verdict: $standing?->verdict,
            proven: $standing->proven ?? false,
            reasons: $standing->reasons ?? [],
            looks: array_map(static fn (Look $look): string => $look->value, $reading->visual ?? []),
            in_circuit: $reading->inCircuit ?? false,
            reading_id: $entry?->id,
            previous: self::previous($this->readings->before($it->key)?->as(CapacitorRead::class)),
            replaced: $this->readings->replaced[$key] ?? null,
            strip: StripCard::of(CapacitorStrips::capacitance($it->part, $farad)),
            esr_strip: self::esrStrip($it->part, $ohm),
            limits: self::limits($it->part, $this->list->railV($it)),
            rework: array_map(static fn (ReworkStep $step): string => $step->words(), $this->readings->rework[$key] ?? []),
            polarised: $it->part?->kind->polarised() ?? false,
        );
    }

    /**
     * With several readings of one part, what counts of each quantity is shown, as it is judged.
     *
     * @return array{?float, ?float} F and ohm
     */
    private static function counting(?ReadingsOfVisit $standing, ?CapacitorRead $reading): array
    {
        return $standing === null
            ? [$reading?->capacitanceF, null]
            : [($standing->counts['capacitance'] ?? null)?->capacitanceF, ($standing->counts['esr'] ?? null)?->esrOhm];
    }

    private static function place(BoardCapacitor $it): string
    {
        $given = $it->given;

        return implode(', ', array_filter([
            $given->where ?? ($given->ref === null ? null : $given->place),
            $given->rail === null ? null : "on {$given->rail}",
            $given->row === null ? null : "row {$given->row}",
        ]));
    }

    private static function previous(?CapacitorRead $before): ?string
    {
        return $before === null ? null : self::value($before->capacitanceF, []).', '.($before->verdict->value ?? '');
    }

    /** @param list<Look> $looks */
    private static function value(?float $farad, array $looks): string
    {
        return $farad === null ? ($looks === [] ? 'ESR only' : $looks[0]->words()) : Notation::print($farad, Unit::Farad, 4);
    }

    private static function esrStrip(?Part $part, ?float $ohm): ?StripCard
    {
        $strip = CapacitorStrips::esr($part, $ohm);

        return $strip === null ? null : StripCard::of($strip);
    }

    private static function limits(?Part $part, ?float $railV): string
    {
        return $part === null ? 'not known: it waits' : implode('; ', array_filter([
            Notation::print($part->lowF, Unit::Farad, 4).' to '.Notation::print($part->highF, Unit::Farad, 4),
            $part->esrMaxOhm === null ? null : 'ESR at most '.Notation::print($part->esrMaxOhm, Unit::Ohm, 3),
            $part->tanDeltaMax === null ? null : 'tan delta '.Notation::plain($part->tanDeltaMax, 3).' at 120 Hz',
            'leakage '.Notation::print($part->leakageMaxA, Unit::Ampere, 3),
            $railV === null ? null : 'rail '.Notation::print($railV, Unit::Volt),
        ]));
    }

    /** @return list<PolicyCard> */
    private function policies(): array
    {
        return array_values(array_filter(array_map($this->policy(...), CapacitorKind::cases())));
    }

    private function policy(CapacitorKind $kind): ?PolicyCard
    {
        $known = array_filter($this->list->all, static fn (BoardCapacitor $it): bool => $it->original?->kind === $kind);
        if ($known === []) {
            return null;
        }
        $rows = $this->tests->filter(static fn (\stdClass $row): bool => $row->kind === $kind->value && (bool) $row->proven);
        $tested = $rows->pluck('cap_key')->unique()->all();
        $bad = $rows->filter(static fn (\stdClass $row): bool => $row->verdict === PartVerdict::Replace->value)->pluck('cap_key')->unique()->count();
        $untested = count(array_filter($known, static fn (BoardCapacitor $it): bool => !$it->replaced && !in_array($it->key, $tested, true)));
        [$a, $b, $prior] = Sample::prior(...CapacitorTests::history($kind, $this->list->year(), $this->job->board_id));
        $sample = Sample::of(count($tested), $bad, $untested, $a, $b);
        $chosen = $this->readings->chosen[$kind->value] ?? null;

        return new PolicyCard(
            kind: $kind,
            words: $kind->words(),
            count: count($known),
            tested: count($tested),
            bad: $bad,
            untested: $untested,
            expected: Notation::plain($sample->expectedBad, 3),
            chance: Notation::plain($sample->probabilityAnyBad * 100, 3).' %',
            advice: $sample->advice,
            reasons: $sample->reasons,
            prior: $prior,
            chosen: $chosen?->policy,
            chosen_words: $chosen?->policy?->words(),
            because: $chosen?->reason,
        );
    }
}
