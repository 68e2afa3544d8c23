<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** Symptoms with their known causes and the tests that tell them apart: data, of which this class knows what it means. */
final readonly class SymptomLibrary
{
    public const FORMAT = 'ash-bench/symptom-library/1';

    /** @param array<string, LibrarySymptom> $symptoms by id, behind a NUL */
    private function __construct(public array $symptoms)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('format', 'note', 'symptoms');
        $node->at('format')->string() === self::FORMAT || $node->at('format')->refuse('must be '.self::FORMAT);
        $node->optional('note')?->string();
        $nodes = $node->at('symptoms')->items();
        $symptoms = [];
        foreach ($nodes as $it) {
            $symptom = LibrarySymptom::read($it);
            $symptoms["\0{$symptom->id}"] = $symptom;
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $nodes));

        return new self($symptoms);
    }

    public function symptom(string $id): ?LibrarySymptom
    {
        return $this->symptoms["\0{$id}"] ?? null;
    }
}
