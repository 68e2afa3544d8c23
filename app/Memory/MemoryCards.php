<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Record;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\EntryWords;
use Ash\Memory\Bank;
use Ash\Memory\Chip;
use Ash\Memory\DateCode;
use Ash\Memory\FittedMemory;
use Ash\Memory\Map;
use Ash\Memory\MapCheck;
use Ash\Memory\MemoryStanding;
use Ash\Memory\Pattern;
use Ash\Memory\Seen;
use Ash\Memory\SuspectWords;
use Ash\Quantity\Notation;
use Ash\Quantity\Radix;

/** What was kept or located, as it is handed out. */
final readonly class MemoryCards
{
    /** From which probability on a chip is drawn one level darker. */
    private const LEVELS = [0.01, 0.1, 0.3, 0.7];

    public static function map(FittedMemory $memory): MemoryMapCard
    {
        return new MemoryMapCard($memory->key, $memory->name, $memory->chip?->value, self::mapWords($memory), $memory->map->radix->value, array_map(static fn (Bank $it): string => $it->name, $memory->map->banks), MapCheck::of($memory));
    }

    public static function mapWords(FittedMemory $memory): string
    {
        $map = $memory->map;
        $words = array_values(array_unique(array_map(static fn (Bank $it): int => $it->words, $map->banks)));
        $count = count($map->banks);

        return "{$count} ".($count === 1 ? 'bank' : 'banks').' of '.implode(' and ', $words)." words x {$map->wordBits}"
            .(self::parity($map) ? ' and parity' : '').($memory->chip === null ? ", {$map->technology}" : ", {$memory->chip->value}").', addresses in radix '.$map->radix->value;
    }

    private static function parity(Map $map): bool
    {
        return array_filter($map->banks, static fn (Bank $it): bool => $it->parity) !== [];
    }

    /**
     * @param array<string, mixed>     $located as Located gave it
     * @param array<array-key, string> $codes   date codes by designator
     * @param ?string                  $next    what an exchange has taught to do, in place of the first suspect's action
     */
    public static function located(Map $map, array $located, ?string $next = null, array $codes = []): LocatedCard
    {
        $suspects = self::suspects($located);
        if ($next !== null && $suspects !== []) {
            $suspects[0]['action'] = $next;
        }
        $int = static fn (string $key): int => is_int($located[$key] ?? null) ? $located[$key] : 0;

        return new LocatedCard(
            array_map(static fn (array $it): MemorySuspect => self::suspect($map, $it), $suspects),
            $int('errors'), $int('unmapped'), $int('unexplained'), [...array_values(array_filter(is_array($located['reasons'] ?? null) ? $located['reasons'] : [], is_string(...))), ...self::younger($suspects, $codes)],
        );
    }

    /**
     * A suspect that was replaced before is worth a word.
     *
     * @param list<array<array-key, mixed>> $suspects
     * @param array<array-key, string>      $codes
     *
     * @return list<string>
     */
    private static function younger(array $suspects, array $codes): array
    {
        $refs = array_unique(array_filter(array_map(static fn (array $it): mixed => $it['ref'] ?? null, $suspects), is_string(...)));
        $history = array_intersect_key(DateCode::history($codes)['younger'], array_flip($refs));

        return array_map(static fn (int|string $ref, string $says): string => "the chip in {$ref} is of {$says}", array_keys($history), $history);
    }

    /**
     * @param array<array-key, mixed> $located
     *
     * @return list<array<array-key, mixed>>
     */
    private static function suspects(array $located): array
    {
        return array_values(array_filter(is_array($located['suspects'] ?? null) ? $located['suspects'] : [], is_array(...)));
    }

    /** @param array<array-key, mixed> $it */
    private static function suspect(Map $map, array $it): MemorySuspect
    {
        $word = static fn (string $key): string => is_string($it[$key] ?? null) ? $it[$key] : '';
        $number = static fn (string $key): float => is_numeric($it[$key] ?? null) ? (float) $it[$key] : 0.0;

        return new MemorySuspect(
            (int) $number('rank'), $word('kind'), SuspectWords::kind($word('kind'), $map), $word('called'), $number('probability'), self::percent($number('probability')), $word('text'),
            Notation::plain($number('explains') * 100, 3).' % of the errors', $word('against'), $word('action'), array_values(array_filter(is_array($it['refs'] ?? null) ? $it['refs'] : [], is_string(...))),
        );
    }

    private static function percent(float $share): string
    {
        return ($share > 0.995 && $share < 1 ? '> 99' : Notation::plain($share * 100, 2)).' %';
    }

    /**
     * @param array<string, mixed>     $located
     * @param array<array-key, string> $codes   date codes by designator
     * @param list<string>|null        $tested  banks; null for all
     */
    public static function sockets(FittedMemory $memory, Seen $seen, array $located, array $codes = [], ?array $tested = null): SocketsCard
    {
        $byChip = [];
        $beside = [];
        foreach (self::suspects($located) as $it) {
            $p = is_numeric($it['probability'] ?? null) ? (float) $it['probability'] : 0.0;
            $refs = in_array($it['kind'] ?? '', ['chip', 'chip_part', 'several_chips'], true) && is_array($it['refs'] ?? null) ? $it['refs'] : [];
            foreach ($refs as $ref) {
                if (is_string($ref)) {
                    $byChip[$ref] = ($byChip[$ref] ?? 0) + $p;
                }
            }
            if ($refs === [] && is_string($it['called'] ?? null)) {
                $beside[] = "{$it['called']} ".self::percent($p);
            }
        }
        $history = DateCode::history($codes)['younger'];
        $rows = array_map(static fn (array $refs): SocketRow => self::row($memory, $refs, $seen, $byChip, $codes, $history, $tested), $memory->sockets);
        arsort($byChip);
        $says = array_map(static fn (int|string $ref, float $p): string => "{$ref} ".self::percent($p), array_keys($byChip), $byChip);

        return new SocketsCard($memory->name, $rows, $beside, "Sockets of {$memory->name}. ".($says === [] && $beside === [] ? 'No chip is suspected.' : 'Suspected: '.implode(', ', [...$says, ...$beside]).'.'));
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
            $level = count(array_filter(self::LEVELS, static fn (float $from): bool => $p >= $from));
            $places[] = new SocketPlace(new SocketCard($ref, $here->name, self::bits($here->chips[$c]), $level, $p >= 0.01 ? self::percent($p) : '', $seen->on($ref), $codes[$ref] ?? null, $younger[$ref] ?? null));
        }

        return new SocketRow($bank->name ?? '', $bank === null ? '' : self::range($bank, $memory->map->radix), $bank === null || $tested === null || in_array($bank->name, $tested, true), $places);
    }

    private static function bits(Chip $chip): string
    {
        $bits = array_map(SuspectWords::bit(...), $chip->bits);

        return count($bits) > 2 && $chip->bits === range($chip->bits[0], $chip->bits[0] + count($bits) - 1) ? "bits {$bits[0]} to ".end($bits) : (count($bits) === 1 ? 'bit ' : 'bits ').implode(', ', $bits);
    }

    private static function range(Bank $bank, Radix $radix): string
    {
        return $radix->format($bank->start).' to '.$radix->format($bank->end - 1).($bank->selectMask === 0 ? '' : ', where address & '.$radix->format($bank->selectMask).' is '.$radix->format($bank->selectValue));
    }

    public static function source(Source $source): SourceCard
    {
        $memory = $source->fitted();
        $result = $source->result ?? [];
        $int = static fn (string $key): int => is_int($result[$key] ?? null) ? $result[$key] : 0;
        /** @var array<string, mixed> $located */
        $located = is_array($result['located'] ?? null) ? $result['located'] : [];
        /** @var list<array{bank: string, bit: int|string, errors: int}> $matrix */
        $matrix = is_array($located['matrix'] ?? null) ? $located['matrix'] : [];
        $better = is_int($result['better_radix'] ?? null) ? Radix::from($result['better_radix']) : null;
        // A heartbeat that stopped means that nobody listens.
        $away = $source->state->active() && $source->updated_at->diffInSeconds(now(), true) > 5;

        return new SourceCard(
            $source->id, $source->job_id, $memory->key, $source->kind->value, $source->state->value, $away ? 'the capture program does not answer; what came in is kept' : $source->state->words(), $source->why, $source->state->active(),
            $source->radix, $source->pattern, $source->tested ?? array_map(static fn (Bank $it): string => $it->name, $memory->map->banks), $source->author,
            self::at($source->started_at), $source->heard_at === null ? null : self::at($source->heard_at), $int('lines'), $int('recognised'), $int('left_over'),
            self::lines($result['shown'] ?? null), self::lines($result['left'] ?? null), array_values(array_filter(is_array($result['tail'] ?? null) ? $result['tail'] : [], is_string(...))),
            $int('passes'), $int('failed_passes'), self::pace($source, $int('passes')), $better?->value,
            $better === null ? null : 'Read in radix '.$source->radix.' most addresses fall into no bank; in radix '.$better->value.' nearly all of them do. Is the log in radix '.$better->value.'?',
            self::located($memory->map, $located), self::sockets($memory, Seen::of($memory->map, $matrix), $located, [], $source->tested),
        );
    }

    /** Seconds a pass; null while none has ended. */
    private static function pace(Source $source, int $passes): ?float
    {
        return $source->heard_at === null || $passes === 0 ? null : max(0.001, $source->started_at->diffInMilliseconds($source->heard_at, true) / 1000 / $passes);
    }

    /** @return list<ReadLine> */
    private static function lines(mixed $rows): array
    {
        return array_map(static fn (array $it): ReadLine => new ReadLine(is_int($it['line'] ?? null) ? $it['line'] : 0, is_string($it['text'] ?? null) ? $it['text'] : '', is_string($it['says'] ?? null) ? $it['says'] : ''), array_values(array_filter(is_array($rows) ? $rows : [], is_array(...))));
    }

    /** @param array<array-key, string> $codes */
    public static function run(Entry $entry, array $codes = []): MemoryRunCard
    {
        $memory = CompleteMemory::memoryOf($entry);
        $data = $entry->data;
        $swap = is_array($data['swap'] ?? null) ? $data['swap'] : [];

        return new MemoryRunCard(
            $entry->id, self::at($entry->at), $entry->author, $memory->key, Record::word($entry, 'pattern'), CompleteMemory::condition($entry)->words(),
            is_int($data['errors'] ?? null) ? $data['errors'] : 0, is_int($data['passes'] ?? null) ? $data['passes'] : 0, EntryWords::of(EntryKind::Memory, '', $data), Record::word($entry, 'cut') ?: null,
            is_string($swap['text'] ?? null) ? $swap['text'] : null, is_string($swap['verdict'] ?? null) ? $swap['verdict'] : null,
            self::located($memory->map, $data, $swap === [] ? null : MemoryStanding::of($data, null)->next, $codes), self::sockets($memory, CompleteMemory::seen($memory, $entry), $data, $codes, is_array($data['tested'] ?? null) ? array_values(array_filter($data['tested'], is_string(...))) : null),
        );
    }

    public static function runRow(Entry $entry): MemoryRunRow
    {
        $top = self::suspects($entry->data)[0] ?? [];
        $p = is_numeric($top['probability'] ?? null) ? (float) $top['probability'] : 0.0;

        return new MemoryRunRow(
            $entry->id, self::at($entry->at), $entry->author, CompleteMemory::condition($entry)->words(), Record::word($entry, 'pattern'),
            is_int($entry->data['errors'] ?? null) ? $entry->data['errors'] : 0, is_string($top['called'] ?? null) ? "{$top['called']} ".self::percent($p) : 'no suspect', Record::word($entry, 'cut') ?: null,
        );
    }

    public static function at(\DateTimeInterface $at): string
    {
        return \DateTimeImmutable::createFromInterface($at)->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.v\Z');
    }

    /** @return list<\App\Logbook\ChoiceCard> */
    public static function patterns(): array
    {
        return [
            new \App\Logbook\ChoiceCard(Pattern::None->value, 'not known'),
            new \App\Logbook\ChoiceCard(Pattern::Fold->value, 'fold: the address, folded'),
            new \App\Logbook\ChoiceCard(Pattern::Mix->value, 'mix: the address, hashed'),
        ];
    }

    /** @param string $json of a memory of a profile */
    public static function fitted(string $json): FittedMemory
    {
        return FittedMemory::read(Node::parse($json));
    }
}
