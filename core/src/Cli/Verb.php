<?php

declare(strict_types=1);

namespace Ash\Cli;

use Ash\Document\Node;

/** One computation: a JSON document in, a JSON document out. */
final readonly class Verb
{
    /**
     * @param string                                                                $summary one line
     * @param string                                                                $fields  every field with its unit, for --help
     * @param string                                                                $example a worked example's input
     * @param \Closure(Node, array<string, iterable<string>>): array<string, mixed> $compute
     * @param list<string>                                                          $options names of files that it takes as --name FILE, line by line
     */
    public function __construct(public string $summary, public string $fields, public string $example, private \Closure $compute, public array $options = [])
    {
    }

    /**
     * @param array<string, iterable<string>> $options
     *
     * @return string one JSON document
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function answer(string $json, array $options = []): string
    {
        $answer = ($this->compute)(Node::parse($json), $options);

        return json_encode(self::plain($answer), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }

    /** A figure that cannot be had is null, and minus nothing is nothing. */
    private static function plain(mixed $value): mixed
    {
        return match (true) {
            is_array($value) => array_map(self::plain(...), $value),
            is_float($value) && !is_finite($value) => null,
            $value === -0.0 => 0.0,
            default => $value,
        };
    }
}
