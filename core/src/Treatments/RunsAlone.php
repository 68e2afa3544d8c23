<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Name;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Quantity\Notation;

/** Something that goes on by itself: drying, charging, a soak, a burn-in, glue. */
final readonly class RunsAlone implements EntryData
{
    public const KIND = 'runs';
    public const LINE = 'runs 24 h drying of the board in oven';
    private const MINUTES = ['min' => 1, 'h' => 60, 'd' => 1440];

    /**
     * @param float   $minutes  until its end, or the next look
     * @param ?string $occupies instrument, vessel or place
     */
    public function __construct(
        #[Text(160)] public string $what,
        #[Positive] public float $minutes,
        #[Name] public ?string $occupies = null,
        #[Kept] public ?\DateTimeImmutable $dueAt = null,
    ) {
    }

    /** A line that says no time is kept as what was seen. */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(\d{1,5}(?:[.,]\d{1,2})?)\s*(min|h|d)\b[:,]?\s+(.+?)(?:\s+in\s+(\S.*))?$/isu', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }
        $minutes = (float) strtr($m[1], ',', '.') * self::MINUTES[strtolower($m[2])];

        return new LineSaid(self::KIND, '', (object) (['what' => trim($m[3]), 'minutes' => $minutes] + (isset($m[4]) ? ['occupies' => trim($m[4])] : [])));
    }

    public function from(\DateTimeImmutable $at): self
    {
        return Shape::of(self::class)->with($this, ['dueAt' => $at->modify(sprintf('+%d seconds', (int) round($this->minutes * 60)))]);
    }

    public function sentence(string $text): string
    {
        $long = $this->minutes < 60 ? Notation::plain($this->minutes, 3).' min' : Notation::plain($this->minutes / 60, 3).' h';

        return "Runs: {$this->what}, {$long}".($this->occupies === null ? '' : ", in {$this->occupies}");
    }
}
