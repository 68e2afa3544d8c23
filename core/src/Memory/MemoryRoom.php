<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\BiasedChips;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\Profile;
use Ash\Logbook\Room;
use Ash\Logbook\Section;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect as JobSuspect;
use Ash\Logbook\Unproven;
use Ash\Logbook\Weight;

/** What memory brings to the house. */
final readonly class MemoryRoom extends Room
{
    /** Cells of the largest memory that the simulator takes: 2^40. */
    private const MOST_WORDS = 1_099_511_627_776;
    private const MOST_FAULTS = 1000;

    public function name(): string
    {
        return 'memory';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(MemoryRun::KIND, 'memory test', MemoryRun::class, weight: Weight::Evidence, attack: 'memory', stage: Stage::Find),
            new EntryKind(ChipsExchanged::KIND, 'chips exchanged', ChipsExchanged::class, attack: 'memory', stage: Stage::Find),
            new EntryKind(SoakKept::KIND, 'soak', SoakKept::class, weight: Weight::Evidence, attack: 'memory', stage: Stage::Soak),
            new EntryKind(MemorySaid::KIND, 'memory', MemorySaid::class),
            new EntryKind(DateCodesRead::KIND, 'date codes', DateCodesRead::class, attack: 'memory'),
        ];
    }

    public function lines(): array
    {
        return [new ErrorSaid()];
    }

    public function section(): Section
    {
        return new MemoriesSection();
    }

    public function facts(Profile $profile): array
    {
        $chips = $profile->section(DescribedMemories::class)?->biasedChips() ?? [];

        return $chips === [] ? [] : [new BiasedChips($chips)];
    }

    public function findings(Situation $at): Findings
    {
        $it = $at->facts->last(MemoryStanding::class);

        return $it === null ? new Findings() : new Findings(
            known: $it->soak === null ? [] : [$it->soak],
            suspects: $it->suspect === null ? [] : [new JobSuspect($it->suspect, (string) $it->why, $it->probability, part: 'memory')],
            steps: $it->next === null ? [] : [new Step($it->next, (string) $it->why, 'memory')],
            unproven: $it->unproven === null ? [] : [new Unproven($it->unproven, 'memory')],
        );
    }

    public function verbs(): array
    {
        return [
            'locate' => new Verb('which chip, line or bank is it', self::LOCATE_FIELDS, self::LOCATE_EXAMPLE, self::locate(...), ['errors']),
            'march' => new Verb(
                'a march test on a memory with faults',
                self::MARCH_FIELDS,
                '{"test": "march-c-", "words": 1048576, "faults": [{"type": "cfid", "cell": 5, "aggressor": 9, "when": "up", "value": 1}]}',
                self::march(...),
            ),
            'coverage' => new Verb('what a march test finds, by enumeration', self::COVERAGE_FIELDS, '{"test": "mats+", "words": 4}', self::coverage(...)),
            'soak' => new Verb(
                'what so many passes say of the failure rate',
                self::SOAK_FIELDS,
                '{"passes": 51, "errors": 0, "target_rate": 0.01, "seconds_per_pass": 90}',
                self::soak(...),
            ),
            'sum' => new Verb(
                'what is fitted against what the machine counts',
                self::SUM_FIELDS,
                '{"modules": [{"name": "bank 0", "kib": 128}, {"name": "bank 1", "kib": 64}, {"name": "bank 2", "kib": 64}], "counted_kib": 192}',
                self::sum(...),
            ),
            'fit' => new Verb(
                'whether a chip may go into a socket',
                self::FIT_FIELDS,
                '{"fitted": "4116", "candidate": "4164", "required_access_ns": 200, "candidate_access_ns": 150}',
                self::fit(...),
            ),
        ];
    }

    /**
     * @param array<string, iterable<string>> $options "errors": lines of CSV
     *
     * @return array<string, mixed>
     */
    private static function locate(Node $node, array $options): array
    {
        $node->only('map', 'errors', 'tested', 'pattern');
        $map = Map::read($node->at('map'));
        $pattern = $node->optional('pattern')?->enum(Pattern::class) ?? Pattern::None;
        if ($pattern === Pattern::Mix && $map->wordBits > 32) {
            $node->at('pattern')->refuse('mix takes words of at most 32 bits');
        }
        $locator = new Locator($map, self::tested($node->optional('tested'), $map), $pattern);
        $reader = new ErrorReader($map, $locator);
        if (isset($options['errors'])) {
            $node->optional('errors')?->refuse('excludes the option --errors: give one of the two');
            $reader->csv($options['errors']);
        } else {
            $reader->document($node->at('errors'));
        }

        return Shape::of(Located::class)->whole(Located::of($map, $locator, $pattern));
    }

    /** @return list<bool> by bank */
    private static function tested(?Node $list, Map $map): array
    {
        if ($list === null) {
            return array_fill(0, count($map->banks), true);
        }
        Node::distinct($list->items());
        $tested = array_fill(0, count($map->banks), false);
        foreach ($list->items() as $name) {
            $tested[$map->byName["\0{$name->string()}"] ?? $name->refuse("there is no bank \"{$name->string()}\"")] = true;
        }

        return array_values($tested);
    }

    /** @return array<string, mixed> */
    private static function march(Node $node): array
    {
        $node->only('test', 'words', 'faults');
        $test = MarchTest::read($node->at('test'));
        $words = $node->at('words')->integer(1, self::MOST_WORDS);
        $faults = $cells = [];
        foreach ($node->at('faults')->items(self::MOST_FAULTS) as $it) {
            $fault = CellFault::read($it, $words);
            isset($cells[$fault->cell]) && $it->at('cell')->refuse('has a fault already');
            $cells[$fault->cell] = true;
            $faults[] = $fault;
        }
        $simulator = new Simulator($test, $faults);
        $zeros = $simulator->run(0);

        return [
            'detected' => $zeros['errors'] > 0 && $simulator->run(1)['errors'] > 0,
            'first' => $zeros['first'],
            'errors' => $zeros['errors'],
            'operations' => $words * $test->operationsPerWord(),
            'operations_per_word' => $test->operationsPerWord(),
        ];
    }

    /** @return array<string, mixed> */
    private static function coverage(Node $node): array
    {
        $node->only('test', 'words');

        return ['classes' => Coverage::of(MarchTest::read($node->at('test'), 40), $node->at('words')->integer(2, 64))];
    }

    /** @return array<string, mixed> */
    private static function soak(Node $node): array
    {
        $soak = Soak::read($node);

        return [
            'error_rate' => $soak->errorRate, 'upper_rate' => $soak->upperRate, 'lower_rate' => $soak->lowerRate, 'passes_needed' => $soak->passesNeeded,
            'passes_left' => $soak->passesLeft, 'seconds_left' => $soak->secondsLeft, 'reasons' => $soak->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function sum(Node $node): array
    {
        $sum = Sum::read($node);

        return ['expected_kib' => $sum->expectedKib, 'difference_kib' => $sum->differenceKib, 'explanations' => $sum->explanations, 'proved' => $sum->proved];
    }

    /** @return array<string, mixed> */
    private static function fit(Node $node): array
    {
        $fit = Fit::read($node);

        return ['verdict' => $fit->verdict, 'reasons' => $fit->reasons, 'pin_conflicts' => $fit->conflicts];
    }

    private const LOCATE_FIELDS = <<<'TEXT'
        map          radix? (16); word_bits; technology? dram|sram|core; mounting? socketed|soldered (socketed);
                     banks[] name, start, words, chips[] {ref, bits[], alias?}, parity? {ref, alias?},
                     select? {mask, value}, row_bits?, column_bits?; start, mask and value are strings in the radix
        map          at most 1024 banks, 65 536 chips, words of 63 bits
        errors[]     at most 100 000 (a CSV has no bound): {address, expected, actual} | {address, xor} | {address, kind: "parity"} | {bank, bit} | {ref};
                     or --errors FILE.csv
        tested[]?    bank names (all); pattern? fold|mix|none
        gives        suspects[] rank, kind chip|chip_part|data_line|data_bridge|bank|address_line|address_bridge|drive_line|everything|
                     several_chips, ref, refs[], bank, bits[],
                     address_bits[], explains, probability, text, action, against; matrix[] bank, bit, errors; errors, unmapped, unexplained,
                     few, reasons[]
        TEXT;
    private const LOCATE_EXAMPLE = <<<'JSON'
        {"map": {"word_bits": 4, "banks": [{"name": "0", "start": "0", "words": 16384,
                                "chips": [{"ref": "U30", "bits": [0]}, {"ref": "U31", "bits": [1]},
                                          {"ref": "U32", "bits": [2]}, {"ref": "U33", "bits": [3]}]}]},
         "errors": [{"address": "1A3F", "expected": "0", "actual": "4"}, {"address": "0x0007", "expected": "F", "actual": "B"}]}
        JSON;
    private const MARCH_FIELDS = <<<'TEXT'
        test         mats, mats+, mats++, march-x, march-y, march-c-, march-a, march-b, or a string such as {b(w0);u(r0,w1);d(r1,w0)}
                     of at most 100 operations
        words        cells, at most 2^40
        faults[]     at most 1000: type saf0|saf1|tf_up|tf_down|cfin|cfid|cfst|af_none|af_multi|af_shared; cell; aggressor?; when? up|down|0|1;
                     value? 0|1|"and"|"or"; as the type asks
        gives        detected (from an all-zeros and an all-ones start), first {element, operation, address} or null, errors (both of the
                     all-zeros run), operations, operations_per_word
        TEXT;
    private const COVERAGE_FIELDS = <<<'TEXT'
        test         as in memory march, of at most 40 operations
        words        2 to 64
        gives        classes[] type saf|tf|cfin|cfid|cfst|af, faults, detected, pct
        TEXT;
    private const SOAK_FIELDS = <<<'TEXT'
        passes       1 to 10^9; errors: passes that showed one
        confidence?  0.95; target_rate? errors a pass; seconds_per_pass? s
        gives        error_rate, upper_rate, lower_rate (each one-sided), passes_needed, passes_left, seconds_left, reasons[]
        TEXT;
    private const SUM_FIELDS = <<<'TEXT'
        modules[]    at most 64: name, kib (at most 2^30); counted_kib
        gives        expected_kib, difference_kib, explanations[] (lists of modules whose absence gives the counted size; at most
                     10), proved: false when the search was ended by its bound and there may be others
        TEXT;
    private const FIT_FIELDS = <<<'TEXT'
        fitted, candidate   4027, 4116, 4164, 41256, 411000, 4464, 44256, 2102, 2114, 6116, 6264, 62256
        required_access_ns?, candidate_access_ns?   ns; judged when both are given
        gives        verdict drop_in|needs_rework|no, reasons[], pin_conflicts[] pin, fitted, candidate, hazard
        TEXT;
}
