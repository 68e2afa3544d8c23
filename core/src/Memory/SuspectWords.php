<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Quantity\Notation;

/** What a suspect means and what to do about it. The nouns come from the map's technology. */
final readonly class SuspectWords
{
    public function __construct(private Map $map, private Locator $locator, private Pattern $pattern)
    {
    }

    public function text(Hypothesis $it): string
    {
        $bits = self::bits($it->bits);

        return match ($it->kind) {
            SuspectKind::Chip => ucfirst($this->chip())." {$it->ref} in bank {$it->bank} ({$bits}): its errors sit {$this->where($it)}.",
            SuspectKind::ChipPart => "One output of {$this->chip()} {$it->ref} in bank {$it->bank}: {$bits} alone, the others hold. Its "
                ."errors sit {$this->where($it)}.",
            SuspectKind::DataLine => "Data line {$bits}: wrong in every bank that has it.",
            SuspectKind::Bank => "Bank {$it->bank} as a whole.".$this->unfitted($it),
            SuspectKind::Everything => 'Everything at once: supply, clock, or the test itself.',
            SuspectKind::AddressLine => count($it->addressBits) === 2
                ? "Address pin that carries cell bits {$it->addressBits[0]} and {$it->addressBits[1]}: wrong words belong to the cells with "
                    .'the two tied together.'
                : "Address line {$it->addressBits[0]}: wrong words belong to the address with this bit the other way round.",
            default => count($it->refs).' '.$this->chip().'s at once: '.implode(', ', $it->refs).'.',
        };
    }

    public function action(Hypothesis $it): string
    {
        return match ($it->kind) {
            SuspectKind::Chip,
            SuspectKind::ChipPart => str_contains($this->where($it), 'everywhere')
                ? "Reseat {$it->ref}; then measure its supply pins; then swap it with a neighbour that tests good and see the error move."
                : "Swap {$it->ref} with a neighbour that tests good: the error must move with it.",
            SuspectKind::DataLine => 'Follow the line to its buffer or latch before any chip is pulled.',
            SuspectKind::Bank => 'Follow the select line, the '.($this->map->technology === Technology::Dram ? 'RAS and CAS drivers' : 'drivers')
                .', the supply pins of the bank, and look at the size jumpers.',
            SuspectKind::Everything => 'Measure the rails at the chips and look at the clock; then repeat the test from cold.',
            SuspectKind::AddressLine => $it->certain || $this->pattern === Pattern::Mix
                ? 'Follow the address line to its buffer'.(count($it->addressBits) === 2 ? ' or multiplexer' : '').' and look at the pin.'
                : 'Run the mix pattern: with one difference value a chip or a data line could still imitate this.',
            default => 'Reseat them all, measure the supply they share, then swap one at a time.',
        };
    }

    private function chip(): string
    {
        return $this->map->technology === Technology::Core ? 'plane' : 'chip';
    }

    /** One cell, one row, one column, one half, or everywhere. */
    private function where(Hypothesis $it): string
    {
        $and = $or = null;
        foreach ($it->pairs as $pair) {
            if (isset($this->locator->cells[$pair])) {
                [$pairAnd, $pairOr] = $this->locator->cells[$pair];
                $and = $and === null ? $pairAnd : $and & $pairAnd;
                $or = $or === null ? $pairOr : $or | $pairOr;
            }
        }
        if ($and === null || $or === null) {
            return 'at addresses that the test does not say';
        }
        $bank = $this->map->banks[$this->map->byName["\0{$it->bank}"]];
        $moving = $and ^ $or;
        $all = (1 << max(0, strlen(decbin(max(0, $bank->words - 1))))) - 1;
        $column = (1 << ($bank->columnBits ?? 0)) - 1;
        $constant = $all & ~$moving;
        $top = strlen(decbin($constant)) - 1;
        $core = $this->map->technology === Technology::Core;

        return match (true) {
            $moving === 0 => "in one cell, {$and}",
            $bank->rowBits !== null && ($moving & ~$column) === 0 => $core ? 'on one X line' : 'in one row, '.($and >> (int) $bank->columnBits),
            $bank->rowBits !== null && ($moving & $column) === 0 => $core ? 'on one Y line' : 'in one column, '.($and & $column),
            $constant !== 0 => 'in one half: cell bit '.$top.' is always '.($and >> $top & 1),
            default => 'everywhere',
        };
    }

    private function unfitted(Hypothesis $it): string
    {
        $value = $this->locator->constant[$this->map->byName["\0{$it->bank}"]] ?? false;

        return is_int($value) ? ' Every wrong word reads '.$this->map->radix->format($value).': is it fitted at all?' : '';
    }

    /** @param list<int> $bits */
    private static function bits(array $bits): string
    {
        return (count($bits) === 1 ? 'bit ' : 'bits ').implode(', ', array_map(self::bit(...), $bits));
    }

    public static function bit(int $bit): string
    {
        return $bit === Bank::P ? 'P' : (string) $bit;
    }

    /**
     * @param list<Hypothesis> $suspects
     *
     * @return list<string>
     */
    public function reasons(array $suspects): array
    {
        $reasons = ["{$this->locator->errors} errors, {$this->locator->unmapped} of them outside the banks that were tested"];
        if ($suspects === []) {
            return [...$reasons, 'no error falls on a bit of the map'];
        }
        $first = $suspects[0];
        $reasons[] = 'best: '.Notation::plain($first->probability * 100, 4).' %';
        if (isset($suspects[1]) && $suspects[1]->probability > $first->probability / 10) {
            $reasons[] = 'not settled against '.$this->called($suspects[1]).' with '.Notation::plain($suspects[1]->probability * 100, 3)
                .' %: '.$this->settledBy($first, $suspects[1]);
        }

        return $reasons;
    }

    /** What a kind of suspect is called in a list. */
    public static function kind(SuspectKind $kind, Map $map): string
    {
        $chip = $map->technology === Technology::Core ? 'plane' : 'chip';

        return match ($kind) {
            SuspectKind::Chip => $chip,
            SuspectKind::ChipPart => "one output of a {$chip}",
            SuspectKind::SeveralChips => "several {$chip}s",
            default => str_replace('_', ' ', $kind->value),
        };
    }

    /** The suspect in two or three words. */
    public function called(Hypothesis $it): string
    {
        return match ($it->kind) {
            SuspectKind::Chip, SuspectKind::ChipPart => "{$this->chip()} {$it->ref}".($it->kind === SuspectKind::ChipPart ? ', '.self::bits($it->bits) : ''),
            SuspectKind::DataLine => 'data line '.self::bits($it->bits),
            SuspectKind::Bank => "bank {$it->bank}",
            SuspectKind::Everything => 'everything at once',
            SuspectKind::AddressLine => count($it->addressBits) === 2
                ? "the address pin of cell bits {$it->addressBits[0]} and {$it->addressBits[1]}"
                : "address line {$it->addressBits[0]}",
            default => count($it->refs).' '.$this->chip().'s at once',
        };
    }

    /** The test that tells two suspects apart. */
    public function settledBy(Hypothesis $one, Hypothesis $other): string
    {
        $kinds = [$one->kind, $other->kind];
        $has = static fn (SuspectKind ...$of): bool => array_filter($kinds, static fn (SuspectKind $kind): bool => in_array($kind, $of, true)) !== [];
        $chip = $has(SuspectKind::Chip, SuspectKind::ChipPart);
        $ref = in_array($one->kind, [SuspectKind::Chip, SuspectKind::ChipPart], true) ? $one->ref : $other->ref;

        return match (true) {
            $has(SuspectKind::AddressLine)
                && $this->pattern !== Pattern::Mix => 'run the mix pattern: an address line shows many different wrong bits there, a chip '
                    .'or a data line does not',
            $has(SuspectKind::AddressLine) => 'test a second bank: an address line is wrong in both',
            $chip && $has(SuspectKind::DataLine) => "exchange {$ref} with a neighbour: with the {$this->chip()} the error moves, with the line it stays",
            $chip
                && $has(
                    SuspectKind::Bank,
                    SuspectKind::Everything,
                ) => "exchange {$ref} with one of a good bank: with the {$this->chip()} the error moves, with the select or the supply it stays",
            $has(SuspectKind::Chip) && $has(SuspectKind::ChipPart) => 'run more passes: one output alone keeps to its bit, and the action is the same',
            $has(SuspectKind::SeveralChips) => 'swap one of them and repeat: what several share does not move with one',
            $has(SuspectKind::Bank) && $has(SuspectKind::Everything) => 'test another bank alone: when it is good the supply and the clock are',
            $has(SuspectKind::Bank) && $has(SuspectKind::DataLine) => 'test another bank: a data line is wrong there too',
            default => 'test more banks and more passes, then look again',
        };
    }

    /** What speaks against a suspect: what it predicts and nobody saw, and what was seen and it does not predict. */
    public function against(Hypothesis $it): string
    {
        $unseen = array_values(array_filter($it->pairs, fn (int $pair): bool => !isset($this->locator->seen[$pair])));
        $beside = array_values(array_diff(array_keys($this->locator->seen), $it->pairs));
        $says = [];
        if ($unseen !== []) {
            $says[] = count($unseen).' of '.count($it->pairs).' bits that it would spoil show nothing: '.$this->pairs($unseen);
        }
        if ($beside !== []) {
            sort($beside);
            $says[] = 'errors also on '.$this->pairs($beside);
        }

        return $says === [] ? 'nothing' : implode('; ', $says);
    }

    /** @param list<int> $pairs */
    private function pairs(array $pairs): string
    {
        $byBank = [];
        foreach ($pairs as $pair) {
            $byBank[intdiv($pair, Locator::WIDTH)][] = $pair % Locator::WIDTH;
        }
        $says = array_map(
            fn (int $bank, array $bits): string => "bank {$this->map->banks[$bank]->name} ".(count($bits) > 6 ? count($bits).' bits' : self::bits($bits)),
            array_keys($byBank),
            $byBank,
        );

        return implode(', ', array_slice($says, 0, 3)).(count($says) > 3 ? ' and '.(count($says) - 3).' more banks' : '');
    }
}
