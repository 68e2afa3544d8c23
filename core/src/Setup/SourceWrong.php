<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Text;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;

/** A source that proved wrong about a setting of a device: what it says, and what is so. */
final readonly class SourceWrong implements EntryData
{
    public const KIND = 'source_wrong';
    public const LINE = 'wrong serial card JP3: the leaflet in its box says 1-2 is 4; it is 3';

    public function __construct(
        #[Text(80)] public string $device,
        #[Text(40)] public string $block,
        #[Text(300)] public string $says,
        #[Text(160)] public string $is,
    ) {
    }

    /** "serial card JP3: the leaflet in its box says 1-2 is 4; it is 3": the last word before the colon is the block. */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(.{1,80})\s+(\S{1,40})\s*:\s*(.+?)\s*;\s*(.+)$/su', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }

        return new LineSaid(self::KIND, '', (object) ['device' => trim($m[1]), 'block' => $m[2], 'says' => $m[3], 'is' => $m[4]]);
    }

    public function sentence(string $text): string
    {
        return "Wrong about {$this->block} of {$this->device}: {$this->says}; {$this->is}";
    }

    /** By which it is found again at the same setting of the same device. */
    public function key(): string
    {
        return self::at($this->device, $this->block);
    }

    public static function at(string $device, string $block): string
    {
        return mb_strtolower("{$device}\0{$block}");
    }
}
