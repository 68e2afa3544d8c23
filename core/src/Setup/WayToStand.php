<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Text;

/** One way in which a jumper block or a switch may stand. */
final readonly class WayToStand
{
    /**
     * @param string  $value what it sets: an interrupt, a port, the start of a window
     * @param ?string $pins  that the cap joins, or how the levers stand: "1-2"
     */
    public function __construct(#[Text(20)] public string $value, #[Text(20)] public ?string $pins = null)
    {
    }

    public function words(): string
    {
        return $this->pins === null ? $this->value : "{$this->pins} ({$this->value})";
    }
}
