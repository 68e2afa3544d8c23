<?php

declare(strict_types=1);

namespace App\Http;

/** A document that is refused for several faults at once. */
final class Refused extends \DomainException
{
    /** @param non-empty-list<array{pointer: string, detail: string}> $faults */
    public function __construct(public readonly array $faults, public readonly int $status = 422)
    {
        parent::__construct(count($faults).' faults');
    }
}
