<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** What a locator makes of its errors: the answer of bin/ash, and what is kept with a source that was read. */
final readonly class Located
{
    /**
     * @param list<LocatedSuspect> $suspects    most likely first
     * @param list<BitErrors>      $matrix
     * @param int                  $unmapped    errors outside the banks that were tested
     * @param int                  $unexplained errors that the first suspect does not explain
     * @param list<string>         $reasons
     * @param bool                 $few         too few errors to name a part
     */
    public function __construct(
        #[ListOf(LocatedSuspect::class)]
        public array $suspects = [],
        #[ListOf(BitErrors::class)]
        public array $matrix = [],
        #[Whole(0)]
        public int $errors = 0,
        #[Whole(0)]
        public int $unmapped = 0,
        #[Whole(0)]
        public int $unexplained = 0,
        #[ListOf(new Text())]
        public array $reasons = [],
        public bool $few = false,
    ) {
    }

    public static function of(Map $map, Locator $locator, Pattern $pattern): self
    {
        $suspects = $locator->suspects();
        $words = new SuspectWords($map, $locator, $pattern);
        ksort($locator->seen);
        $bit = static fn (int $bit): int|string => $bit === Bank::P ? BitName::PARITY : $bit;

        return new self(
            suspects: array_map(static fn (Hypothesis $it, int $i): LocatedSuspect => new LocatedSuspect(
                rank: $i + 1,
                kind: $it->kind,
                ref: $it->ref,
                refs: $it->refs,
                bank: $it->bank,
                bits: array_map($bit, $it->bits),
                addressBits: $it->addressBits,
                explains: $locator->explained($it) / max(1, $locator->errors),
                probability: $it->probability,
                text: $words->text($it),
                action: $words->action($it, $i === 0),
                against: $words->against($it),
                called: $words->called($it),
            ), $suspects, array_keys($suspects)),
            matrix: array_map(static fn (int $pair, int $count): BitErrors => new BitErrors(
                $map->banks[intdiv($pair, Locator::WIDTH)]->name,
                $bit($pair % Locator::WIDTH),
                $count,
            ), array_keys($locator->seen), $locator->seen),
            errors: $locator->errors,
            unmapped: $locator->unmapped,
            unexplained: $locator->errors - $locator->unmapped - ($suspects === [] ? 0 : $locator->explained($suspects[0])),
            reasons: $words->reasons($suspects),
            few: $words->few(),
        );
    }
}
