<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Text;
use Ash\Logbook\EntryData;

/** A place along a rail got its name while the probe was there. */
final readonly class PointNamed implements EntryData
{
    public const KIND = 'point_named';

    /** @param ?Point $point the place of the contract that it stands for; null: it is only walked */
    public function __construct(#[Text(40)] public string $rail, #[Text(120)] public string $name, public ?Point $point = null)
    {
    }

    public function sentence(string $text): string
    {
        return "{$this->rail} can be probed at {$this->name}".($this->point === null ? '' : ", the {$this->point->value}");
    }
}
