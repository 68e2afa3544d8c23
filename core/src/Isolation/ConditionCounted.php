<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Field\Name;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** How often it failed under a condition: "failed 6 of 6 cold". Any symptom can be counted so. */
final readonly class ConditionCounted implements EntryData, Settled
{
    public const KIND = 'condition_counted';
    private const MOST = 10_000;
    public const LINE = 'failed 6 of 6 cold';

    public function __construct(
        #[Name] public string $condition,
        #[Whole(1, self::MOST)] public int $trials,
        #[Whole(0, self::MOST)] public int $failures,
    ) {
    }

    public static function said(string $body): LineSaid
    {
        if (preg_match('/^(\d{1,5})\s*(?:of|\/)\s*(\d{1,5}),?\s+(?:times\s+)?(?:when\s+)?(\S.*)$/iu', $body, $m) !== 1) {
            throw UnclearLine::write(self::LINE.' (failures, trials, the condition)');
        }
        if ((int) $m[1] > (int) $m[2]) {
            throw new UnclearLine("it cannot fail {$m[1]} times in {$m[2]}");
        }

        return new LineSaid(self::KIND, '', (object) ['condition' => mb_strtolower(trim($m[3])), 'trials' => (int) $m[2], 'failures' => (int) $m[1]]);
    }

    public function settled(Node $read): static
    {
        return $this->failures <= $this->trials ? $this : $read->at('failures')->refuse("must be at most the trials, {$this->trials}");
    }

    /**
     * Counts of one condition are added up; conditions are compared two by two, the least likely to be chance first.
     *
     * @param list<self> $counted in time order
     *
     * @return array{list<ConditionTried>, list<Conditions>}
     */
    public static function compared(array $counted): array
    {
        $sums = [];
        foreach ($counted as $it) {
            $name = mb_strtolower($it->condition);
            $before = $sums["\0{$name}"] ?? new ConditionTried($name, 0, 0);
            $sums["\0{$name}"] = new ConditionTried($name, $before->trials + $it->trials, $before->failures + $it->failures);
        }
        $tried = array_slice(array_values($sums), 0, Bounds::CONDITIONS);
        $pairs = [];
        foreach ($tried as $i => $a) {
            foreach (array_slice($tried, $i + 1) as $b) {
                $pairs[] = $a->rate() >= $b->rate() ? Conditions::of($a, $b) : Conditions::of($b, $a);
            }
        }
        usort($pairs, static fn (Conditions $a, Conditions $b): int => $a->pValue <=> $b->pValue);

        return [$tried, $pairs];
    }

    public function sentence(string $text): string
    {
        return "Failed {$this->failures} of {$this->trials} {$this->condition}";
    }
}
