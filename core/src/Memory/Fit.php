<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/** May this chip go into that socket. */
final readonly class Fit
{
    /**
     * @param list<array{pin: int, fitted: string, candidate: string, hazard: bool}> $conflicts
     * @param list<string>                                                           $reasons
     */
    private function __construct(public string $verdict, public array $conflicts, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        return self::asked(Shape::of(FitAsked::class)->read($node));
    }

    public static function asked(FitAsked $it): self
    {
        return self::of($it->fitted, $it->candidate, $it->requiredAccessNs, $it->candidateAccessNs);
    }

    /** Speed is judged when both access times are known. */
    public static function of(ChipType $fitted, ChipType $candidate, ?float $requiredNs = null, ?float $candidateNs = null): self
    {
        $never = self::never($fitted, $candidate, $requiredNs, $candidateNs);
        $conflicts = self::conflicts($fitted, $candidate);
        $rework = array_map(
            static fn (array $it): string => "pin {$it['pin']}: the socket has {$it['fitted']}, the chip {$it['candidate']}"
                .($it['hazard'] ? ': this destroys something' : ': lift it or tie it'),
            $conflicts,
        );
        $cycles = $candidate->sheet()['refresh'];
        if ($never === [] && $cycles > $fitted->sheet()['refresh']) {
            $rework[] = "it wants {$cycles} refresh cycles, the board gives {$fitted->sheet()['refresh']}";
        }
        if ($candidate->sheet()['three_supplies']) {
            $rework = [...$rework, 'three supplies: -5 V first on and last off, or the chip is destroyed'];
        }

        return new self(match (true) {
            $never !== [] => 'no',
            $conflicts !== [] || $cycles > $fitted->sheet()['refresh'] => 'needs_rework',
            default => 'drop_in',
        }, $conflicts,
            [
                ...$never,
                ...$rework,
                ...($never === [] && $rework === [] ? ['the same in everything that is asked'] : []),
                ...(($requiredNs === null) === ($candidateNs === null) ? [] : ['only one access time is known: speed is not judged']),
            ]);
    }

    /**
     * Pin by pin, as the package is seen from above. What a data sheet of the catalogue does not say is null.
     *
     * @return list<array{pin: int, side: string, fitted: ?string, candidate: ?string, meets: string}> meets: same, conflict, hazard, unknown; side: left, right
     */
    public function pins(ChipType $fitted, ChipType $candidate): array
    {
        $count = (int) substr($fitted->sheet()['package'], 4);
        $alike = $fitted->sheet()['package'] === $candidate->sheet()['package'];
        $hazards = array_column($this->conflicts, 'hazard', 'pin');
        $pins = [];
        for ($pin = 1; $pin <= $count; ++$pin) {
            $here = $fitted->pins()[$pin] ?? null;
            $there = $alike ? $candidate->pins()[$pin] ?? null : null;
            $pins[] = ['pin' => $pin, 'side' => $pin <= $count / 2 ? 'left' : 'right', 'fitted' => $here, 'candidate' => $there, 'meets' => match (true) {
                isset($hazards[$pin]) => $hazards[$pin] ? 'hazard' : 'conflict',
                $here !== null && $here === $there => 'same',
                default => 'unknown',
            }];
        }

        return $pins;
    }

    /** @return list<string> */
    private static function never(ChipType $fitted, ChipType $candidate, ?float $requiredNs, ?float $candidateNs): array
    {
        $a = $fitted->sheet();
        $b = $candidate->sheet();

        return array_values(array_filter([
            $a['dynamic'] === $b['dynamic']
                ? null
                : ($a['dynamic'] ? 'the socket is for dynamic memory, the chip is static' : 'the socket is for static memory, the chip is dynamic'),
            $b['words'] < $a['words'] ? "{$b['words']} words where {$a['words']} are wanted" : null,
            $b['bits'] === $a['bits'] ? null : "{$b['bits']} bits wide where {$a['bits']} are wanted",
            $b['package'] === $a['package'] ? null : "{$b['package']} does not go into {$a['package']}",
            $requiredNs !== null && $candidateNs !== null && Compare::above($candidateNs, $requiredNs)
                ? Notation::plain($candidateNs).' ns is slower than the '.Notation::plain($requiredNs).' ns that are wanted'
                : null,
        ]));
    }

    /** @return list<array{pin: int, fitted: string, candidate: string, hazard: bool}> */
    private static function conflicts(ChipType $fitted, ChipType $candidate): array
    {
        $a = $fitted->sheet();
        $b = $candidate->sheet();
        if ([$a['package'], $a['bits'], $a['dynamic']] !== [$b['package'], $b['bits'], $b['dynamic']]) {
            return [];
        }
        $conflicts = [];
        $theirs = $candidate->pins();
        foreach ($fitted->pins() as $pin => $function) {
            $other = $theirs[$pin] ?? $function;
            if ($other !== $function) {
                $conflicts[$pin] = ['pin' => $pin, 'fitted' => $function, 'candidate' => $other, 'hazard' => self::hazard($function, $other)];
            }
        }
        ksort($conflicts);

        return array_values($conflicts);
    }

    /** A supply that meets a signal or another supply destroys something; one that meets nothing does not. */
    private static function hazard(string $one, string $other): bool
    {
        $supply = static fn (string $it): bool => preg_match('/^(V|GND)/', $it) === 1;

        return $one !== 'NC' && $other !== 'NC' && ($supply($one) || $supply($other));
    }
}
