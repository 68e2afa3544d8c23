<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Logbook\EntryData;
use Ash\Logbook\LineFacts;
use Ash\Logbook\LineRule;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/**
 * A run of swaps said in a line: "tried supply, board, card 1 as graphics: dark" is what is fitted, "swap graphics -> spare 2: works" changes
 * one thing of the set before, "swap graphics -> out: dark" takes it out. The record knows the set before.
 */
final readonly class SwapSaid implements EntryData, LineRule
{
    private const SWAP = 'swap graphics -> spare 2: dark, 1 long 2 short';
    private const SET = 'tried supply, board, card 1 as graphics: dark';
    private const BEEPS = '/\b(?:\d+\s*(?:x\s*)?(?:long|short)(?:[\s,]+(?:and\s+)?\d+\s*(?:x\s*)?(?:long|short))*)\b/iu';
    private const WORKS = '/^(works|work|alive|ok|good|fine)\b/iu';
    private const SOMETIMES = '/^(sometimes|now and then|comes and goes)\b/iu';

    /**
     * @param list<SwapFitted> $fitted the whole set; empty: one change of the set before
     * @param string           $role   whose part changes, or the part itself
     * @param ?string          $part   that comes in; null: none does
     */
    public function __construct(
        public array $fitted = [],
        public string $role = '',
        public ?string $part = null,
        public SwapOutcome $outcome = SwapOutcome::Fails,
        public ?string $beeps = null,
    ) {
    }

    public function read(string $line, LineFacts $facts): ?LineSaid
    {
        if (preg_match('/^(swap|tried)\b\s*(.*)$/ius', trim($line), $m) !== 1) {
            return null;
        }
        $set = mb_strtolower($m[1]) === 'tried';
        if (preg_match('/^(.+?)\s*:\s*(\S.*)$/us', $m[2], $said) !== 1) {
            throw UnclearLine::write($set ? self::SET : self::SWAP);
        }
        $outcome = match (1) {
            preg_match(self::WORKS, $said[2]) => SwapOutcome::Works,
            preg_match(self::SOMETIMES, $said[2]) => SwapOutcome::Sometimes,
            default => SwapOutcome::Fails,
        };
        $note = preg_match('/^(works?|fails?|sometimes)\W*$/iu', $said[2]) === 1 ? '' : $said[2];

        $beeps = preg_match(self::BEEPS, $note, $heard) === 1 ? $heard[0] : null;

        return new LineSaid(
            SwapTried::KIND,
            $note,
            $set ? new self(self::parts($said[1]), outcome: $outcome, beeps: $beeps) : self::change($said[1], $outcome, $beeps),
        );
    }

    /** @return non-empty-list<SwapFitted> */
    private static function parts(string $said): array
    {
        $parts = $seen = [];
        foreach (explode(',', $said) as $one) {
            [$id, $role] = [...array_map(trim(...), preg_split('/\s+as\s+/iu', trim($one), 2) ?: []), '', ''];
            if ($id === '' || isset($seen["\0{$id}"])) {
                throw UnclearLine::write(self::SET.' (each part once, with commas between them)');
            }
            $seen["\0{$id}"] = true;
            $parts[] = new SwapFitted($id, $role === '' ? $id : $role);
        }

        // "tried another lead: no change" is no set.
        if (count($parts) < 2) {
            throw UnclearLine::write(self::SET.' (two parts or more)');
        }

        return count($parts) <= Bounds::NAMES ? $parts : throw new UnclearLine('at most '.Bounds::NAMES.' parts are tried together');
    }

    private static function change(string $said, SwapOutcome $outcome, ?string $beeps): self
    {
        if (preg_match('/^(.+?)\s*(?:->|→|\bfor\b)\s*(.+)$/us', $said, $m) !== 1) {
            throw UnclearLine::write(self::SWAP.' (what, an arrow, what comes in; out for nothing)');
        }

        return new self(
            role: trim($m[1]),
            part: preg_match('/^(out|nothing|none)$/iu', trim($m[2])) === 1 ? null : trim($m[2]),
            outcome: $outcome,
            beeps: $beeps,
        );
    }

    public function examples(): array
    {
        return ['tried' => self::SET, 'swap' => self::SWAP];
    }

    public function completions(string $begun, LineFacts $facts): array
    {
        $begun = mb_strtolower($begun);

        return array_values(array_filter(['tried', 'swap'], static fn (string $it): bool => $begun !== '' && $it !== $begun && str_starts_with($it, $begun)));
    }

    /**
     * The run that it is, after the one before.
     *
     * @return ?SwapTried null when it changes what was not fitted
     */
    public function after(?SwapTried $before): ?SwapTried
    {
        if ($this->fitted !== []) {
            return new SwapTried($this->fitted, $this->outcome, beeps: $this->beeps);
        }
        $set = $before->parts ?? [];
        $at = null;
        foreach ($set as $i => $it) {
            if ($at === null && (strcasecmp($it->role, $this->role) === 0 || strcasecmp($it->id, $this->role) === 0)) {
                $at = $i;
            }
        }
        $role = $at === null ? $this->role : $set[$at]->role;
        if ($before === null || ($at === null && $this->part === null)) {
            return null;
        }
        $rest = array_values(array_filter($set, fn (SwapFitted $it, int $i): bool => $i !== $at && $it->id !== $this->part, ARRAY_FILTER_USE_BOTH));
        $new = $this->part === null ? [] : [new SwapFitted($this->part, $role)];

        return [...$rest, ...$new] === [] ? null : new SwapTried([...$rest, ...$new], $this->outcome, beeps: $this->beeps);
    }

    public function sentence(string $text): string
    {
        $what = $this->fitted === []
            ? "{$this->role} -> ".($this->part ?? 'out')
            : implode(', ', array_map(static fn (SwapFitted $it): string => $it->id, $this->fitted));

        return "{$what}: {$this->outcome->words()}";
    }
}
