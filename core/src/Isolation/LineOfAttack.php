<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** The work done on one suspect (isolation.md, "Rabbit holes"). */
final readonly class LineOfAttack
{
    /** Minutes it may use before it is called out: common practice, no source. */
    public const MINUTES = 60;

    /** Entropy that must have gone since its start, in bits. */
    private const LEARNED = 0.1;

    /** @param int $from place in the list of what stood, at which this line began */
    private function __construct(public int $from, public string $leader, public float $then, public float $now)
    {
    }

    /**
     * A new line begins when another suspect leads, or when a tenth of a bit was learned since it began.
     *
     * @param non-empty-list<array<string, float>> $stood probabilities by cause, behind a NUL, after each thing that was tried
     */
    public static function of(array $stood): self
    {
        $leader = static fn (array $p): string => (string) array_search(max([0.0, ...$p]), $p, true);
        $from = 0;
        foreach ($stood as $i => $p) {
            if ($leader($p) !== $leader($stood[$from]) || Advice::entropy($stood[$from]) - Advice::entropy($p) >= self::LEARNED) {
                $from = $i;
            }
        }
        $last = $stood[count($stood) - 1];
        $leads = $leader($last);

        return new self($from, substr($leads, 1), $stood[$from][$leads], $last[$leads]);
    }

    /**
     * @param float   $minutes on the job since the line began
     * @param ?string $other   the next-best suspect
     * @param ?string $test    the test or swap that tells most
     */
    public function notice(float $minutes, ?string $other, ?string $test): ?string
    {
        if ($minutes < self::MINUTES) {
            return null;
        }
        $percent = static fn (float $p): string => round(100 * $p).' %';
        $lead = strtr($this->leader, '_', ' ');

        return sprintf('%d minutes on %s, and next to nothing was learned (%s then, %s now).', $minutes, $lead, $percent($this->then), $percent($this->now))
            .($other === null ? '' : " Next best: {$other}.").($test === null ? '' : " What tells most: {$test}.").' Or park it with a question.';
    }
}
