<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Moment;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;

/** By when a job is promised back; the last word counts, and closing the job ends it. */
final readonly class Promised implements EntryData
{
    public const KIND = 'promised';
    public const LINE = 'promised 2027-03-05';
    private const EVENING = '17:00';

    public function __construct(#[Moment] public \DateTimeImmutable $by)
    {
    }

    /** "2027-03-05", "by 2027-03-05 12:30"; of a day alone its end of work is meant, in universal time. */
    public static function said(string $body, string $line): LineSaid
    {
        return preg_match('/^(?:(?:by|for|until)\s+)?(\d{4}-\d\d-\d\d)(?:[ T](\d\d:\d\d))?$/iD', trim($body), $m) === 1
            ? new LineSaid(self::KIND, '', (object) ['by' => "{$m[1]}T".($m[2] ?? self::EVENING).':00Z'])
            : LineSaid::observation($line);
    }

    public function sentence(string $text): string
    {
        return 'Promised by '.$this->by->format('j M Y, H:i').' UTC'.($text === '' ? '' : ": {$text}");
    }
}
