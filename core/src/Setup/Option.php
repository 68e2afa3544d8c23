<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** One way in which a setting may stand. */
final readonly class Option
{
    private const MOST_CLAIMS = 32;

    /** @param list<Claim> $claims */
    public function __construct(public string $name, public array $claims)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'claims');

        return new self($node->at('name')->name(), array_map(Claim::read(...), $node->at('claims')->items(self::MOST_CLAIMS)));
    }
}
