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

    public function text(Suspect $it): string
    {
        $bits = self::bits($it->bits);

        return match ($it->kind) {
            'chip' => ucfirst($this->chip())." {$it->ref} in bank {$it->bank} ({$bits}): its errors sit {$this->where($it)}.",
            'chip_part' => "One output of {$this->chip()} {$it->ref} in bank {$it->bank}: {$bits} alone, the others hold. Its errors sit {$this->where($it)}.",
            'data_line' => "Data line {$bits}: wrong in every bank that has it.",
            'bank' => "Bank {$it->bank} as a whole.".$this->unfitted($it),
            'everything' => 'Everything at once: supply, clock, or the test itself.',
            'address_line' => count($it->addressBits) === 2
                ? "Address pin that carries cell bits {$it->addressBits[0]} and {$it->addressBits[1]}: wrong words belong to the cells with the two tied together."
                : "Address line {$it->addressBits[0]}: wrong words belong to the address with this bit the other way round.",
            default => count($it->refs).' '.$this->chip().'s at once: '.implode(', ', $it->refs).'.',
        };
    }

    public function action(Suspect $it): string
    {
        return match ($it->kind) {
            'chip', 'chip_part' => str_contains($this->where($it), 'everywhere') ? "Reseat {$it->ref}; then measure its supply pins; then swap it with a neighbour that tests good and see the error move." : "Swap {$it->ref} with a neighbour that tests good: the error must move with it.",
            'data_line' => 'Follow the line to its buffer or latch before any chip is pulled.',
            'bank' => 'Follow the select line, the '.($this->map->technology === 'dram' ? 'RAS and CAS drivers' : 'drivers').', the supply pins of the bank, and look at the size jumpers.',
            'everything' => 'Measure the rails at the chips and look at the clock; then repeat the test from cold.',
            'address_line' => $it->certain || $this->pattern === Pattern::Mix ? 'Follow the address line to its buffer'.(count($it->addressBits) === 2 ? ' or multiplexer' : '').' and look at the pin.' : 'Run the mix pattern: with one difference value a chip or a data line could still imitate this.',
            default => 'Reseat them all, measure the supply they share, then swap one at a time.',
        };
    }

    private function chip(): string
    {
        return $this->map->technology === 'core' ? 'plane' : 'chip';
    }

    /** One cell, one row, one column, one half, or everywhere. */
    private function where(Suspect $it): string
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
        $core = $this->map->technology === 'core';

        return match (true) {
            $moving === 0 => "in one cell, {$and}",
            $bank->rowBits !== null && ($moving & ~$column) === 0 => $core ? 'on one X line' : 'in one row, '.($and >> (int) $bank->columnBits),
            $bank->rowBits !== null && ($moving & $column) === 0 => $core ? 'on one Y line' : 'in one column, '.($and & $column),
            $constant !== 0 => 'in one half: cell bit '.$top.' is always '.($and >> $top & 1),
            default => 'everywhere',
        };
    }

    private function unfitted(Suspect $it): string
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
     * @param list<Suspect> $suspects
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
            $reasons[] = "not settled against {$suspects[1]->kind} with ".Notation::plain($suspects[1]->probability * 100, 3).' %: '.lcfirst($this->action($first));
        }

        return $reasons;
    }
}
