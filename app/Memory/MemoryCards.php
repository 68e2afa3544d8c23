<?php

declare(strict_types=1);

namespace App\Memory;

use App\Bench\ChoiceCard;
use App\Logbook\Entry;
use Ash\Document\Node;
use Ash\Memory\Bank;
use Ash\Memory\Chip;
use Ash\Memory\DateCode;
use Ash\Memory\FittedMemory;
use Ash\Memory\LinePattern;
use Ash\Memory\LineRole;
use Ash\Memory\LineSort;
use Ash\Memory\Located;
use Ash\Memory\LocatedSuspect;
use Ash\Memory\Map;
use Ash\Memory\MapCheck;
use Ash\Memory\MemoryRun;
use Ash\Memory\MemoryStanding;
use Ash\Memory\Pattern;
use Ash\Memory\Seen;
use Ash\Memory\Shading;
use Ash\Memory\SuspectWords;
use Ash\Quantity\Notation;
use Ash\Quantity\Radix;

/** What was kept or located, as it is handed out. */
final readonly class MemoryCards
{
    /** Keys with which a word of a line is marked. */
    private const KEYS = ['address' => 'a', 'expected' => 'w', 'actual' => 'r', 'chip' => 'c', 'bank' => 'b', 'bit' => 'i', 'errors' => 'n'];

    public static function map(FittedMemory $memory): MemoryMapCard
    {
        return new MemoryMapCard(
            key: $memory->key,
            name: $memory->name,
            chip: $memory->chip?->value,
            words: self::mapWords($memory),
            radix: $memory->map->radix,
            banks: array_map(static fn (Bank $it): string => $it->name, $memory->map->banks),
            findings: MapCheck::of($memory),
        );
    }

    public static function mapWords(FittedMemory $memory): string
    {
        $map = $memory->map;
        $words = array_values(array_unique(array_map(static fn (Bank $it): int => $it->words, $map->banks)));
        $count = count($map->banks);

        return "{$count} ".($count === 1 ? 'bank' : 'banks').' of '.implode(' and ', $words)." words x {$map->wordBits}"
            .(self::parity($map) ? ' and parity' : '').($memory->chip === null
                ? ", {$map->technology->value}"
                : ", {$memory->chip->value}").', addresses in radix '.$map->radix->value;
    }

    private static function parity(Map $map): bool
    {
        return array_filter($map->banks, static fn (Bank $it): bool => $it->parity) !== [];
    }

    /**
     * @param array<array-key, string> $codes date codes by designator
     * @param ?string                  $next  what an exchange has taught to do, in place of the first suspect's action
     */
    public static function located(Map $map, MemoryRun|Located $it, ?string $next = null, array $codes = []): LocatedCard
    {
        return new LocatedCard(
            suspects: array_map(
                static fn (LocatedSuspect $of, int $i): MemorySuspect => self::suspect($map, $of, $i === 0 ? $next : null),
                $it->suspects,
                array_keys($it->suspects),
            ),
            errors: $it->errors,
            unmapped: $it->unmapped,
            unexplained: $it->unexplained,
            reasons: [...$it->reasons, ...self::younger($it->suspects, $codes)],
        );
    }

    /**
     * A suspect that was replaced before is worth a word.
     *
     * @param list<LocatedSuspect>     $suspects
     * @param array<array-key, string> $codes
     *
     * @return list<string>
     */
    private static function younger(array $suspects, array $codes): array
    {
        $refs = array_unique(array_filter(array_map(static fn (LocatedSuspect $it): ?string => $it->ref, $suspects)));
        $history = array_intersect_key(DateCode::history($codes)['younger'], array_flip($refs));

        return array_map(static fn (int|string $ref, string $says): string => "the chip in {$ref} is of {$says}", array_keys($history), $history);
    }

    private static function suspect(Map $map, LocatedSuspect $it, ?string $next): MemorySuspect
    {
        return new MemorySuspect(
            rank: $it->rank,
            kind: $it->kind,
            kind_words: SuspectWords::kind($it->kind, $map),
            called: $it->called,
            probability: $it->probability,
            percent: self::percent($it->probability),
            text: $it->text,
            explains: Notation::plain($it->explains * 100, 3).' % of the errors',
            against: $it->against,
            action: $next ?? $it->action,
            refs: $it->refs,
        );
    }

    private static function percent(float $share): string
    {
        return ($share > 0.995 && $share < 1 ? '> 99' : Notation::plain($share * 100, 2)).' %';
    }

    /**
     * @param list<LocatedSuspect>     $suspects
     * @param array<array-key, string> $codes    date codes by designator
     * @param list<string>|null        $tested   banks; null for all
     */
    public static function sockets(FittedMemory $memory, Seen $seen, array $suspects, array $codes = [], ?array $tested = null): SocketsCard
    {
        $byChip = $beside = [];
        foreach ($suspects as $it) {
            foreach ($it->onChips() as $ref) {
                $byChip[$ref] = ($byChip[$ref] ?? 0) + $it->probability;
            }
            if ($it->onChips() === []) {
                $beside[] = "{$it->called} ".self::percent($it->probability);
            }
        }
        $history = DateCode::history($codes)['younger'];
        $rows = array_map(static fn (array $refs): SocketRow => self::row($memory, $refs, $seen, $byChip, $codes, $history, $tested), $memory->sockets);
        arsort($byChip);
        $says = array_map(static fn (int|string $ref, float $p): string => "{$ref} ".self::percent($p), array_keys($byChip), $byChip);

        return new SocketsCard(
            $memory->name,
            $rows,
            $beside,
            "Sockets of {$memory->name}. ".($says === [] && $beside === [] ? 'No chip is suspected.' : 'Suspected: '.implode(', ', [...$says, ...$beside]).'.'),
        );
    }

    /**
     * @param list<?string>            $refs
     * @param array<array-key, float>  $byChip
     * @param array<array-key, string> $codes
     * @param array<array-key, string> $younger
     * @param list<string>|null        $tested
     */
    private static function row(FittedMemory $memory, array $refs, Seen $seen, array $byChip, array $codes, array $younger, ?array $tested): SocketRow
    {
        $bank = null;
        $places = [];
        foreach ($refs as $ref) {
            if ($ref === null) {
                $places[] = new SocketPlace(null);
                continue;
            }
            [$b, $c] = $memory->map->byRef["\0{$ref}"];
            $here = $memory->map->banks[$b];
            $bank ??= $here;
            $p = $byChip[$ref] ?? 0.0;
            $level = Shading::level($p);
            $places[] = new SocketPlace(new SocketCard(
                ref: $ref,
                bank: $here->name,
                bits: self::bits($here->chips[$c]),
                level: $level,
                suspicion: $level > 0 ? self::percent($p) : '',
                errors: $seen->on($ref),
                date_code: $codes[$ref] ?? null,
                younger: $younger[$ref] ?? null,
            ));
        }

        return new SocketRow(
            $bank->name ?? '',
            $bank === null ? '' : self::range($bank, $memory->map->radix),
            $bank === null || $tested === null || in_array($bank->name, $tested, true),
            $places,
        );
    }

    private static function bits(Chip $chip): string
    {
        $bits = array_map(SuspectWords::bit(...), $chip->bits);

        return count($bits) > 2 && $chip->bits === range($chip->bits[0], $chip->bits[0] + count($bits) - 1)
            ? "bits {$bits[0]} to ".end($bits)
            : (count($bits) === 1 ? 'bit ' : 'bits ').implode(', ', $bits);
    }

    private static function range(Bank $bank, Radix $radix): string
    {
        return $radix->format($bank->start).' to '.$radix->format($bank->end - 1).($bank->selectMask === 0
            ? ''
            : ', where address & '.$radix->format($bank->selectMask).' is '.$radix->format($bank->selectValue));
    }

    public static function source(Source $source): SourceCard
    {
        $memory = $source->fitted();
        $read = $source->result ?? new SourceRead();
        $better = $read->betterRadix;
        // A heartbeat that stopped means that nobody listens.
        $away = $source->state->active() && $source->updated_at->diffInSeconds(now(), true) > 5;

        $asks = "Read in radix {$source->radix} most addresses fall into no bank; in radix {$better} nearly all of them do. Is the log in radix {$better}?";
        $banks = array_map(static fn (Bank $it): string => $it->name, $memory->map->banks);

        return new SourceCard(
            id: $source->id,
            job_id: $source->job_id,
            map: $memory->key,
            kind: $source->kind->value,
            state: $source->state,
            words: $away ? 'the capture program does not answer; what came in is kept' : $source->state->words(),
            why: $source->why,
            active: $source->state->active(),
            radix: $source->inRadix(),
            pattern: $source->withPattern(),
            tested: $source->tested ?? $banks,
            author: $source->author,
            started_at: self::at($source->started_at),
            heard_at: $source->heard_at === null ? null : self::at($source->heard_at),
            lines: $read->lines,
            recognised: $read->recognised,
            left_over: $read->leftOver,
            not_read: $read->leftOver > 0 && $read->located->errors === 0 && !$source->state->active(),
            shown: self::lines($read->shown),
            left: self::lines($read->left),
            tail: $read->tail,
            passes: $read->passes,
            failed_passes: $read->failedPasses,
            seconds_per_pass: self::pace($source, $read->passes),
            better_radix: $better === null ? null : Radix::from($better),
            advice: $better === null ? null : $asks,
            located: self::located($memory->map, $read->located),
            sockets: self::sockets($memory, Seen::of($memory->map, $read->located->matrix), $read->located->suspects, [], $source->tested),
        );
    }

    /** Seconds a pass; null while none has ended. */
    private static function pace(Source $source, int $passes): ?float
    {
        return $source->heard_at === null || $passes === 0
            ? null
            : max(0.001, $source->started_at->diffInMilliseconds($source->heard_at, true) / 1000 / $passes);
    }

    /**
     * @param list<SourceLine> $lines
     *
     * @return list<ReadLine>
     */
    private static function lines(array $lines): array
    {
        return array_map(static fn (SourceLine $it): ReadLine => new ReadLine($it->line, $it->text, $it->says, LinePattern::split($it->text)), $lines);
    }

    /** @param array<array-key, string> $codes */
    public static function run(Entry $entry, MemoryRun $run, array $codes = []): MemoryRunCard
    {
        $memory = CompleteMemory::memoryOf($entry, $run);

        return new MemoryRunCard(
            id: $entry->id,
            at: self::at($entry->at),
            author: $entry->author,
            map: $memory->key,
            pattern: $run->pattern->value,
            condition: $run->condition(),
            errors: $run->errors,
            passes: $run->passes,
            says: $run->sentence(''),
            cut: $run->cut,
            swap: $run->swap?->text,
            swap_verdict: $run->swap?->verdict,
            located: self::located($memory->map, $run, $run->swap === null ? null : MemoryStanding::of($run)->next, $codes),
            sockets: self::sockets($memory, Seen::kept($memory->map, $run->matrix), $run->suspects, $codes, $run->tested),
        );
    }

    public static function runRow(Entry $entry, MemoryRun $run): MemoryRunRow
    {
        $top = $run->top();

        return new MemoryRunRow(
            id: $entry->id,
            at: self::at($entry->at),
            author: $entry->author,
            condition: $run->condition(),
            pattern: $run->pattern->value,
            errors: $run->errors,
            not_read: $run->notRead(),
            top: $run->notRead() ? "not read: {$run->leftOver} lines were not understood"
                : ($top === null ? 'no suspect' : "{$top->called} ".self::percent($top->probability)),
            cut: $run->cut,
        );
    }

    public static function at(\DateTimeInterface $at): string
    {
        return \DateTimeImmutable::createFromInterface($at)->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.v\Z');
    }

    /** @return list<LineSortCard> */
    public static function lineSorts(): array
    {
        return array_map(static fn (LineSort $it): LineSortCard => new LineSortCard($it, $it->words(), array_map(
            static fn (LineRole $role): LineRoleCard => new LineRoleCard($role, $role->words(), self::KEYS[$role->value]),
            $it->roles(),
        )), LineSort::cases());
    }

    /** @return list<ChoiceCard> */
    public static function radices(): array
    {
        return array_map(static fn (Radix $it): ChoiceCard => new ChoiceCard((string) $it->value, $it->words()), Radix::usual());
    }

    /** @return list<ChoiceCard> */
    public static function patterns(): array
    {
        return [
            new ChoiceCard(Pattern::None->value, 'not known'),
            new ChoiceCard(Pattern::Fold->value, 'fold: the address, folded'),
            new ChoiceCard(Pattern::Mix->value, 'mix: the address, hashed'),
        ];
    }

    /** @param string $json of a memory of a profile */
    public static function fitted(string $json): FittedMemory
    {
        return FittedMemory::read(Node::parse($json));
    }
}
