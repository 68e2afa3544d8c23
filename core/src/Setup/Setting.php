<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** A jumper block, a switch, a slot: what of a device can be set. What the machine itself keeps is one with a single way to stand. */
final readonly class Setting
{
    private const MOST_OPTIONS = 64;

    /**
     * @param int          $owner   whose claims never conflict with each other
     * @param ?string      $name    null: kept by the machine
     * @param list<Option> $options
     * @param int          $at      on which of them it stands
     */
    private function __construct(public int $owner, public string $device, public ?string $name, public array $options, public int $at, public bool $fixed)
    {
    }

    public static function read(Node $node, int $owner, string $device): self
    {
        $node->only('name', 'at', 'fixed', 'options');
        $nodes = $node->at('options')->items(self::MOST_OPTIONS);
        $nodes !== [] || $node->at('options')->refuse('must list at least one option');
        $options = array_map(Option::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $nodes));
        $at = array_search($node->at('at')->string(), array_map(static fn (Option $it): string => $it->name, $options), true);

        return new self(
            $owner,
            $device,
            $node->at('name')->name(),
            $options,
            $at === false ? $node->at('at')->refuse('is not an option of this setting') : $at,
            $node->optional('fixed')?->bool() ?? false,
        );
    }

    public static function reserved(Node $node, int $owner): self
    {
        $node->only('by', 'claims');

        return new self($owner, $node->at('by')->name(), null, [new Option('', array_map(Claim::read(...), $node->at('claims')->items()))], 0, true);
    }
}
