<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Batteries\BoardNeeds;
use Ash\Capacitors\BoardCapacitor;
use Ash\Document\Node;
use Ash\Memory\FittedMemory;
use Ash\Rails\Budget;
use Ash\Rails\Rail;
use Ash\Rails\TestPoint;

/**
 * A machine's profile: its boards, rails, test points along each rail, supply label, loads, and notes on
 * sources that proved wrong. The document is kept as it was given; this class knows what it means.
 */
final readonly class Profile
{
    public const FORMAT = 'ash-bench/machine-profile/1';

    /**
     * @param list<array{key: string, name: string, serial: ?string}> $boards
     * @param array<string, Rail>                                     $rails       as Rail::byName() gives them
     * @param array<string, non-empty-list<TestPoint>>                $testPoints  by rail, in order along it
     * @param array<string, list<string>>                             $feeds       by rail: chips it feeds or protects
     * @param list<array{source: string, note: string}>               $sourceNotes
     * @param list<Caution>                                           $cautions
     * @param list<array{name: string, orientation: string}>          $connectors  which way round they sit
     * @param ?BoardNeeds                                             $battery     what the boards want of their battery
     * @param list<FittedMemory>                                      $memories    maps of what is fitted
     * @param list<BoardCapacitor>                                    $capacitors  by designator
     */
    private function __construct(
        public string $slug,
        public string $name,
        public string $kind,
        public array $boards,
        public array $rails,
        public array $testPoints,
        public array $feeds,
        public ?Budget $budget,
        public array $sourceNotes,
        public array $cautions,
        public array $connectors,
        public ?BoardNeeds $battery,
        public array $memories,
        public array $capacitors,
    ) {
    }

    /** @throws \Ash\Document\InvalidDocument */
    public static function read(Node $node): self
    {
        $node->only('format', 'slug', 'name', 'kind', 'boards', 'rails', 'supply', 'source_notes', 'cautions', 'connectors', 'battery', 'memories', 'capacitors');
        if ($node->at('format')->string() !== self::FORMAT) {
            $node->at('format')->refuse('must be '.self::FORMAT);
        }
        if (preg_match('/^[a-z0-9]+(-[a-z0-9]+)*$/D', $node->at('slug')->text(60)) !== 1) {
            $node->at('slug')->refuse('must be lower-case letters and digits with single hyphens');
        }
        $railNodes = $node->at('rails');
        $rails = $railNodes->items() === [] ? [] : Rail::readAll($railNodes, ['test_points', 'feeds']);

        return new self(
            $node->at('slug')->string(),
            $node->at('name')->text(120),
            $node->at('kind')->text(120),
            self::boards($node->at('boards')),
            $rails,
            self::testPoints($railNodes),
            self::feeds($railNodes),
            self::budget($node),
            self::sourceNotes($node->optional('source_notes')),
            array_map(static fn (Node $word): Caution => $word->enum(Caution::class), $node->optional('cautions')?->items() ?? []),
            self::connectors($node->optional('connectors')),
            $node->has('battery') ? BoardNeeds::read($node->at('battery')) : null,
            self::memories($node),
            self::capacitors($node, $rails),
        );
    }

    /**
     * The cautions that apply at a stage: the stage's own, and the machine's wherever someone is inside it or it is under power.
     *
     * @return list<Caution>
     */
    public function cautionsAt(Stage $stage): array
    {
        $inside = !in_array($stage, [Stage::Intake, Stage::Rebuild, Stage::Close], true);

        return array_values(array_unique([...$stage->cautions(), ...($inside ? $this->cautions : [])], SORT_REGULAR));
    }

    /** By the rails, or by the chips of a memory map. */
    public function threeSupplyChips(): bool
    {
        return $this->biasedChips() !== [] || array_filter($this->rails, static fn (Rail $rail): bool => $rail->protects !== []) !== [];
    }

    /** @return list<string> chips of the memory maps that are destroyed when their bias rail is missing, in words */
    public function biasedChips(): array
    {
        return array_values(array_map(static fn (FittedMemory $it): string => "{$it->chip?->value} in {$it->name}", array_filter($this->memories, static fn (FittedMemory $it): bool => $it->needsBias())));
    }

    public function memory(string $key): ?FittedMemory
    {
        foreach ($this->memories as $memory) {
            if ($memory->key === $key) {
                return $memory;
            }
        }

        return null;
    }

    public function rail(string $name): ?Rail
    {
        return $this->rails["\0{$name}"] ?? null;
    }

    public function testPoint(string $rail, string $name): ?TestPoint
    {
        foreach ($this->testPoints["\0{$rail}"] ?? [] as $testPoint) {
            if ($testPoint->name === $name) {
                return $testPoint;
            }
        }

        return null;
    }

    /** @return list<array{key: string, name: string, serial: ?string}> */
    private static function boards(Node $list): array
    {
        $nodes = $list->items();
        if ($nodes === []) {
            $list->refuse('must list at least one board');
        }
        Node::distinct(array_map(static fn (Node $board): Node => $board->only('key', 'name', 'serial')->at('key'), $nodes));

        return array_map(static fn (Node $board): array => [
            'key' => $board->at('key')->text(40),
            'name' => $board->at('name')->text(120),
            'serial' => $board->optional('serial')?->text(60),
        ], $nodes);
    }

    /**
     * @param array<string, Rail> $rails
     *
     * @return list<BoardCapacitor>
     */
    private static function capacitors(Node $node, array $rails): array
    {
        $all = BoardCapacitor::readAll($node->optional('capacitors'));
        $boards = array_map(static fn (Node $it): string => $it->at('key')->string(), $node->at('boards')->items());
        foreach ($node->optional('capacitors')?->items() ?? [] as $i => $it) {
            $all[$i]->rail === null || isset($rails["\0{$all[$i]->rail}"]) || $it->at('rail')->refuse("the profile has no rail \"{$all[$i]->rail}\"");
            $board = $all[$i]->text('board');
            $board === null || in_array($board, $boards, true) || $it->at('board')->refuse('is not a board of this machine: '.implode(', ', $boards));
        }

        return $all;
    }

    /** @return list<FittedMemory> */
    private static function memories(Node $node): array
    {
        $all = FittedMemory::readAll($node->optional('memories'));
        $boards = array_map(static fn (Node $it): string => $it->at('key')->string(), $node->at('boards')->items());
        foreach ($node->optional('memories')?->items() ?? [] as $i => $memory) {
            if ($all[$i]->board !== null && !in_array($all[$i]->board, $boards, true)) {
                $memory->at('board')->refuse('is not a board of this machine: '.implode(', ', $boards));
            }
        }

        return $all;
    }

    /** @return array<string, non-empty-list<TestPoint>> */
    private static function testPoints(Node $rails): array
    {
        $points = [];
        foreach ($rails->items() as $rail) {
            $points["\0{$rail->at('name')->string()}"] = TestPoint::readAll($rail);
        }

        return $points;
    }

    /** @return array<string, list<string>> */
    private static function feeds(Node $rails): array
    {
        $feeds = [];
        foreach ($rails->items() as $rail) {
            $feeds["\0{$rail->at('name')->string()}"] = array_map(
                static fn (Node $chip): string => $chip->text(80),
                $rail->optional('feeds')?->items() ?? [],
            );
        }

        return $feeds;
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

    /** @return list<array{name: string, orientation: string}> */
    private static function connectors(?Node $list): array
    {
        return array_map(static fn (Node $it): array => [
            'name' => $it->only('name', 'orientation')->at('name')->text(60),
            'orientation' => $it->at('orientation')->text(200),
        ], $list?->items() ?? []);
    }

    /** @return list<array{source: string, note: string}> */
    private static function sourceNotes(?Node $list): array
    {
        return array_map(static fn (Node $note): array => [
            'source' => $note->only('source', 'note')->at('source')->text(200),
            'note' => $note->at('note')->text(1000),
        ], $list?->items() ?? []);
    }
}
