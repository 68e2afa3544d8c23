<?php

declare(strict_types=1);

namespace Ash\Cli;

use Ash\Document\InvalidDocument;

/** The headless door: `bin/ash ROOM VERB [FILE]`. Exit status 0, or 2 with one JSON object on standard error. */
final readonly class Door
{
    /** @var array<string, Verbs> by name */
    private array $rooms;

    public function __construct(Verbs ...$rooms)
    {
        $byName = [];
        foreach ($rooms as $room) {
            $room->verbs() === [] || $byName[$room->name()] = $room;
        }
        $this->rooms = $byName;
    }

    /**
     * @param list<string>                               $words what follows the program's name
     * @param \Closure(string): ?string                  $read  the text of a file ("-": standard input), null when it cannot be read
     * @param (\Closure(string): ?iterable<string>)|null $lines the lines of a file, with their breaks; null when it cannot be read
     *
     * @return array{int, string, string} exit status, standard output, standard error
     */
    public function open(array $words, \Closure $read, ?\Closure $lines = null): array
    {
        if ($words === [] || $words === ['--help']) {
            return [0, $this->overview(), ''];
        }
        try {
            return [0, $this->answer($words, $read, $lines), ''];
        } catch (InvalidDocument $fault) {
            $error = ['error' => ['pointer' => $fault->pointer, 'detail' => $fault->detail]];

            return [2, '', json_encode($error, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE)."\n"];
        }
    }

    /**
     * @param list<string>                               $words
     * @param \Closure(string): ?string                  $read
     * @param (\Closure(string): ?iterable<string>)|null $lines
     */
    private function answer(array $words, \Closure $read, ?\Closure $lines): string
    {
        $room = $this->rooms[$words[0]] ?? throw InvalidDocument::at('', "there is no room \"{$words[0]}\"; bin/ash lists them");
        $name = $words[1] ?? throw InvalidDocument::at('', "say which verb of {$words[0]}: ".implode(', ', array_keys($room->verbs())));
        $verb = $room->verbs()[$name] ?? throw InvalidDocument::at('', "{$words[0]} has no verb \"{$name}\": ".implode(', ', array_keys($room->verbs())));
        if (($words[2] ?? '') === '--help') {
            return self::help("{$words[0]} {$name}", $verb);
        }
        [$words, $options] = self::options($words, $verb, $lines);
        if (count($words) > 3) {
            throw InvalidDocument::at('', "\"{$words[3]}\" is one word too many: ROOM VERB [FILE]");
        }
        $json = $read($words[2] ?? '-') ?? throw InvalidDocument::at('', 'cannot read '.($words[2] ?? 'standard input'));

        return $verb->answer($json, $options)."\n";
    }

    /**
     * @param list<string>                               $words
     * @param (\Closure(string): ?iterable<string>)|null $lines
     *
     * @return array{list<string>, array<string, iterable<string>>} the words without the options, and the options' files
     */
    private static function options(array $words, Verb $verb, ?\Closure $lines): array
    {
        $rest = $options = [];
        while (($word = array_shift($words)) !== null) {
            $name = str_starts_with($word, '--') ? substr($word, 2) : null;
            if ($name === null) {
                $rest[] = $word;
                continue;
            }
            in_array($name, $verb->options, true) || throw InvalidDocument::at('', "{$word} is not an option of this verb");
            isset($options[$name]) && throw InvalidDocument::at('', "{$word} is given twice");
            $file = array_shift($words) ?? throw InvalidDocument::at('', "{$word} wants a file");
            $options[$name] = ($lines === null ? null : $lines($file)) ?? throw InvalidDocument::at('', "cannot read {$file}");
        }

        return [$rest, $options];
    }

    private function overview(): string
    {
        $text = "bin/ash ROOM VERB [FILE]   one JSON document in (FILE, or standard input), one out; --help after a verb tells its fields\n\n";
        foreach ($this->rooms as $room => $it) {
            foreach ($it->verbs() as $name => $verb) {
                $text .= sprintf("  %-24s %s\n", "{$room} {$name}", $verb->summary);
            }
        }

        return $text;
    }

    private static function help(string $name, Verb $verb): string
    {
        return "{$name}: {$verb->summary}\n\n{$verb->fields}\n\nExample\n\n{$verb->example}\n\nanswers\n\n{$verb->answer($verb->example)}\n";
    }
}
