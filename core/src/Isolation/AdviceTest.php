<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** A test that tells causes apart. */
final readonly class AdviceTest
{
    /**
     * @param list<string>                        $outcomes
     * @param array<string, array<string, float>> $likelihood by cause and outcome, each behind a NUL, normalised; a cause that is not there has all alike
     * @param list<string>                        $needs
     * @param list<string>                        $odd        causes whose row did not sum to one
     */
    private function __construct(
        public string $id,
        public float $minutes,
        public ?string $danger,
        public array $outcomes,
        private array $likelihood,
        public array $needs,
        public array $odd,
    ) {
    }

    /** @param list<string> $causes behind a NUL */
    public static function read(Node $node, array $causes): self
    {
        $node->only('id', 'minutes', 'danger', 'outcomes', 'likelihood', 'needs');
        $named = $node->at('outcomes')->items(Bounds::OUTCOMES);
        $named !== [] || $node->at('outcomes')->refuse('must list at least one outcome');
        Node::distinct($named);
        $outcomes = array_map(static fn (Node $it): string => $it->name(), $named);
        $known = array_flip($causes);
        $rows = [];
        $odd = [];
        foreach ($node->at('likelihood')->members() as $cause => $row) {
            isset($known["\0{$cause}"]) || $row->refuse("there is no cause \"{$cause}\"");
            $given = [];
            foreach ($row->members() as $outcome => $p) {
                in_array((string) $outcome, $outcomes, true) || $p->refuse("is not an outcome of this test: \"{$outcome}\"");
                $given["\0{$outcome}"] = $p->between(0, 1);
            }
            Advice::sums(array_sum($given)) || $odd[] = (string) $cause;
            $rows["\0{$cause}"] = self::normal($given, $outcomes);
        }
        $needs = $node->optional('needs')?->items() ?? [];
        Node::distinct($needs);

        return new self(
            id: $node->at('id')->name(),
            minutes: $node->at('minutes')->positive(),
            danger: $node->optional('danger')?->string(),
            outcomes: $outcomes,
            likelihood: $rows,
            needs: array_map(static fn (Node $it): string => $it->name(), $needs),
            odd: $odd,
        );
    }

    /** @param string $cause behind a NUL */
    public function likely(string $cause, string $outcome): float
    {
        return $this->likelihood[$cause]["\0{$outcome}"] ?? 1 / count($this->outcomes);
    }

    /** @param array<string, float> $posterior by cause, behind a NUL */
    public function entropyAfter(array $posterior): float
    {
        $bits = 0.0;
        $alike = 1 / count($this->outcomes);
        foreach ($this->outcomes as $outcome) {
            $chance = $sum = 0.0;
            foreach ($posterior as $cause => $p) {
                $joint = $p * ($this->likelihood[$cause]["\0{$outcome}"] ?? $alike);
                if ($joint > 0.0) {
                    $chance += $joint;
                    $sum += $joint * log($joint);
                }
            }
            $bits += $chance > 0.0 ? ($chance * log($chance) - $sum) / M_LN2 : 0.0;
        }

        return $bits;
    }

    /**
     * @param array<string, float> $given
     * @param list<string>         $outcomes
     *
     * @return array<string, float>
     */
    private static function normal(array $given, array $outcomes): array
    {
        $row = [];
        foreach ($outcomes as $outcome) {
            $row["\0{$outcome}"] = Advice::counted($given["\0{$outcome}"] ?? 0.0);
        }
        $sum = array_sum($row);

        return array_map(static fn (float $it): float => $it / $sum, $row);
    }
}
