<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;

/** What a run says of the exchange of chips before it. */
final readonly class SwapJudged
{
    /** @param string $entry of the exchange */
    public function __construct(#[Id] public string $entry, public SwapVerdict $verdict, #[Text] public string $text)
    {
    }
}
