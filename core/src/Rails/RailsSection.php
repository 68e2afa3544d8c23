<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Logbook\Section;

/** What a description says of the supply: "rails" and "supply". */
final readonly class RailsSection implements Section
{
    public function fields(): array
    {
        return ['rails', 'supply'];
    }

    public function read(Node $document, Profile $known): ?DescribedRails
    {
        $nodes = $document->at('rails');
        $rails = $nodes->items() === [] ? [] : Rail::readAll($nodes, ['test_points', 'feeds']);
        $testPoints = $feeds = [];
        foreach ($nodes->items() as $rail) {
            $key = "\0{$rail->at('name')->string()}";
            $testPoints[$key] = TestPoint::readAll($rail);
            $feeds[$key] = array_map(static fn (Node $chip): string => $chip->text(80), $rail->optional('feeds')?->items() ?? []);
        }
        $budget = self::budget($document);

        return $rails === [] && $budget === null ? null : new DescribedRails($rails, $testPoints, $feeds, $budget);
    }

    public function teaches(EntryData $entry): bool
    {
        return $entry instanceof GoodBoard;
    }

    public function learned(\stdClass $document, EntryData $entry): ?\stdClass
    {
        if (!$entry instanceof GoodBoard) {
            return null;
        }
        $good = array_column(array_map(static fn (GoodOhm $it): array => ["\0{$it->rail}", $it->ohm], $entry->ohms), 1, 0);
        $learned = clone $document;
        $rails = [];
        foreach (is_array($document->rails ?? null) ? $document->rails : [] as $rail) {
            $ohm = $rail instanceof \stdClass && is_string($rail->name ?? null) ? $good["\0{$rail->name}"] ?? null : null;
            $rails[] = $rail instanceof \stdClass && $ohm !== null ? (object) [...(array) $rail, 'ohms_good' => $ohm] : $rail;
        }
        $learned->rails = $rails;

        return $learned;
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
