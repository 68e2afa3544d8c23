<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Logbook\EntryData;

/** A person judges otherwise than the product did, with a reason. Both stay. */
final readonly class Overruled implements EntryData
{
    public const KIND = 'overruled';

    /**
     * @param string  $of      the entry whose verdict it is
     * @param string  $says    the person's verdict
     * @param ?string $verdict that was overruled
     */
    public function __construct(
        #[Id]
        public string $of,
        #[Text(80)]
        public string $says,
        #[Text(500)]
        public string $reason,
        #[Kept]
        #[Text(40)]
        public ?string $verdict = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return 'Overruled'.($this->verdict === null ? '' : " {$this->verdict}").": {$this->says}, because {$this->reason}";
    }
}
