<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Cards;
use App\Logbook\ChoiceCard;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Record;
use App\Rails\StripCard;
use App\Shelf\ShelfCards;
use App\Shelf\ShelfItem;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorNote;
use Ash\Capacitors\Choice;
use Ash\Capacitors\Kind;
use Ash\Capacitors\Life;
use Ash\Capacitors\Look;
use Ash\Capacitors\Part;
use Ash\Capacitors\Sample;
use Ash\Capacitors\Siblings;
use Ash\Capacitors\Standing;
use Ash\Capacitors\Taken;
use Ash\Capacitors\Wanted;
use Ash\Document\InvalidDocument;
use Ash\Logbook\Caution;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Rail;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The capacitors of a job as they are handed out. */
final readonly class CapacitorPages
{
    /** Parts of the shelf that are looked at for one original, those that are there and of its own value first, and how many of them are shown. */
    private const LOOKED_AT = 80;
    private const SHOWN = 40;

    /** Degrees Celsius inside a machine in use, unless the bench says another (common practice, no source). */
    public const BOARD_C = 45.0;

    private const KEYS = ['bulged' => 'b', 'vented' => 'v', 'leaking' => 'l', 'burst' => 'u', 'cracked' => 'c', 'corroded_leads' => 'o', 'discoloured' => 'd', 'missing' => 'x'];

    /**
     * @param array<string, list<Entry>>           $readings of this job by key, latest first
     * @param array<string, Standing>              $standing what they say together since the part that sits there now was fitted, by key
     * @param array<string, Entry>                 $earlier  the last of other visits, by key
     * @param array<string, string>                $replaced by key: by what, when the part came after the last reading
     * @param array<string, list<string>>          $rework   by key
     * @param array<string, OpenItem>              $waiting  by the entry that found it
     * @param array<string, array{string, string}> $chosen   policy and reason by kind
     * @param Collection<int, object>              $tests    rows of this board
     */
    private function __construct(private Job $job, private BoardList $list, private array $readings, private array $standing, private array $earlier, private array $replaced, private array $rework, private array $waiting, private array $chosen, private Collection $tests)
    {
    }

    public static function of(Job $job): self
    {
        $readings = $since = $earlier = $replaced = $rework = $chosen = [];
        $entries = Entry::query()->where('board_id', $job->board_id)->whereIn('kind', [EntryKind::CapReading, EntryKind::Part, EntryKind::Rework, EntryKind::Decision])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))->orderBy('at')->orderBy('id')->get();
        foreach ($entries as $entry) {
            $cap = "\0".(Record::word($entry, 'cap') ?: Record::word($entry, 'designator'));
            if ($entry->job_id !== $job->id) {
                // What another visit read stands beside what this one reads; its parts and choices are its own.
                $entry->kind !== EntryKind::CapReading ?: $earlier[$cap] = $entry;
                continue;
            }
            match ($entry->kind) {
                EntryKind::CapReading => [$readings[$cap] = [$entry, ...$readings[$cap] ?? []], $since[$cap][] = Taken::recorded($entry->data), $replaced[$cap] = ''],
                EntryKind::Part => [$replaced[$cap] = Record::word($entry, 'to'), $since[$cap] = []],
                EntryKind::Rework => $rework[$cap][] = CapacitorNote::REWORK[Record::word($entry, 'done')] ?? '',
                default => Record::word($entry, 'policy') === '' ?: $chosen[Record::word($entry, 'capacitors')] = [Record::word($entry, 'policy'), Record::word($entry, 'reason')],
            };
        }

        $list = BoardList::of($job);
        $standing = [];
        foreach ($list->all as $it) {
            $taken = $since["\0{$it->key}"] ?? [];
            if ($it->part !== null && $taken !== []) {
                $standing["\0{$it->key}"] = Standing::of($it->part, $taken, $list->railV($it));
            }
        }

        return new self(
            $job, $list, $readings, $standing, $earlier, array_filter($replaced, static fn (string $it): bool => $it !== ''), $rework,
            OpenItem::query()->where('board_id', $job->board_id)->where('kind', 'waiting')->where('open', true)->get()->keyBy('id')->all(), $chosen,
            DB::table('capacitor_tests')->where('board_id', $job->board_id)->get(),
        );
    }

    public function page(): CapacitorPage
    {
        $caps = array_map($this->card(...), $this->list->all);
        $live = array_values(array_filter($caps, static fn (CapCard $it): bool => $it->known && $it->verdict === null && $it->replaced === null))[0] ?? null;

        return new CapacitorPage(
            Cards::job(Cards::jobs()->where('jobs.id', $this->job->id)->first() ?? abort(404)),
            $caps, $live?->key, $this->policies(), array_map(static fn (BoardCapacitor $it): string => $it->key, $this->wanted()),
            array_map(static fn (Look $it): LookCard => new LookCard($it->value, $it->words(), self::KEYS[$it->value]), Look::cases()),
            array_map(static fn (Kind $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), Kind::cases()),
            array_map(static fn (string $it): ChoiceCard => new ChoiceCard($it, $it), ['filter', 'coupling', 'timing', 'mains']),
            array_values(array_map(static fn (Rail $it): string => $it->name, $this->list->profile->rails)),
            array_map(static fn (string $value, string $words): ChoiceCard => new ChoiceCard($value, $words), array_keys(CapacitorNote::REWORK), CapacitorNote::REWORK),
            array_values(Entry::query()->where('job_id', $this->job->id)->where('kind', EntryKind::Survey)->orderBy('at')->get()->map(static fn (Entry $it): ChoiceCard => new ChoiceCard($it->id, Record::word($it, 'place')))->all()),
            array_map(static fn (Caution $it): string => $it->words(), $this->list->profile->cautionsAt(Stage::Repair)),
        );
    }

    /** @return list<BoardCapacitor> what measures bad, and originals of a kind that the bench replaces whole */
    public function wanted(): array
    {
        return array_values(array_filter($this->list->all, fn (BoardCapacitor $it): bool => ($this->standing["\0{$it->key}"] ?? null)?->verdict === 'replace'
            || (!$it->replaced && $it->original !== null && ($this->chosen[$it->original->kind->value][0] ?? '') === 'replace_kind')));
    }

    public function substitutes(string $key, float $atC): SubstitutePage
    {
        $it = $this->list->at($key) ?? throw InvalidDocument::at('/cap', 'is not on the list of this board');
        $wanted = $it->wanted($this->list->railV($it));
        $choices = $wanted === null ? [] : $this->choices($wanted, $atC);
        $fit = count(array_filter($choices, static fn (SubstituteChoice $choice): bool => $choice->verdict !== 'no'));

        return new SubstitutePage(
            $this->card($it), $it->number('diameter_mm'), $it->number('height_mm'), $it->number('pitch_mm'), $it->number('clearance_mm'), $atC, $choices,
            $wanted === null ? 'Nobody knows what it is: a substitute cannot be chosen by a guess.' : "{$fit} of ".count($choices).' parts of about this value fit.',
        );
    }

    /** @return list<SubstituteChoice> */
    private function choices(Wanted $wanted, float $atC): array
    {
        $part = $wanted->part;
        [$low, $high] = $wanted->position === 'filter' ? [$part->markedF, 1.5 * $part->markedF] : [$part->lowF, $part->highF];
        // The index alone answers which they are, however full the shelf is.
        $ids = DB::table('shelf_items')->whereIn('kind', array_map(static fn (Kind $kind): string => $kind->value, array_filter(Kind::cases(), static fn (Kind $kind): bool => $part->kind->mayBe($kind))))
            ->whereBetween('marked_f', [$low * (1 - 1e-9), $high * (1 + 1e-9)])->where('rated_v', '>=', $part->ratedV * (1 - 1e-9))
            ->orderByRaw('quantity = 0')->orderByRaw('ABS(marked_f - ?)', [$part->markedF])->orderBy('rated_v')->orderBy('id')->limit(self::LOOKED_AT)->pluck('id');
        $items = ShelfItem::query()->whereIn('id', $ids)->orderBy('sku')->get()->keyBy('sku');
        $cards = ShelfCards::of($items->values()->all(), $this->job->id);
        $stock = array_values(array_filter(array_map(static fn (ShelfItem $item): ?\Ash\Capacitors\Stock => $item->stock($cards[$item->id]->free), $items->values()->all())));

        return array_slice(array_map(static function (Choice $it) use ($items, $cards, $atC): SubstituteChoice {
            $item = $items->get($it->stock->sku) ?? throw new \LogicException();
            $life = $it->stock->hours === null || $it->stock->temperatureC === null ? null : new Life($it->stock->hours, $it->stock->temperatureC, $atC);

            return new SubstituteChoice($cards[$item->id], $it->verdict, match ($it->verdict) {
                'fits' => 'fits',
                'fits_with_care' => 'fits with care',
                default => 'does not fit',
            }, $it->score, $it->reasons, $life === null ? null : Notation::plain($life->yearsClaimed, 3).' years at '.Notation::plain($atC).' °C'.($life->years > $life->yearsClaimed ? ' (by the sum '.Notation::plain($life->years, 3).'; seals age too)' : ''));
        }, Choice::ranked($stock, $wanted)), 0, self::SHOWN);
    }

    private function card(BoardCapacitor $it): CapCard
    {
        $key = "\0{$it->key}";
        $found = $this->list->found[$key] ?? null;
        $reading = $this->readings[$key][0] ?? null;
        $before = $this->readings[$key][1] ?? $this->earlier[$key] ?? null;
        $siblings = $it->part === null ? Siblings::of($it, $this->list->all) : null;
        $standing = $this->standing[$key] ?? null;
        $data = $reading === null ? [] : $reading->data;
        // With several readings of one part, what counts of each quantity is shown, as it is judged.
        $farad = $standing === null ? (is_numeric($data['capacitance_f'] ?? null) ? (float) $data['capacitance_f'] : null) : ($standing->counts['capacitance'] ?? null)?->capacitanceF;
        $ohm = ($standing->counts['esr'] ?? null)?->esrOhm;
        $strings = static fn (mixed $of): array => array_values(array_filter(is_array($of) ? $of : [], is_string(...)));
        $railV = $this->list->railV($it);
        $place = implode(', ', array_filter([$it->text('where') ?? ($it->text('ref') === null ? null : $it->text('place')), $it->rail === null ? null : "on {$it->rail}", $it->text('row') === null ? null : "row {$it->text('row')}"]));

        return new CapCard(
            $it->key, $it->text('ref'), $place, $it->words(), $it->part !== null, $it->part?->kind->value, $it->rail, $found?->id, $found === null ? null : (object) $found->data, $found === null ? null : ($this->waiting[$found->id]->text ?? null),
            $siblings->keys ?? [], $siblings?->guess, $reading === null ? null : self::value($farad, $strings($data['visual'] ?? [])), $ohm === null ? null : Notation::print($ohm, Unit::Ohm, 3),
            $standing?->verdict, $standing->proven ?? false, $standing->reasons ?? [], $strings($data['visual'] ?? []), ($data['in_circuit'] ?? false) === true, $reading?->id,
            $before === null ? null : self::value(is_numeric($before->data['capacitance_f'] ?? null) ? (float) $before->data['capacitance_f'] : null, []).', '.Record::word($before, 'verdict'),
            $this->replaced[$key] ?? null, self::strip($it->part, $farad), self::esrStrip($it->part, $ohm),
            self::limits($it->part, $railV), array_values(array_filter($this->rework[$key] ?? [])), $it->part?->kind->polarised() ?? false,
        );
    }

    /** @param list<string> $looks */
    private static function value(?float $farad, array $looks): string
    {
        return $farad === null ? ($looks === [] ? 'ESR only' : Look::from($looks[0])->words()) : Notation::print($farad, Unit::Farad, 4);
    }

    private static function limits(?Part $part, ?float $railV): string
    {
        return $part === null ? 'not known: it waits' : implode('; ', array_filter([
            Notation::print($part->lowF, Unit::Farad, 4).' to '.Notation::print($part->highF, Unit::Farad, 4),
            $part->esrMaxOhm === null ? null : 'ESR at most '.Notation::print($part->esrMaxOhm, Unit::Ohm, 3),
            $part->tanDeltaMax === null ? null : 'tan delta '.Notation::plain($part->tanDeltaMax, 3).' at 120 Hz',
            $part->leakageMaxA === null ? null : 'leakage '.Notation::print($part->leakageMaxA, Unit::Ampere, 3),
            $railV === null ? null : 'rail '.Notation::print($railV, Unit::Volt),
        ]));
    }

    /** Capacitance from nothing to twice what is marked. */
    private static function strip(?Part $part, ?float $farad): StripCard
    {
        if ($part === null) {
            return new StripCard(0, 0, 0, 0, null, false, null, null, null);
        }
        $share = static fn (float $it): float => max(0.0, min(1.0, $it / $part->markedF / 2));

        return new StripCard($share($part->lowF), $share($part->highF), 0.1 * min($part->minusPct, $part->plusPct) / 200, 0.5, $farad === null ? null : $share($farad), $farad !== null && $farad > 2 * $part->markedF, null, null, null);
    }

    /** ESR from nothing to three times its limit. */
    private static function esrStrip(?Part $part, ?float $ohm): ?StripCard
    {
        return $part?->esrMaxOhm === null || $ohm === null ? null : new StripCard(0, 1 / 3, 0, 1 / 6, min(1.0, $ohm / $part->esrMaxOhm / 3), $ohm > 3 * $part->esrMaxOhm, null, null, null);
    }

    /** @return list<PolicyCard> */
    private function policies(): array
    {
        $cards = [];
        foreach (Kind::cases() as $kind) {
            $known = array_filter($this->list->all, static fn (BoardCapacitor $it): bool => $it->original?->kind === $kind);
            if ($known === []) {
                continue;
            }
            $rows = $this->tests->filter(static fn (object $row): bool => ($row->kind ?? '') === $kind->value && (bool) ($row->proven ?? false));
            $tested = $rows->pluck('cap_key')->unique()->all();
            $keys = count($tested);
            $untested = count(array_filter($known, static fn (BoardCapacitor $it): bool => !$it->replaced && !in_array($it->key, $tested, true)));
            $bad = $rows->filter(static fn (object $row): bool => ($row->verdict ?? '') === 'replace')->pluck('cap_key')->unique()->count();
            [$a, $b, $prior] = Sample::prior(...CapacitorTests::history($kind->value, $this->list->year(), $this->job->board_id));
            $sample = Sample::of($keys, $bad, $untested, $a, $b);
            [$policy, $why] = $this->chosen[$kind->value] ?? [null, null];
            $cards[] = new PolicyCard(
                $kind->value, $kind->words(), count($known), $keys, $bad, $untested, Notation::plain($sample->expectedBad, 3), Notation::plain($sample->probabilityAnyBad * 100, 3).' %',
                $sample->advice, $sample->reasons, $prior, $policy, $why,
            );
        }

        return $cards;
    }
}
