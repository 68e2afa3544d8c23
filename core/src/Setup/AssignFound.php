<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What clashes, and the ways out. */
final readonly class AssignFound
{
    /**
     * @param list<array{resource: string, at: int|string|null, base: ?int, length: ?int, owners: array{string, string}, settings: array{?string, ?string}, free: array{list<string>, list<string>}}> $conflicts
     * @param list<list<array{device: string, setting: string, from: string, to: string}>>                                                                                                            $plans
     * @param list<string>                                                                                                                                                                            $core      devices that cannot live together
     * @param list<string>                                                                                                                                                                            $reasons
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
