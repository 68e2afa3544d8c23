<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Shaped;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Node;
use Ash\Document\Settled;

/** A setting that a device of this kind has, wherever it stands on one of them. */
final readonly class KnownBlock implements Settled
{
    /**
     * @param list<WayToStand> $options
     * @param ?int             $length  of a range, in ports or bytes
     * @param ?string          $source  of what is said of it
     */
    public function __construct(
        #[Text(80)] public string $device,
        #[Text(40)] public string $block,
        public Takes $takes,
        #[ListOf(new Shaped(WayToStand::class), most: SettingSaid::WAYS)] public array $options,
        #[Whole(1, SettingSaid::MOST)] public ?int $length = null,
        #[Text(200)] public ?string $source = null,
    ) {
    }

    public function settled(Node $read): static
    {
        SettingSaid::ways($this->takes, $this->options, $this->length, $read);

        return $this;
    }

    public function key(): string
    {
        return SourceWrong::at($this->device, $this->block);
    }

    /** The setting as it is typed, with no star yet: "JP3 irq: 1-2 4, 2-3 3". */
    public function line(): string
    {
        $length = match (true) {
            $this->length === null => '',
            $this->takes === Takes::Mem && $this->length % 1024 === 0 => '/'.intdiv($this->length, 1024).'K',
            default => "/{$this->length}",
        };

        return "{$this->block} {$this->takes->value}{$length}: "
            .implode(', ', array_map(static fn (WayToStand $it): string => ($it->pins === null ? '' : "{$it->pins} ").$it->value, $this->options));
    }
}
