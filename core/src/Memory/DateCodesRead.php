<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;

/** Date codes read off the chips of a memory. */
final readonly class DateCodesRead implements EntryData
{
    public const KIND = 'date_codes';

    /**
     * @param string                   $map     key of the memory in the description
     * @param string                   $codes   as it was written: "U30-U36 8213, U37 8630"
     * @param array<array-key, string> $byChip
     * @param array<array-key, string> $younger chips that came later, with words
     */
    public function __construct(
        #[Text(40)]
        public string $map,
        #[Text(4000)]
        public string $codes,
        #[Kept]
        #[Name]
        public string $name = '',
        #[Kept]
        #[WordsByChip]
        public array $byChip = [],
        #[Kept]
        #[Text]
        public ?string $built = null,
        #[Kept]
        #[WordsByChip]
        public array $younger = [],
    ) {
    }

    /** @throws \Ash\Document\InvalidDocument at /data/codes */
    public function understood(FittedMemory $memory): self
    {
        $codes = DateCode::list(Node::of($this->codes, '/data/codes'), $memory->map);
        $history = DateCode::history($codes);

        return Shape::of(self::class)->with(
            $this,
            ['name' => $memory->name, 'byChip' => $codes, 'built' => $history['built'], 'younger' => $history['younger']],
        );
    }

    public function sentence(string $text): string
    {
        return "Date codes of {$this->name}".($this->built === null ? '' : ": built {$this->built}")
            .implode('', array_map(static fn (int|string $ref, string $says): string => "; {$ref} {$says}", array_keys($this->younger), $this->younger));
    }
}
