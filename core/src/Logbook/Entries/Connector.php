<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;

/** Which way round a connector sits. */
final readonly class Connector
{
    public function __construct(#[Text(60)] public string $name, #[Text(200)] public string $orientation)
    {
    }

    public function words(): string
    {
        return "{$this->name}: {$this->orientation}";
    }
}
