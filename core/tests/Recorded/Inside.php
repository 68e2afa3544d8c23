<?php

declare(strict_types=1);

namespace Ash\Tests\Recorded;

use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\Condition;
use Ash\Memory\FittedMemory;
use Ash\Memory\Located;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\MapCheck;
use Ash\Memory\Pattern;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Soak;
use Ash\Memory\Transcript;
use Ash\Quantity\Radix;
use Ash\Rooms;

/** What the screens ask of the core and bin/ash does not. */
final readonly class Inside
{
    /** @return array<string, \Closure(Node): mixed> */
    public static function verbs(): array
    {
        return [
            'profile' => self::profile(...),
            'transcript' => self::transcript(...),
            'rows' => static fn (Node $asked): mixed => [
                RowsOfChips::map($asked),
                MapCheck::of(FittedMemory::read(Node::parse(json_encode([
                    'key' => 'k', 'name' => 'n', ...($asked->has('chip') ? ['chip' => $asked->at('chip')->string()] : []), 'map' => RowsOfChips::map($asked),
                ], JSON_THROW_ON_ERROR)))),
            ],
            'soak' => static fn (Node $asked): mixed => [
                Soak::curve(
                    self::whole($asked, 'passes'),
                    self::whole($asked, 'errors'),
                    $asked->at('confidence')->number(),
                    $asked->optional('target')?->number(),
                ),
                Soak::gains(
                    self::whole($asked, 'passes'),
                    self::whole($asked, 'errors'),
                    $asked->at('confidence')->number(),
                    $asked->optional('seconds_per_pass')?->number(),
                ),
                Soak::duration($asked->optional('seconds_per_pass')?->number() ?? 1.0),
            ],
            'words' => static fn (Node $asked): mixed => self::words($asked->at('enum')->string()),
            'shape' => static fn (Node $asked): mixed => Shape::of(Rooms::hall()->kinds->all[$asked->at('kind')->string()]->data)->schema(),
            'condition' => static function (Node $asked): mixed {
                [$one, $other] = array_map(
                    static fn (string $name): Condition => Shape::of(Condition::class)->read($asked->at($name)),
                    ['one', 'other'],
                );

                return [$one->words(), $one->against($other), $one->partDiffers($other)];
            },
        ];
    }

    /** What each case of an enumeration says of itself: every public method that wants nothing. */
    private static function words(string $enum): mixed
    {
        enum_exists("Ash\\{$enum}") || throw new \LogicException("there is no {$enum}");
        $said = [];
        foreach ((new \ReflectionClass("Ash\\{$enum}"))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
            foreach ($method->isStatic() || $method->getNumberOfParameters() > 0 ? [] : "Ash\\{$enum}"::cases() as $case) {
                try {
                    $said[$method->name][$case->name] = $method->invoke($case);
                } catch (\LogicException $none) {
                    $said[$method->name][$case->name] = $none->getMessage();
                }
            }
        }

        return $said;
    }

    private static function whole(Node $asked, string $name): int
    {
        return $asked->at($name)->integer(0, 100_000);
    }

    /** Everything that a description says, section by section. */
    private static function profile(Node $asked): mixed
    {
        $profile = Rooms::hall()->profile($asked);
        $memories = array_map(FittedMemory::read(...), $asked->has('memories') ? $asked->at('memories')->items() : []);

        return [$profile, array_map(MapCheck::of(...), $memories), array_map(static fn (FittedMemory $it): bool => $it->needsBias(), $memories)];
    }

    private static function transcript(Node $asked): mixed
    {
        $map = Map::read($asked->at('map'));
        $pattern = $asked->optional('pattern')?->enum(Pattern::class) ?? Pattern::None;
        $locator = new Locator($map, array_fill(0, count($map->banks), true), $pattern);
        $read = new Transcript($map, $locator, Radix::read($asked->optional('radix')));
        array_map(static fn (Node $line) => $read->line($line->string()), $asked->at('lines')->items());

        return [$read, $read->betterRadix(), Shape::of(Located::class)->write(Located::of($map, $locator, $pattern))];
    }
}
