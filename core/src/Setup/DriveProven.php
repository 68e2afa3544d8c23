<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;

/** A scratch disk in a drive that damaged disks: with clean heads and passed it may be used again. */
final readonly class DriveProven implements EntryData, Settled
{
    public const KIND = 'drive_proven';
    public const LINE = 'proven drive A: cleaned, passed';

    /**
     * @param bool $cleaned both heads, before the scratch disk
     * @param bool $passed  the scratch disk came out unharmed, and read back
     */
    public function __construct(#[Name] public string $drive, public bool $cleaned, public bool $passed)
    {
    }

    public function settled(Node $read): static
    {
        $this->cleaned || !$this->passed || $read->at('cleaned')->refuse('clean both heads first: what was scraped off sits on them');

        return $this;
    }

    /** "drive A: cleaned, passed", or "drive A: cleaned, scratched again". */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(.{1,120}?)\s*:\s*(.+)$/su', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }

        return new LineSaid(self::KIND, '', (object) [
            'drive' => trim($m[1]), 'cleaned' => preg_match('/\bcleaned\b/iu', $m[2]) === 1,
            'passed' => preg_match('/\bpassed\b/iu', $m[2]) === 1 && preg_match('/\bnot\s+passed\b/iu', $m[2]) === 0,
        ]);
    }

    public function sentence(string $text): string
    {
        return "{$this->drive}, ".($this->cleaned ? 'cleaned' : 'not cleaned').', with a scratch disk: '.($this->passed ? 'passed' : 'damaged it too');
    }
}
