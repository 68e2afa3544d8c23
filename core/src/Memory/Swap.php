<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * Two chips exchanged: a fault of the chip moves with it, a fault of the socket, the line or the supply stays. Designators name
 * sockets; the chip that came from one is called so.
 */
final readonly class Swap
{
    private function __construct(private FittedMemory $memory, public string $from, public string $to)
    {
    }

    /** @throws \Ash\Document\InvalidDocument */
    public static function between(FittedMemory $memory, \Ash\Document\Node $from, \Ash\Document\Node $to): self
    {
        foreach ([$from, $to] as $node) {
            isset($memory->map->byRef["\0{$node->text(60)}"]) || $node->refuse("there is no chip \"{$node->text(60)}\" in {$memory->name}");
        }
        $from->string() !== $to->string() || $to->refuse('must be another chip');
        $swap = new self($memory, $from->string(), $to->string());
        count($swap->chip($swap->from)->bits) === count($swap->chip($swap->to)->bits) || $to->refuse("gives another number of bits than {$from->string()}");

        return $swap;
    }

    /** The nearest neighbour in the sockets that gave as many bits and no error. */
    public static function suggest(FittedMemory $memory, string $suspect, Seen $seen): ?self
    {
        $places = [];
        foreach ($memory->sockets as $row => $sockets) {
            foreach ($sockets as $column => $ref) {
                $ref === null || $places[$ref] = [$row, $column];
            }
        }
        $best = null;
        foreach ($memory->map->banks as $bank) {
            foreach ($bank->chips as $chip) {
                $swap = new self($memory, $suspect, $chip->ref);
                if ($chip->ref === $suspect
                    || $seen->on($chip->ref) > 0
                    || count($chip->bits) !== count($swap->chip($suspect)->bits)
                    || ($chip->bits === [Bank::P]) !== ($swap->chip($suspect)->bits === [Bank::P])) {
                    continue;
                }
                $far = 100 * abs($places[$chip->ref][0] - $places[$suspect][0]) + abs($places[$chip->ref][1] - $places[$suspect][1]);
                if ($best === null || $far < $best[0]) {
                    $best = [$far, $swap];
                }
            }
        }

        return $best[1] ?? null;
    }

    /** @param Seen $before the run that made the suspicion */
    public function predicts(Seen $before): string
    {
        $moves = [];
        foreach ($this->moves($before) as [$here, $there]) {
            $moves[] = "from bank {$here[0]} bit ".SuspectWords::bit($here[1])." to bank {$there[0]} bit ".SuspectWords::bit($there[1]);
        }

        return "If the chip in {$this->from} is bad, its errors move with it to {$this->to}: ".implode(', ', $moves)
            .'. If they stay, it is the socket, the line or the supply.';
    }

    /** @return array{SwapVerdict, string} with the words for it */
    public function judge(Seen $before, Seen $after): array
    {
        $stay = $moved = 0;
        foreach ($this->moves($before) as [$here, $there]) {
            $stay += $after->at(...$here);
            $moved += $after->at(...$there);
        }
        $name = "the chip that was in {$this->from}";

        return match (true) {
            $moved > 0 && $stay === 0 => [SwapVerdict::Confirmed, "Confirmed: the errors moved to {$this->to}. It is {$name}: replace it."],
            $moved === 0 && $stay > 0 => [
                SwapVerdict::Stayed,
                "Refuted: the errors stayed at {$this->from}. It is not {$name}: look at its socket, its supply pins and its lines.",
            ],
            $moved > 0 => [
                SwapVerdict::Both,
                "Neither alone: errors at {$this->from} and at {$this->to}. Two faults, or a fault that both share: follow what they share.",
            ],
            default => [
                SwapVerdict::Gone,
                "Gone: no error at {$this->from} nor at {$this->to}. Reseating may have cured a contact: soak it before anything is replaced.",
            ],
        };
    }

    /** @return list<array{array{string, int}, array{string, int}}> bank and bit of the chip's own errors, and where they go; all its bits when none was seen */
    private function moves(Seen $before): array
    {
        $from = $this->chip($this->from)->bits;
        $to = $this->chip($this->to)->bits;
        $here = $this->bank($this->from);
        $there = $this->bank($this->to);
        $seen = array_filter(array_keys($from), static fn (int $i): bool => $before->at($here, $from[$i]) > 0);

        return array_map(static fn (int $i): array => [[$here, $from[$i]], [$there, $to[$i]]], array_values($seen === [] ? array_keys($from) : $seen));
    }

    private function chip(string $ref): Chip
    {
        [$bank, $chip] = $this->memory->map->byRef["\0{$ref}"];

        return $this->memory->map->banks[$bank]->chips[$chip];
    }

    private function bank(string $ref): string
    {
        return $this->memory->map->banks[$this->memory->map->byRef["\0{$ref}"][0]]->name;
    }
}
