<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;

/**
 * A march test: elements of reads and writes that are applied to every cell in an order.
 * Strings and published coverage: A. J. van de Goor, "Using March Tests to Test SRAMs", IEEE Design & Test of Computers 10(1),
 * 1993, and "Testing Semiconductor Memories: Theory and Practice", 1991 (from memory).
 */
final readonly class MarchTest
{
    public const NAMED = [
        'mats' => '{b(w0);b(r0,w1);b(r1)}',
        'mats+' => '{b(w0);u(r0,w1);d(r1,w0)}',
        'mats++' => '{b(w0);u(r0,w1);d(r1,w0,r0)}',
        'march-x' => '{b(w0);u(r0,w1);d(r1,w0);b(r0)}',
        'march-y' => '{b(w0);u(r0,w1,r1);d(r1,w0,r0);b(r0)}',
        'march-c-' => '{b(w0);u(r0,w1);u(r1,w0);d(r0,w1);d(r1,w0);b(r0)}',
        'march-a' => '{b(w0);u(r0,w1,w0,w1);u(r1,w0,w1);d(r1,w0,w1,w0);d(r0,w1,w0)}',
        'march-b' => '{b(w0);u(r0,w1,r1,w0,r0,w1);u(r1,w0,w1);d(r1,w0,w1,w0);d(r0,w1,w0)}',
    ];

    /** Published coverage of unlinked faults, by test. */
    public const COVERS = [
        'mats' => ['SAF'],
        'mats+' => ['AF', 'SAF'],
        'mats++' => ['AF', 'SAF', 'TF'],
        'march-x' => ['AF', 'SAF', 'TF', 'CFin'],
        'march-y' => ['AF', 'SAF', 'TF', 'CFin'],
        'march-c-' => ['AF', 'SAF', 'TF', 'CFin', 'CFid', 'CFst'],
        'march-a' => ['AF', 'SAF', 'TF', 'CFin', 'CFid'],
        'march-b' => ['AF', 'SAF', 'TF', 'CFin', 'CFid'],
    ];

    /** @param non-empty-list<array{down: bool, operations: non-empty-list<array{read: bool, value: int}>}> $elements */
    private function __construct(public array $elements)
    {
    }

    /** @param int $most operations */
    public static function read(Node $node, int $most = 100): self
    {
        $text = $node->string();
        $given = self::NAMED[$text] ?? $text;
        if (preg_match('/^\{[bud]\([rw][01](,[rw][01])*\)(;[bud]\([rw][01](,[rw][01])*\))*\}$/D', $given) !== 1) {
            $node->refuse('must be one of '.implode(', ', array_keys(self::NAMED)).' or a march string such as {b(w0);u(r0,w1);d(r1,w0)}');
        }
        $test = self::parse($given);
        $test->operationsPerWord() <= $most || $node->refuse("must have at most {$most} operations");
        if (!$test->holdsOnGoodMemory()) {
            $node->refuse('would fail on good memory: it reads what it has not written');
        }

        return $test;
    }

    public function operationsPerWord(): int
    {
        return array_sum(array_map(static fn (array $element): int => count($element['operations']), $this->elements));
    }

    /** Test time in seconds: words * operations per word * access cycle. */
    public function seconds(int $words, float $cycleS): float
    {
        return $words * $this->operationsPerWord() * $cycleS;
    }

    private static function parse(string $text): self
    {
        $elements = [];
        foreach (explode(';', trim($text, '{}')) as $element) {
            $operations = [];
            foreach (explode(',', substr($element, 2, -1)) as $operation) {
                $operations[] = ['read' => $operation[0] === 'r', 'value' => (int) $operation[1]];
            }
            $elements[] = ['down' => $element[0] === 'd', 'operations' => $operations];
        }

        return new self($elements);
    }

    private function holdsOnGoodMemory(): bool
    {
        $value = null;
        foreach ($this->elements as $element) {
            foreach ($element['operations'] as $operation) {
                if ($operation['read'] && $operation['value'] !== $value) {
                    return false;
                }
                $value = $operation['value'];
            }
        }

        return true;
    }
}
