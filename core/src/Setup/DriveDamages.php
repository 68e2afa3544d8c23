<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;

/** A drive that scratches or eats what is put into it: nothing more goes in until it is cleaned and has passed with a scratch disk. */
final readonly class DriveDamages implements EntryData
{
    public const KIND = 'drive_damages';
    public const LINE = 'damages drive A of the bench: a ring on side 0';
    /** What it leaves open. */
    public const OPEN = 'damages';

    /** @param ?bool $ours a drive of the bench, which is used on many jobs */
    public function __construct(#[Name] public string $drive, public ?bool $ours = null)
    {
    }

    /** "drive A: a ring on side 0"; "of the bench" when other jobs use it too. Something else than a drive damages only in words. */
    public static function said(string $body, string $line): LineSaid
    {
        preg_match('/^([^:]{1,120}?)(\s+of\s+the\s+bench)?\s*(?::\s*(.*))?$/isu', $body, $m);

        return preg_match('/\bdrive\b/iu', $m[1] ?? '') !== 1 ? LineSaid::observation($line) : new LineSaid(
            self::KIND,
            $m[3] ?? '',
            (object) (['drive' => trim($m[1])] + (($m[2] ?? '') === '' ? [] : ['ours' => true])),
        );
    }

    /** Why no disk may go into it. */
    public static function refuses(string $drive): string
    {
        return "{$drive} damages disks: clean both heads, then let it pass with a scratch disk, before another one goes in";
    }

    public function sentence(string $text): string
    {
        return "{$this->drive}".($this->ours === true ? ' of the bench' : '').' damages disks'.($text === '' ? '' : ": {$text}");
    }
}
