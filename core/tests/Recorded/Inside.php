<?php

declare(strict_types=1);

namespace Ash\Tests\Recorded;

use Ash\Batteries\BatteryKnown;
use Ash\Batteries\BatteryState;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Facts\OpenThing;
use Ash\Facts\PartsReplaced;
use Ash\Logbook\Allowance;
use Ash\Logbook\EntryData;
use Ash\Logbook\Outcome;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Memory\Dialect;
use Ash\Memory\FittedMemory;
use Ash\Memory\LinePattern;
use Ash\Memory\Located;
use Ash\Memory\Locator;
use Ash\Memory\Map;
use Ash\Memory\MapCheck;
use Ash\Memory\Pattern;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Transcript;
use Ash\Quantity\Radix;
use Ash\Rails\Judgement;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Rail;
use Ash\Rails\RailsJudged;
use Ash\Rails\RailStrip;
use Ash\Rails\Reading;
use Ash\Rooms;
use Ash\Setup\Disks;
use Ash\Setup\SetupSheet;
use Ash\Tests\House;

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
            'csv' => static fn (Node $asked): mixed => json_decode(Rooms::hall()->rooms['memory']->verbs()['locate']->answer(
                json_encode(['map' => $asked->at('map')->raw()], JSON_THROW_ON_ERROR),
                ['errors' => array_map(static fn (Node $line): string => rtrim($line->string(), "\n")."\n", $asked->at('lines')->items())],
            ), false, 64, JSON_THROW_ON_ERROR),
            ...InsideRecord::verbs(),
            'strips' => self::strips(...),
            'sheet' => self::sheet(...),
            'words' => static fn (Node $asked): mixed => self::words($asked->at('enum')->string()),
            'shape' => static fn (Node $asked): mixed => Shape::of(Rooms::hall()->kinds->all[$asked->at('kind')->string()]->data)->schema(),
        ];
    }

    /** Where each reading stands on its rail's strip, the one before as its ghost. */
    private static function strips(Node $asked): mixed
    {
        $strips = [];
        foreach (Rail::readAll($asked->at('rails')) as $rail) {
            $before = null;
            foreach ($asked->at('volts')->items() as $volts) {
                $now = $volts->isNull() ? null : $volts->number();
                $guard = $asked->optional('guard_v')?->number();
                $strips[] = RailStrip::of($rail, $now, $guard, $before, $asked->has('wide') ? Limits::wide($rail->nominalV) : null);
                $before = $now;
            }
        }

        return $strips;
    }

    /** The head of a job in a situation. */
    private static function sheet(Node $asked): mixed
    {
        $day = new \DateTimeImmutable('2026-03-01T09:00:00Z');
        $rails = $asked->optional('rails');
        $readings = $asked->optional('readings')?->items() ?? [];
        $facts = array_filter([
            $asked->has('battery') ? new BatteryKnown($asked->at('battery')->enum(BatteryState::class)) : null,
            $readings === [] ? null : new RailsJudged(Judgement::of(
                Rail::readAll($rails ?? Node::of([])),
                MeterAccuracy::of(0.1, 1, 0.001),
                array_map(static fn (Node $it): Reading => new Reading(
                    $it->at('rail')->string(),
                    $it->at('volts')->number(),
                    Load::from($it->at('load')->string()),
                ), $readings),
            ), $day),
            $asked->has('changed') ? new PartsReplaced(['C1 to 2u'], $day->modify('+1 hour')) : null,
            ...array_map(static fn (Node $it): OpenThing => new OpenThing($it->string(), "a {$it->string()}", $day), $asked->optional('open')?->items() ?? []),
            ...array_map(
                static fn (Node $it): object => new ("Ash\\{$it->at('is')->string()}")(...(array) json_decode(json_encode($it->at('with')->raw(), 0), true)),
                $asked->optional('facts')?->items() ?? [],
            ),
            ...self::setUp(array_map(static fn (Node $line): EntryData => House::draft([
                'id' => '01HZY3G0000000000000000001', 'at' => '2026-03-01T09:00:00Z', 'line' => $line->string(),
            ])->data, $asked->optional('said')?->items() ?? [])),
        ]);

        return Rooms::hall()->sheet(new Situation(
            stage: $asked->at('stage')->enum(Stage::class),
            profile: House::profile($rails === null ? [] : ['rails' => $rails->raw()]),
            facts: new Facts(...array_values($facts)),
            allowance: new Allowance($asked->optional('minutes')?->integer() ?? 0, 300, $asked->optional('since')?->integer() ?? 0),
            symptom: $asked->optional('symptom')?->string(),
            leaps: [],
            outcome: $asked->optional('outcome')?->enum(Outcome::class),
        ));
    }

    /**
     * @param list<EntryData> $said
     *
     * @return list<object>
     */
    private static function setUp(array $said): array
    {
        return array_values(array_filter([SetupSheet::of($said), Disks::of($said)]));
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
        $taught = array_map(Shape::of(LinePattern::class)->read(...), $asked->optional('dialect')?->items() ?? []);
        $read = new Transcript($map, $locator, Radix::read($asked->optional('radix')), new Dialect(...$taught));
        array_map(static fn (Node $line) => $read->line($line->string()), $asked->at('lines')->items());

        return [$read, $read->betterRadix(), Shape::of(Located::class)->write(Located::of($map, $locator, $pattern))];
    }
}
