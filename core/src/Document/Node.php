<?php

declare(strict_types=1);

namespace Ash\Document;

/**
 * One value of a decoded JSON document and the pointer to it. Every read checks the type; a wrong one
 * is refused with the pointer, so that no default is ever put in its place in silence.
 */
final readonly class Node
{
    private const MAX_TEXT = 20_000;
    public const MOST = 2 ** 53;
    /** Items of a list of which nothing else is said. */
    private const MOST_ITEMS = 10_000;
    /** First and last year of an instant: what a database's calendar holds, with room for the offset. */
    private const YEARS = [1900, 2999];

    private function __construct(private mixed $value, public string $pointer)
    {
    }

    /** @throws InvalidDocument */
    public static function parse(string $json): self
    {
        return new self(Json::parse($json), '');
    }

    /** @param mixed $value as json_decode() gives it: objects as \stdClass */
    public static function of(mixed $value, string $pointer = ''): self
    {
        return new self($value, $pointer);
    }

    /** @throws InvalidDocument always */
    public function refuse(string $detail): never
    {
        throw InvalidDocument::at($this->pointer, $detail);
    }

    /** An object that has no other fields than these. */
    public function only(string ...$fields): self
    {
        foreach (array_keys(get_object_vars($this->object())) as $name) {
            if (!in_array((string) $name, $fields, true)) {
                throw InvalidDocument::at($this->pointer.Pointer::part($name), 'is not a field of this document');
            }
        }

        return $this;
    }

    public function object(): \stdClass
    {
        return $this->value instanceof \stdClass ? $this->value : $this->refuse('must be an object');
    }

    public function has(string $field): bool
    {
        return property_exists($this->object(), $field);
    }

    public function at(string $field): self
    {
        return $this->optional($field) ?? throw InvalidDocument::at($this->pointer.Pointer::part($field), 'is missing');
    }

    public function optional(string $field): ?self
    {
        return $this->has($field)
            ? new self($this->object()->{$field}, $this->pointer.Pointer::part($field))
            : null;
    }

    /** A field that was filled in: a form sends the others empty, or null. */
    public function filled(string $field, bool $emptyIsNothing = true): ?self
    {
        $node = $this->optional($field);

        return $node === null || $node->value === null || ($emptyIsNothing && $node->value === '') ? null : $node;
    }

    /** Two fields of which at most one may be given: the pointer names the second. */
    public function exclusive(string $one, string $other): self
    {
        if ($this->has($one) && $this->has($other)) {
            $this->at($other)->refuse("excludes {$one}: give one of the two");
        }

        return $this;
    }

    /** @return list<self> */
    public function items(int $most = self::MOST_ITEMS): array
    {
        if (!is_array($this->value) || !array_is_list($this->value)) {
            $this->refuse('must be a list');
        }
        if (count($this->value) > $most) {
            $this->refuse("must have at most {$most} items");
        }
        $items = [];
        foreach ($this->value as $i => $item) {
            $items[] = new self($item, $this->pointer.Pointer::part($i));
        }

        return $items;
    }

    /** @return array<array-key, self> the fields of an object whose names are free */
    public function members(): array
    {
        $members = [];
        foreach (get_object_vars($this->object()) as $name => $value) {
            $members[$name] = new self($value, $this->pointer.Pointer::part($name));
        }

        return $members;
    }

    public function isNull(): bool
    {
        return $this->value === null;
    }

    public function raw(): mixed
    {
        return $this->value;
    }

    public function string(): string
    {
        if (!is_string($this->value)) {
            $this->refuse('must be a string');
        }
        if (str_contains($this->value, "\0") || preg_match('//u', $this->value) !== 1) {
            $this->refuse('holds a character that is no text');
        }

        return $this->value;
    }

    /** A string with something in it, at most $max characters; surrounding white space is taken off. */
    public function text(int $max = self::MAX_TEXT): string
    {
        $text = trim($this->string());
        if ($text === '') {
            $this->refuse('must not be empty');
        }
        if (mb_strlen($text) > $max) {
            $this->refuse("must be at most {$max} characters");
        }

        return $text;
    }

    /** A name: like text, but kept to the letter, because references compare it. */
    public function name(): string
    {
        if (trim($this->string()) === '') {
            $this->refuse('must not be empty');
        }

        return $this->string();
    }

    public function bool(): bool
    {
        return is_bool($this->value) ? $this->value : $this->refuse('must be true or false');
    }

    /** A finite number. JSON knows no NaN; a literal such as 1e999 overflows to infinity and is refused. */
    public function number(): float
    {
        if (!is_int($this->value) && !is_float($this->value)) {
            $this->refuse('must be a number');
        }
        $number = (float) $this->value;

        return is_finite($number) ? $number : $this->refuse('must be a finite number');
    }

    public function notNegative(): float
    {
        return $this->number() >= 0.0 ? $this->number() : $this->refuse('must not be negative');
    }

    public function positive(): float
    {
        return $this->number() > 0.0 ? $this->number() : $this->refuse('must be above 0');
    }

    public function between(float $low, float $high): float
    {
        $number = $this->number();

        return $number >= $low && $number <= $high ? $number : $this->refuse("must be from {$low} to {$high}");
    }

    /** Within 2^53 of 0: beyond it a number of JSON no longer says which whole number is meant. */
    public function integer(int $min = -self::MOST, int $max = self::MOST): int
    {
        $value = $this->value;
        if (is_float($value) && floor($value) === $value && abs($value) <= self::MOST) {
            $value = (int) $value;
        }
        if (!is_int($value)) {
            $this->refuse('must be a whole number');
        }
        if ($value < $min || $value > $max) {
            $this->refuse($max === self::MOST && $value < $min ? "must be {$min} or more" : "must be from {$min} to {$max}");
        }

        return $value;
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     */
    public function enum(string $enum): \BackedEnum
    {
        $case = is_string($this->value) ? $enum::tryFrom($this->value) : null;
        if ($case === null) {
            $values = array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases());
            $this->refuse('must be one of '.implode(', ', $values));
        }

        return $case;
    }

    /** An instant: ISO 8601 with an offset or Z; without one the time is not known and is refused. */
    public function instant(): \DateTimeImmutable
    {
        $pattern = '/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,6})?)?(Z|[+-]\d\d:?\d\d)$/';
        if (preg_match($pattern, $this->string()) !== 1) {
            $this->refuse('must be an ISO 8601 time with an offset or Z, such as 2026-03-01T09:30:00Z');
        }
        try {
            $instant = new \DateTimeImmutable($this->string());
        } catch (\Exception) {
            $this->refuse('is not a time that exists');
        }
        $given = substr($this->string(), 0, 10);
        if ((int) $given < self::YEARS[0] || (int) $given > self::YEARS[1]) {
            $this->refuse('must lie in the years '.implode(' to ', self::YEARS));
        }

        return $instant->format('Y-m-d') === $given ? $instant : $this->refuse('is not a time that exists');
    }

    /** @param list<self> $names refuses the second of two equal names */
    public static function distinct(array $names): void
    {
        $seen = [];
        foreach ($names as $node) {
            $name = $node->string();
            if (isset($seen["\0{$name}"])) {
                $node->refuse("\"{$name}\" is given twice");
            }
            $seen["\0{$name}"] = true;
        }
    }
}
