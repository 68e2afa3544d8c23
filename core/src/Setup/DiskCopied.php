<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Logbook\EntryData;
use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;

/** A disk that was copied into an image, as one of a session. */
final readonly class DiskCopied implements EntryData
{
    public const KIND = 'disk_copied';
    public const LINE = 'copied SYS 3: sys3.img in drive A, 2 tries, 5 bad, aside';

    /**
     * @param string $disk    what is written on it
     * @param string $image   name of the file
     * @param int    $bad     sectors that no try could read
     * @param ?bool  $cleaned the drive was cleaned since the disk before
     * @param ?bool  $aside   the medium was set aside
     */
    public function __construct(
        #[Text(120)] public string $disk,
        #[Text(160)] public string $image,
        #[Name] public string $drive,
        #[Whole(1, 1000)] public int $tries,
        #[Whole(0, 1_000_000)] public int $bad,
        public ?bool $cleaned = null,
        public ?bool $aside = null,
    ) {
    }

    /** "SYS 3: sys3.img in drive A, 2 tries, 5 bad, aside": of tries one and of bad sectors none where nothing is said. */
    public static function said(string $body, string $line): LineSaid
    {
        if (preg_match('/^(.{1,120}?)\s*:\s*(\S{1,160})\s+in\s+([^,]{1,120}?)\s*((?:,.*)?)$/su', $body, $m) !== 1) {
            return LineSaid::observation($line);
        }
        $data = ['disk' => trim($m[1]), 'image' => $m[2], 'drive' => trim($m[3]), 'tries' => 1, 'bad' => 0];
        foreach (array_filter(preg_split('/\s*,\s*/', trim($m[4], " \t,")) ?: [], static fn (string $it): bool => $it !== '') as $said) {
            match (true) {
                preg_match('/^(\d{1,4})\s*(?:try|tries)$/iD', $said, $n) === 1 => $data['tries'] = (int) $n[1],
                preg_match('/^(\d{1,7})\s*bad(?:\s+sectors?)?$/iD', $said, $n) === 1 => $data['bad'] = (int) $n[1],
                preg_match('/^(?:drive\s+)?cleaned$/iD', $said) === 1 => $data['cleaned'] = true,
                preg_match('/^(?:set\s+)?aside$/iD', $said) === 1 => $data['aside'] = true,
                default => throw UnclearLine::write(self::LINE),
            };
        }

        return new LineSaid(self::KIND, '', (object) $data);
    }

    public function sentence(string $text): string
    {
        return "Copied {$this->disk} to {$this->image} in {$this->drive}: "
            .($this->bad === 0 ? 'whole' : "{$this->bad} bad ".($this->bad === 1 ? 'sector' : 'sectors'))
            .", {$this->tries} ".($this->tries === 1 ? 'try' : 'tries').($this->cleaned === true ? ', drive cleaned before' : '')
            .($this->aside === true ? ', disk set aside' : '');
    }
}
