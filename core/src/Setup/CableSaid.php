<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Shaped;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** The floppy cable of a job from the host on, as it hangs there; the last word on it counts. */
final readonly class CableSaid implements EntryData, Settled
{
    public const KIND = 'cable';
    public const LINE = 'cable 2 units change: near 1, far 1 twist terminated ready';
    private const MOST = 4;
    private const MARKS = ['twist', 'terminated', 'open', 'ready', 'change'];

    /** @param list<CableDrive> $drives */
    public function __construct(
        #[Shaped(CableHost::class)] public CableHost $host,
        #[ListOf(new Shaped(CableDrive::class), most: self::MOST)] public array $drives,
    ) {
    }

    public function settled(Node $read): static
    {
        Floppy::read($read);

        return $this;
    }

    /**
     * "2 units change: near 1, far 1 twist terminated ready": what the host knows and waits for, then the drives along the cable with their
     * selects; who lies behind one that is behind the twist is so too.
     */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(\d)\s*units?(?:\s+(ready|change|any))?\s*:\s*(.+)$/isu', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }
        $drives = [];
        $behind = false;
        $marks = implode('|', self::MARKS);
        foreach (preg_split('/\s*,\s*/', trim($m[3], " \t,")) ?: [] as $said) {
            preg_match("/^(.{1,120}?)\\s+(?:select\\s*)?(\\d)((?:\\s+(?:{$marks}))*)$/isu", $said, $drive) === 1 || throw UnclearLine::write(self::LINE);
            $has = preg_split('/\s+/', mb_strtolower(trim($drive[3]))) ?: [];
            $behind = $behind || in_array('twist', $has, true);
            $pin = array_values(array_intersect($has, array_column(Pin34::cases(), 'value')));
            $ends = array_values(array_intersect($has, ['terminated', 'open']));
            $drives[] = (object) (['name' => trim($drive[1]), 'select' => (int) $drive[2], 'behind_twist' => $behind]
                + ($ends === [] ? [] : ['terminated' => $ends[0] === 'terminated']) + ($pin === [] ? [] : ['pin34' => $pin[0]]));
        }
        $pin = Pin34::tryFrom(mb_strtolower($m[2]));

        return new LineSaid(self::KIND, '', (object) [
            'host' => (object) (['units' => (int) $m[1]] + ($pin === null ? [] : ['pin34' => $pin->value])), 'drives' => $drives,
        ]);
    }

    public function floppy(): Floppy
    {
        return Floppy::read(Node::of((object) Shape::of(self::class)->write($this)));
    }

    /** The cable after selects, terminators and pin 34 are set so that nothing clashes; its selects stay when more drives hang on it than the host knows. */
    public function mended(): self
    {
        $new = array_column($this->floppy()->changes() ?? [], 'to', 'name');
        $last = count($this->drives) - 1;

        return new self($this->host, array_map(fn (CableDrive $it, int $i): CableDrive => Shape::of(CableDrive::class)->with($it, [
            'select' => $new[$it->name] ?? $it->select, 'terminated' => $it->terminated === null ? null : $i === $last,
            'pin34' => $it->pin34 === null ? null : $this->host->pin34 ?? $it->pin34,
        ]), $this->drives, array_keys($this->drives)));
    }

    /** @return list<string> */
    public function moves(): array
    {
        $moves = [];
        foreach ($this->mended()->drives as $i => $to) {
            $it = $this->drives[$i];
            $it->select === $to->select || $moves[] = "set {$it->name} to select {$to->select} (it stands on {$it->select})";
            $it->pin34 === $to->pin34 || $moves[] = "set pin 34 of {$it->name} to {$to->pin34?->value}";
            $it->terminated === $to->terminated || $moves[] = $to->terminated === true ? "terminate {$it->name}" : "take the terminator off {$it->name}";
        }

        return $moves;
    }

    public function sentence(string $text): string
    {
        return "Floppy cable, {$this->host->units} ".($this->host->units === 1 ? 'unit' : 'units')
            .($this->host->pin34 === null ? '' : " waiting for {$this->host->pin34->value}").': '
            .implode(', ', array_map(static fn (CableDrive $it): string => $it->words(), $this->drives));
    }
}
