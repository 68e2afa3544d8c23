<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A likely cause as a room sees it. */
final readonly class Suspect
{
    /**
     * @param string       $why         what speaks for it, in words
     * @param ?float       $probability where the room has a model that gives one
     * @param list<string> $against     what speaks against it
     */
    public function __construct(public string $text, public string $why, public ?float $probability = null, public array $against = [])
    {
    }
}
