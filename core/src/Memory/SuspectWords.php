<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Quantity\Notation;

/** What a suspect means and what to do about it. The nouns come from the map's technology. */
final readonly class SuspectWords
{
    /** Mapped errors below which no part is named. */
    private const FEW = 3;

    /** A half is spoken of when chance would leave a bit the same in fewer cases than this. */
    private const CHANCE = 0.05;

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
            SuspectKind::DataBridge => "Data lines {$it->bits[0]} and {$it->bits[1]} touch: where one is wrong both read alike. Look for a whisker of "
                .'solder, a bent pin.',
            SuspectKind::Bank => "Bank {$it->bank} as a whole.".$this->unfitted($it),
            SuspectKind::Everything => 'Everything at once: supply, clock, or the test itself.',
            SuspectKind::AddressLine => count($it->addressBits) === 2
                ? "Address pin that carries cell bits {$it->addressBits[0]} and {$it->addressBits[1]}: wrong words belong to the cells with "
                    .'the two tied together.'
                : "Address line {$it->addressBits[0]}: wrong words belong to the address with this bit the other way round.",
            SuspectKind::AddressBridge => "Address lines {$it->addressBits[0]} and {$it->addressBits[1]} touch, and make a logical {$it->op}: three of four "
                .'cells have become one. Look for a whisker of solder, a bent pin.',
            SuspectKind::DriveLine => "Drive line {$it->ref} of bank {$it->bank}: nearly all errors lie on it, in many cells and on several planes.",
            SuspectKind::SeveralChips => count($it->refs).' '.$this->chip().'s at once: '.implode(', ', $it->refs).'.',
        };
    }

    /** @param bool $top it heads the list: few errors and stops come before a part is named */
    public function action(Hypothesis $it, bool $top): string
    {
        return ($top && $this->few() ? 'Repeat the test: '.$this->locator->mapped().' errors are too few to name a part. ' : '')
            .($top && $this->locator->stops !== [] ? $this->stop().' ' : '').$this->work($it);
    }

    /** Fewer errors than name a part. */
    public function few(): bool
    {
        return $this->locator->mapped() < self::FEW;
    }

    /** A stop says that a word is wrong, and not where. */
    private function stop(): string
    {
        return $this->map->exchangeable()
            ? 'A parity stop leaves all the word\'s chips alike: find the address and the data, or exchange half the row with another bank and see '
                .'whether the stop moves.'
            : 'A parity stop leaves all the word\'s chips alike: find the address and the data: watch the data lines where it stops.';
    }

    private function work(Hypothesis $it): string
    {
        return match ($it->kind) {
            SuspectKind::Chip, SuspectKind::ChipPart => $this->onChip($it),
            SuspectKind::DataLine => 'Follow the line to its buffer or latch before any '.$this->chip().' is '
                .($this->map->exchangeable() ? 'pulled.' : 'touched.'),
            SuspectKind::DataBridge => 'Look along both lines under light, then measure between them with the power off.'.$this->alikeUnderFold(),
            SuspectKind::Bank => 'Follow the select line, the '.($this->map->technology === Technology::Dram ? 'RAS and CAS drivers' : 'drivers')
                .', the supply pins of the bank, and look at the size jumpers.',
            SuspectKind::Everything => 'Measure the rails at the chips and look at the clock; then repeat the test from cold.',
            SuspectKind::AddressLine => $it->certain || $this->pattern === Pattern::Mix
                ? 'Follow the address line to its buffer'.(count($it->addressBits) === 2 ? ' or multiplexer' : '').' and look at the pin.'
                : 'Run the mix pattern: with one difference value a chip or a data line could still imitate this.',
            SuspectKind::AddressBridge => 'Look along both lines under light, then measure between them with the power off.'
                .($it->op === 'or' ? $this->alikeUnderFold() : ''),
            SuspectKind::DriveLine => 'Its driver, its diodes or the joint of that wire, before any plane. A test of that line alone looks the same: '
                .'test the whole bank.',
            SuspectKind::SeveralChips => $this->map->exchangeable()
                ? 'Reseat them all, measure the supply they share, then swap one at a time.'
                : 'Measure the supply and the signals that they share, then look at one after the other.',
        };
    }

    private function onChip(Hypothesis $it): string
    {
        $everywhere = str_contains($this->where($it), 'everywhere');

        return match (true) {
            $this->map->technology === Technology::Core => "The sense amplifier and the inhibit driver of {$it->ref} and their card first; the plane itself "
                .'comes last.',
            $this->map->mounting === Mounting::Soldered => "Measure the supply pins of {$it->ref} and the signals that its neighbours share; cold spray or "
                .'warmth on this one chip; then, with the power off, hold a good chip of the same type pin on pin over it (that proves something '
                .'only for an open output). Cut its legs before its pads are risked.',
            $everywhere => "Reseat {$it->ref}; then measure its supply pins; then swap it with a neighbour that tests good and see the error move.",
            default => "Swap {$it->ref} with a neighbour that tests good: the error must move with it.",
        };
    }

    /** Under fold a bridge of address lines can look like one of data lines. */
    private function alikeUnderFold(): string
    {
        return $this->locator->bridgesAlike() ? ' Run the mix pattern: under fold address lines that touch and data lines that touch look the same.' : '';
    }

    private function chip(): string
    {
        return $this->map->technology === Technology::Core ? 'plane' : 'chip';
    }

    /** One cell, one row, one column, one half, or everywhere. */
    private function where(Hypothesis $it): string
    {
        $cells = $this->locator->cellsOf($it->pairs);
        if ($cells === null) {
            return 'at addresses that the test does not say';
        }
        [$and, $or, $distinct] = $cells;
        $bank = $this->map->banks[$this->map->byName["\0{$it->bank}"]];
        $moving = $and ^ $or;
        $width = strlen(decbin(max(1, $bank->words - 1)));
        $column = (1 << ($bank->columnBits ?? 0)) - 1;
        $constant = ((1 << $width) - 1) & ~$moving;
        $top = strlen(decbin($constant)) - 1;
        $core = $this->map->technology === Technology::Core;

        return match (true) {
            $moving === 0 => "in one cell, {$and}",
            $bank->rowBits !== null && ($moving & ~$column) === 0 => $core ? 'on one X line' : 'in one row, '.($and >> (int) $bank->columnBits),
            $bank->rowBits !== null && ($moving & $column) === 0 => $core ? 'on one Y line' : 'in one column, '.($and & $column),
            $constant !== 0 && self::byChance($distinct, $width) < self::CHANCE => 'in one half: cell bit '.$top.' is always '.($and >> $top & 1),
            default => 'everywhere',
        };
    }

    /** The chance that some bit of n different addresses stays the same by itself: 1-(1-2^(1-n))^k for k bits. */
    private static function byChance(int $addresses, int $bits): float
    {
        return 1 - (1 - 2 ** (1 - $addresses)) ** $bits;
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
        foreach ($this->locator->stops as $bank => $count) {
            $reasons[] = "{$count} ".($count === 1 ? 'parity stop' : 'parity stops')
                ." in bank {$this->map->banks[$bank]->name}: any chip of its words may be bad";
        }
        !$this->few() || $reasons[] = 'few errors: repeat the test before a part is named';
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
            SuspectKind::DataBridge => "data lines {$it->bits[0]} and {$it->bits[1]} touching",
            SuspectKind::AddressBridge => "address lines {$it->addressBits[0]} and {$it->addressBits[1]} touching",
            SuspectKind::DriveLine => "drive line {$it->ref} of bank {$it->bank}",
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

        $line = [SuspectKind::AddressLine, SuspectKind::AddressBridge];
        if (!$this->map->exchangeable() && ($chip || $has(SuspectKind::SeveralChips)) && !$has(...$line)) {
            return 'watch its data output and its neighbours\' while the test runs: what they share shows on all of them';
        }

        return match (true) {
            $has(SuspectKind::DriveLine) => 'test the whole bank: a line of drives is wrong on every plane, a plane in every line',
            $has(SuspectKind::DataBridge) && $has(...$line) && $this->pattern !== Pattern::Mix => 'run the mix pattern: it tells address lines from data lines',
            $has(SuspectKind::DataBridge) => 'measure between the two lines with the power off',
            $has(...$line)
                && $this->pattern !== Pattern::Mix => 'run the mix pattern: an address line shows many different wrong bits there, a chip '
                    .'or a data line does not',
            $has(...$line) => 'test a second bank: an address line is wrong in both',
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
