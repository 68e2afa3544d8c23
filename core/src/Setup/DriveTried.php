<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;
use Ash\Quantity\Notation;

/** One way of getting at a drive, and what came of it. */
final readonly class DriveTried implements EntryData
{
    public const KIND = 'drive_try';
    public const LINE = 'attempt disc 1: its own controller, works, 20.1 MB, 180 kB/s, 3 bad';
    private const MOST = 1_000_000_000;

    /**
     * @param string $way the controller, the cable, the adapter
     * @param ?float $mb  that were counted, in MB
     * @param ?float $kbS that were measured, in kB/s
     * @param ?int   $bad sectors that could not be read
     */
    public function __construct(
        #[Name] public string $drive,
        #[Text(160)] public string $way,
        public TryOutcome $outcome,
        #[NotNegative] public ?float $mb = null,
        #[Positive] public ?float $kbS = null,
        #[Whole(0, self::MOST)] public ?int $bad = null,
    ) {
    }

    /** "disc 1: its own controller, works, 20.1 MB, 180 kB/s, 3 bad". */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(.{1,120}?)\s*:\s*(.+)$/su', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }
        $data = ['drive' => trim($m[1])];
        foreach (preg_split('/\s*,\s+/', trim($m[2], " \t,")) ?: [] as $i => $said) {
            $figure = static fn (string $it): float => (float) strtr($it, ',', '.');
            match (true) {
                $i === 0 => $data['way'] = $said,
                preg_match('/^(\d{1,7}(?:[.,]\d{1,3})?)\s*MB$/iD', $said, $n) === 1 => $data['mb'] = $figure($n[1]),
                preg_match('/^(\d{1,7}(?:[.,]\d{1,3})?)\s*kB\/s$/iD', $said, $n) === 1 => $data['kb_s'] = $figure($n[1]),
                preg_match('/^(\d{1,9})\s*bad(?:\s+sectors?)?$/iD', $said, $n) === 1 => $data['bad'] = (int) $n[1],
                TryOutcome::said($said) !== null => $data['outcome'] = TryOutcome::said($said)->value,
                default => throw UnclearLine::write(self::LINE),
            };
        }
        isset($data['outcome']) || throw UnclearLine::write(self::LINE.' (works, in part, sounds bad or nothing)');

        return new LineSaid(self::KIND, '', (object) $data);
    }

    /** @return array{int, float, float, float} the greater the better: how it went, what could not be read, what was counted, how fast */
    public function worth(): array
    {
        $went = [TryOutcome::Works->value => 2, TryOutcome::Partly->value => 1, TryOutcome::Noisy->value => 1];

        return [$went[$this->outcome->value] ?? 0, -(float) $this->bad, $this->mb ?? 0.0, $this->kbS ?? 0.0];
    }

    /** @return list<string> the figures of it, in words */
    public function figures(): array
    {
        return array_values(array_filter([
            $this->mb === null ? null : Notation::plain($this->mb, 6).' MB counted',
            $this->kbS === null ? null : Notation::plain($this->kbS, 4).' kB/s',
            $this->bad === null ? null : "{$this->bad} bad ".($this->bad === 1 ? 'sector' : 'sectors'),
        ], is_string(...)));
    }

    public function sentence(string $text): string
    {
        return implode(', ', ["Drive {$this->drive} by {$this->way}: {$this->outcome->words()}", ...$this->figures()]);
    }
}
