<?php

declare(strict_types=1);

namespace App\Bench;

use OpenApi\Attributes as OA;

/** A value and its words. */
#[OA\Schema]
final readonly class ChoiceCard
{
    public function __construct(
        #[OA\Property()]
        public string $value,
        #[OA\Property()]
        public string $words,
    ) {
    }

    /**
     * The cases of an enum that says itself in words.
     *
     * @param class-string<\BackedEnum> $enum
     *
     * @return list<self>
     */
    public static function all(string $enum): array
    {
        return array_map(static fn (\BackedEnum $it): self => new self(
            (string) $it->value,
            method_exists($it, 'words') ? $it->words() : str_replace('_', ' ', (string) $it->value),
        ), $enum::cases());
    }
}
