<?php

declare(strict_types=1);

namespace Ash\Setup;

/**
 * What clashes, and the ways out.
 *
 * @phpstan-type Side array{string, string}
 * @phpstan-type Sides array{?string, ?string}
 * @phpstan-type Names list<string>
 * @phpstan-type Conflict array{resource: string, at: int|string|null, base: ?int, length: ?int, owners: Side, settings: Sides, free: array{Names, Names}}
 * @phpstan-type Change array{device: string, setting: string, from: string, to: string}
 */
final readonly class AssignFound
{
    /**
     * @param list<Conflict>     $conflicts
     * @param list<list<Change>> $plans
     * @param list<string>       $core      devices that cannot live together
     * @param list<string>       $reasons
     */
    public function __construct(
        public bool $proved,
        public array $conflicts,
        public ?bool $solvable,
        public ?int $changesNeeded,
        public array $plans,
        public array $core,
        public array $reasons,
    ) {
    }
}
