<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;

/** A device as its age commonly made it, with the numbers it commonly offers: where nothing is known of the one at hand. */
final readonly class GenericDevice implements Settled
{
    /**
     * @param string       $what     for people
     * @param string       $source   of its numbers
     * @param list<string> $settings each as it is typed, without a star
     */
    public function __construct(
        #[Text(80)] public string $name,
        #[Text(200)] public string $what,
        #[Text(200)] public string $source,
        #[ListOf(new Text(300), most: 20)] public array $settings,
    ) {
    }

    /** @return list<self> @throws \Ash\Document\InvalidDocument */
    public static function library(string $json): array
    {
        return array_map(Shape::of(self::class)->read(...), Node::parse($json)->at('devices')->items());
    }

    public function settled(Node $read): static
    {
        foreach ($read->at('settings')->items() as $i => $it) {
            SettingSaid::block($this->name, $this->settings[$i]) ?? $it->refuse('must be written as '.SettingSaid::EXAMPLE);
        }

        return $this;
    }

    /** @return list<KnownBlock> */
    public function blocks(): array
    {
        return array_values(array_filter(array_map(
            fn (string $it): ?KnownBlock => SettingSaid::block($this->name, $it)?->known($this->source),
            $this->settings,
        )));
    }
}
