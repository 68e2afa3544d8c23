<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** Something that goes on by itself: a clock test, a soak, a bath. */
final readonly class Running
{
    /**
     * @param ?\DateTimeImmutable $until    its expected end, or when to look next
     * @param list<string>        $occupies instruments, vessels and places that it takes up
     */
    public function __construct(public string $what, public \DateTimeImmutable $since, public ?\DateTimeImmutable $until, public array $occupies = [])
    {
    }
}
