<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Between;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;

/** A hypothesis with all that is said of it. */
final readonly class LocatedSuspect
{
    /**
     * @param list<string>     $refs
     * @param list<int|string> $bits
     * @param list<int>        $addressBits
     * @param float            $explains    share of the errors
     */
    public function __construct(
        #[Whole(1)]
        public int $rank,
        public SuspectKind $kind,
        #[Name]
        public ?string $ref,
        #[ListOf(new Name())]
        public array $refs,
        #[Name]
        public ?string $bank,
        #[ListOf(new BitName())]
        public array $bits,
        #[ListOf(new Whole(0))]
        public array $addressBits,
        #[Between(0, 1)]
        public float $explains,
        #[Between(0, 1)]
        public float $probability,
        #[Text]
        public string $text,
        #[Text]
        public string $action,
        #[Text]
        public string $against = '',
        #[Text]
        public string $called = '',
    ) {
    }

    /** @return list<string> sockets to mark for it; none for what is no chip's */
    public function onChips(): array
    {
        return $this->isOneChip() || $this->kind === SuspectKind::SeveralChips ? $this->refs : [];
    }

    /** A chip, or one of its outputs: something that can be exchanged with a neighbour. */
    public function isOneChip(): bool
    {
        return $this->kind === SuspectKind::Chip || $this->kind === SuspectKind::ChipPart;
    }
}
