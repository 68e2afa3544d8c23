<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\Room;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;
use Ash\Logbook\Weight;

/** What finding the part brings to the house. */
final readonly class IsolationRoom extends Room
{
    public function name(): string
    {
        return 'isolation';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(SymptomChosen::KIND, 'symptom of the library', SymptomChosen::class, stage: Stage::Find),
            new EntryKind(TestDone::KIND, 'test', TestDone::class, weight: Weight::Evidence, attack: 'isolation', stage: Stage::Find),
            new EntryKind(CauseFound::KIND, 'cause found', CauseFound::class, weight: Weight::Evidence, attack: 'isolation', stage: Stage::Find),
            new EntryKind(
                ConditionCounted::KIND, 'failures counted', ConditionCounted::class, weight: Weight::Evidence, attack: 'isolation',
                stage: Stage::Find,
            ),
            new EntryKind(SwapTried::KIND, 'swap', SwapTried::class, weight: Weight::Evidence, attack: 'isolation', stage: Stage::Find),
        ];
    }

    public function lines(): array
    {
        return [new SwapSaid(), new LeadingWord(['failed', 'fails'], ConditionCounted::said(...), ['failed' => ConditionCounted::LINE])];
    }

    public function findings(Situation $at): Findings
    {
        $it = $at->facts->last(Weighed::class);

        return $it === null ? new Findings() : new Findings(
            known: $it->clues,
            suspects: array_map(static fn (array $one): Suspect => new Suspect($one[0], $one[1], $one[2], part: $one[3], weighed: true), $it->suspects),
            notices: $it->notice === null ? [] : [$it->notice],
            steps: $it->next === null ? [] : [new Step($it->next[0], $it->next[1], 'find', minutes: $it->next[2])],
        );
    }

    public function verbs(): array
    {
        return [
            'hitting' => new Verb('all minimal sets that have a member in every conflict', self::HITTING_FIELDS, self::HITTING_EXAMPLE, self::hitting(...)),
            'swaps' => new Verb(
                'which part it is, by what was fitted together and worked or failed',
                self::SWAPS_FIELDS,
                self::SWAPS_EXAMPLE,
                self::swaps(...),
            ),
            'advise' => new Verb(
                'which cause it is, and the test that tells most for its minutes',
                self::ADVISE_FIELDS,
                self::ADVISE_EXAMPLE,
                self::advise(...),
            ),
            'conditions' => new Verb(
                'failures under two conditions: chance, or a clue',
                self::CONDITIONS_FIELDS,
                '{"a": {"name": "cold", "trials": 6, "failures": 6}, "b": {"name": "warm", "trials": 8, "failures": 0}}',
                self::conditions(...),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function hitting(Node $node): array
    {
        $node->only('conflicts', 'at_most');
        $number = $conflicts = [];
        foreach ($node->at('conflicts')->items(Bounds::CONFLICTS) as $conflict) {
            $names = $conflict->items(Bounds::NAMES);
            Node::distinct($names);
            $members = [];
            foreach ($names as $name) {
                $number["\0{$name->name()}"] ??= count($number);
                count($number) <= Bounds::NAMES || $node->at('conflicts')->refuse('must name at most '.Bounds::NAMES.' names in all');
                $members[] = $number["\0{$name->string()}"];
            }
            $conflicts[] = $members;
        }
        $atMost = $node->optional('at_most')?->integer(1) ?? 4;
        [$sets, $proved] = HittingSets::of($conflicts, $atMost);
        $names = array_map(static fn (string $it): string => substr($it, 1), array_keys($number));

        return [
            'diagnoses' => array_map(static fn (array $set): array => array_map(static fn (int $it): string => $names[$it], $set), $sets),
            'unsolvable' => in_array([], $conflicts, true),
            'proved' => $proved,
        ];
    }

    /** @return array<string, mixed> */
    private static function swaps(Node $node): array
    {
        $swaps = Swaps::read($node);
        $found = $swaps->found();

        return [
            'diagnoses' => array_map(
                static fn (Diagnosis $it): array => ['parts' => $it->parts, 'pairs' => $it->pairs, 'probability' => $it->probability],
                $found->diagnoses,
            ),
            'proved' => $found->proved,
            'parts' => array_map(
                static fn (SwapPart $it, float $bad, bool $cleared): array => ['id' => $it->id, 'probability' => $bad, 'cleared' => $cleared],
                $swaps->parts, $found->probabilities, $found->cleared,
            ),
            'p_none' => $found->none,
            'shows' => $found->shows,
            'contradictions' => $found->contradictions,
            'entropy_bits' => $found->entropyBits,
            'next' => array_map(static fn (NextRun $it): array => [
                'parts' => $it->parts, 'change' => ['out' => $it->outName, 'in' => $it->inName], 'base' => $it->base,
                'gain_bits' => $it->gainBits, 'p_works' => $it->works, 'minutes' => $it->minutes,
            ], $found->next),
            'reasons' => $found->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function advise(Node $node): array
    {
        $it = Advice::read($node);

        return [
            'causes' => array_map(
                static fn (string $cause, float $p): array => ['id' => substr($cause, 1), 'probability' => $p],
                array_keys($it->causes),
                $it->causes,
            ),
            'entropy_bits' => $it->entropyBits,
            'next' => $it->next,
            'blocked' => $it->blocked,
            'reasons' => $it->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function conditions(Node $node): array
    {
        $it = Conditions::read($node);

        return [
            'p_value' => $it->pValue, 'clue' => $it->clue, 'rate_a' => $it->a->rate(), 'rate_b' => $it->b->rate(),
            'more_trials' => $it->moreTrials(), 'text' => $it->text(),
        ];
    }

    private const HITTING_FIELDS = <<<'TEXT'
        conflicts[]  lists of names, each name once; a bad one is in every list
        at_most?     largest size wanted (4)
        gives        diagnoses[] minimal sets, fewest members first; unsolvable (a conflict is empty); proved (false: the search stopped at its limit)
        TEXT;
    private const HITTING_EXAMPLE = '{"conflicts": [["A1", "M1", "M2"], ["A1", "A2", "M1", "M3"]]}';
    private const SWAPS_FIELDS = <<<'TEXT'
        parts[]      id, role; prior? (of being bad, 0 to 1, open; 0.05, known_good 0.01); known_good? (false); minutes? (5)
        roles?[]     name, required, places? (1); a role that is not listed is required and has one place
        runs[]       in time order: parts[] that were fitted together, outcome works|fails
        shows?       chance that a bad part shows (0.95; 0.7 when the runs contradict one another); mistake? (0.02); max_faults? (3); pairs? (false)
        gives        diagnoses[] {parts, pairs, probability}, proved, parts[] {id, probability, cleared}, p_none, shows, contradictions[] (run numbers),
                     entropy_bits, next[] {parts, change {out, in}, base, gain_bits, p_works, minutes}, reasons[]
        TEXT;
    private const SWAPS_EXAMPLE = <<<'JSON'
        {"parts": [{"id": "supply", "role": "supply"}, {"id": "board", "role": "board"}, {"id": "card", "role": "graphics"}, {"id": "spare card",
          "role": "graphics", "known_good": true}],
         "runs": [{"parts": ["supply", "board", "card"], "outcome": "fails"}, {"parts": ["supply", "board", "spare card"], "outcome": "works"}]}
        JSON;
    private const ADVISE_FIELDS = <<<'TEXT'
        causes[]     id, weight (above 0), part? (the part that is bad in this cause)
        swaps?       runs[] {parts[], outcome works|fails}, shows? (0.95), mistake? (0.02)
        tests[]      id, minutes, danger?, outcomes[], likelihood {cause: {outcome: p}} (a cause that is not listed has all alike), needs?[]
        results[]    test, outcome; have?[] needs that are met
        gives        causes[] {id, probability} best first, entropy_bits, next[] {test, gain_bits, minutes, bits_per_minute}, blocked[] {test, needs}, reasons[]
        TEXT;
    private const ADVISE_EXAMPLE = <<<'JSON'
        {"causes": [{"id": "supply", "weight": 18}, {"id": "memory", "weight": 22}],
         "tests": [{"id": "rails", "minutes": 3, "outcomes": ["good", "weak"], "likelihood": {"supply": {"good": 0.1, "weak": 0.9},
          "memory": {"good": 0.95, "weak": 0.05}}}],
         "results": []}
        JSON;
    private const CONDITIONS_FIELDS = <<<'TEXT'
        a, b         name, trials (1 or more), failures
        gives        p_value (Fisher's exact test, two-sided), clue (below 0.05), rate_a, rate_b, more_trials (on each side, at the same rates, to
                     bring p below 0.05; null when the rates are equal or a thousand do not), text
        TEXT;
}
