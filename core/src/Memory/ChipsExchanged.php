<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Id;
use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;

/** Two chips exchanged, with what should follow. */
final readonly class ChipsExchanged implements EntryData
{
    public const KIND = 'swap';

    /** @param string $run the memory test that made the suspicion */
    public function __construct(
        #[Id]
        public string $run,
        #[Text(60)]
        public string $from,
        #[Text(60)]
        public string $to,
        #[Kept]
        #[Name]
        public string $map = '',
        #[Kept]
        #[Name]
        public string $name = '',
        #[Kept]
        #[Text]
        public string $predicts = '',
    ) {
    }

    public function predicted(FittedMemory $memory, string $predicts): self
    {
        return Shape::of(self::class)->with($this, ['map' => $memory->key, 'name' => $memory->name, 'predicts' => $predicts]);
    }

    public function sentence(string $text): string
    {
        return "Exchanged {$this->from} and {$this->to}. {$this->predicts}";
    }
}
