<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\SharedSection;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** What a description says of the supply: "rails" and "supply". */
final readonly class RailsSection implements SharedSection
{
    /** Before what a figure is taken from, when it is only guessed. */
    private const FAMILY = 'family:';

    /** Before the name of the machine's kind: a rail that a board's kind has from there, and that the machine's own word replaces. */
    private const AS_IN = 'as in ';

    /** What was found along a rail, which stays whoever speaks of its limits. */
    private const ALONG = ['test_points' => 1, 'ohms_good' => 1, 'feeds' => 1];

    public function fields(): array
    {
        return ['rails', 'supply'];
    }

    public function read(Node $document, Profile $known): ?DescribedRails
    {
        $nodes = $document->optional('rails');
        $rails = $nodes === null || $nodes->items() === [] ? [] : Rail::readAll($nodes, ['test_points', 'feeds', 'source']);
        $testPoints = $feeds = $sources = [];
        foreach ($nodes?->items() ?? [] as $rail) {
            $key = "\0{$rail->at('name')->string()}";
            $sources[$key] = $rail->optional('source')?->text(120);
            $testPoints[$key] = TestPoint::readAll($rail);
            $feeds[$key] = array_map(static fn (Node $chip): string => $chip->text(80), $rail->optional('feeds')?->items() ?? []);
        }
        $budget = self::budget($document);

        return $rails === [] && $budget === null ? null : new DescribedRails($rails, $testPoints, $feeds, $budget, $sources);
    }

    public function words(Profile $profile): array
    {
        $described = $profile->section(DescribedRails::class);

        return array_values(array_map(static function (Rail $rail) use ($described): string {
            $points = array_map(static fn (TestPoint $it): string => $it->name, $described?->testPoints["\0{$rail->name}"] ?? []);
            $source = $described?->source($rail->name);
            $ohms = $rail->ohmsGood === null ? '' : ', a good board has '.Notation::print($rail->ohmsGood, Unit::Ohm, 3).' to ground';

            return "Rail {$rail->name}: {$rail->limits->words()}, probed at ".implode(', ', $points).$ohms.($source === null ? '' : " ({$source})");
        }, $described->rails ?? []));
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof GoodBoard || $entry instanceof RailsSaid || $entry instanceof PointNamed;
    }

    public function ofBoard(): array
    {
        return [];
    }

    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        return match (true) {
            $entry instanceof GoodBoard => self::each(
                $document,
                array_column($entry->ohms, 'ohm', 'rail'),
                static fn (\stdClass $rail, float $ohm): \stdClass => (object) [
                    ...(array) $rail, 'ohms_good' => $ohm,
                ],
            ),
            $entry instanceof PointNamed => self::each($document, [$entry->rail => $entry], self::named(...)),
            $entry instanceof RailsSaid => self::said($document, $entry),
            default => null,
        };
    }

    /**
     * @template T
     *
     * @param array<array-key, T>               $by     what is new, by rail
     * @param \Closure(\stdClass, T): \stdClass $change
     */
    private static function each(\stdClass $document, array $by, \Closure $change): \stdClass
    {
        $rails = array_map(static function (mixed $rail) use ($by, $change): mixed {
            $name = $rail instanceof \stdClass && is_string($rail->name ?? null) ? $rail->name : null;

            return $rail instanceof \stdClass && $name !== null && isset($by[$name]) ? $change($rail, $by[$name]) : $rail;
        }, self::railsOf($document));

        return (object) [...(array) $document, 'rails' => $rails];
    }

    /** A place more along a rail; the one that a rail has without being told stays. */
    private static function named(\stdClass $rail, PointNamed $it): \stdClass
    {
        $points = is_array($rail->test_points ?? null) ? $rail->test_points : [(object) ['name' => 'supply output', 'point' => 'supply']];
        $known = static fn (string $field, ?string $value): bool => in_array($value, array_map(
            static fn (mixed $point): mixed => $point instanceof \stdClass ? $point->{$field} ?? null : null,
            $points,
        ), true);
        if ($known('name', $it->name)) {
            return $rail;
        }
        $place = $it->point === null || $known('point', $it->point->value) ? [] : ['point' => $it->point->value];

        return (object) [...(array) $rail, 'test_points' => [...$points, (object) ['name' => $it->name, ...$place]]];
    }

    /**
     * A label beats a family, a family gives way to another, and what a sheet says stays; places and figures that were found on a rail are kept.
     */
    private static function said(\stdClass $document, RailsSaid $it): \stdClass
    {
        $new = [];
        foreach ($it->rails() as $rail) {
            $new[is_string($rail['name'] ?? null) ? $rail['name'] : ''] = $rail;
        }
        $rails = [];
        foreach (self::railsOf($document) as $rail) {
            $old = $rail instanceof \stdClass ? $rail : new \stdClass();
            $name = is_string($old->name ?? null) ? $old->name : '';
            $guessed = is_string($old->source ?? null) && (str_starts_with($old->source, self::FAMILY) || $it->family === null);
            if (isset($new[$name])) {
                $rails[] = $guessed ? (object) [
                    ...$new[$name],
                    ...array_intersect_key((array) $old, self::ALONG),
                ] : $old;
                unset($new[$name]);
            } elseif (!$guessed || isset($old->test_points) || isset($old->ohms_good)) {
                $rails[] = $old;
            }
        }
        $names = array_map(static fn (\stdClass $rail): mixed => $rail->name ?? null, $rails);
        $added = array_map(static function (array $rail) use ($names, $new): \stdClass {
            // What it protects must be there too.
            $protects = array_values(array_filter(
                is_array($rail['protects'] ?? null) ? $rail['protects'] : [],
                static fn (mixed $other): bool => in_array($other, $names, true) || (is_string($other) && isset($new[$other])),
            ));
            unset($rail['protects']);

            return (object) [...$rail, ...($protects === [] ? [] : ['protects' => $protects])];
        }, array_values($new));
        $outputs = $it->label === null ? [] : LabelLine::read($it->label)->supply;
        $supply = $outputs === [] || isset($document->supply) ? [] : ['supply' => (object) [
            'label' => mb_substr((string) $it->label, 0, 200), 'rails' => array_map(static fn (array $rail): \stdClass => (object) $rail, $outputs),
        ]];

        return (object) [...(array) $document, 'rails' => [...$rails, ...$added], ...$supply];
    }

    /** The rails that capacitors of the board filter. */
    public function copied(\stdClass $machine, array $things): array
    {
        $wanted = array_column($things, 'rail');
        $source = mb_substr(self::AS_IN.(is_string($machine->name ?? null) ? $machine->name : ''), 0, 120);
        $rails = [];
        foreach (self::railsOf($machine) as $rail) {
            if ($rail instanceof \stdClass && in_array($rail->name ?? null, $wanted, true)) {
                $rails[] = (object) [...array_diff_key((array) $rail, self::ALONG, ['protects' => 1]), 'source' => $source];
            }
        }

        return ['rails' => $rails];
    }

    /** Its own rail first; one that is a family's guess, or was only copied, gives way to the machine's. */
    public function counting(\stdClass $own, \stdClass $machine): array
    {
        $mine = array_column(self::railsOf($own), null, 'name');
        $rails = [];
        foreach (self::railsOf($machine) as $rail) {
            $name = $rail instanceof \stdClass && is_string($rail->name ?? null) ? $rail->name : '';
            $one = $mine[$name] ?? null;
            unset($mine[$name]);
            $rails[] = !$one instanceof \stdClass || self::givesWay($one)
                ? $rail
                : (object) [...array_intersect_key((array) $rail, self::ALONG), ...(array) $one];
        }

        return ['rails' => [...$rails, ...array_values($mine)]];
    }

    private static function givesWay(\stdClass $rail): bool
    {
        $source = is_string($rail->source ?? null) ? $rail->source : '';

        return str_starts_with($source, self::FAMILY) || str_starts_with($source, self::AS_IN);
    }

    /** @return list<mixed> */
    private static function railsOf(\stdClass $document): array
    {
        return is_array($document->rails ?? null) ? array_values($document->rails) : [];
    }

    private static function budget(Node $node): ?Budget
    {
        $supply = $node->optional('supply')?->only('label', 'rails', 'rating_w', 'case_label_w', 'loads');
        if ($supply === null) {
            return null;
        }
        $supply->optional('label')?->text(200);
        $given = clone $supply->object();
        unset($given->label, $given->loads);

        return Budget::of(Node::of($given, $supply->pointer), $supply->optional('loads') ?? Node::of([], "{$supply->pointer}/loads"));
    }
}
