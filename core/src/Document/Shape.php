<?php

declare(strict_types=1);

namespace Ash\Document;

use Ash\Document\Field\Moment;
use Ash\Document\Field\OneOf;
use Ash\Document\Field\Shaped;

/**
 * The one declaration of a document: the constructor of a readonly class, each parameter with its rule as an attribute. From it come
 * the strict reader, the canonical JSON, the JSON Schema, the API's description and with that the types of the screens.
 *
 * A parameter in camelCase is a field in snake_case. One that may be null or has a default may be left out. Canonical JSON has the
 * fields in the constructor's order, without those that are null and without empty lists that may be left out.
 *
 * @template T of object
 */
final readonly class Shape
{
    /**
     * @param class-string<T>      $class
     * @param array<string, Field> $fields by name in the document
     */
    private function __construct(private string $class, private array $fields)
    {
    }

    /**
     * @template C of object
     *
     * @param class-string<C> $class
     *
     * @return self<C>
     */
    public static function of(string $class): self
    {
        // What a class declares never changes while a program runs, and reading it costs more than reading a document.
        /** @var array<string, self<object>> $known */
        static $known = [];

        /** @var self<C> */
        return $known[$class] ??= self::declared($class);
    }

    /** @param class-string $class of an enum, or with a shape */
    public static function rule(string $class): Rule
    {
        return match (true) {
            is_subclass_of($class, \BackedEnum::class) => new OneOf($class),
            is_a($class, \DateTimeInterface::class, true) => new Moment(),
            is_subclass_of($class, Rule::class) => (new \ReflectionClass($class))->newInstance(),
            default => new Shaped($class),
        };
    }

    /**
     * Strictly, from outside: no other fields, none of those that are kept by the record.
     *
     * @return T
     *
     * @throws InvalidDocument
     */
    public function read(Node $node): object
    {
        $taken = array_filter($this->fields, static fn (Field $field): bool => !$field->kept);
        $node->only(...array_map(strval(...), array_keys($taken)));
        $values = [];
        foreach ($taken as $name => $field) {
            $at = $field->nullable ? $node->filled((string) $name, $field->emptyIsNothing) : $node->optional((string) $name);
            if ($at !== null) {
                $values[$field->parameter] = $field->rule->read($at);
            } elseif (!$field->optional) {
                $node->at((string) $name);
            }
        }
        $it = $this->made($values);

        return $it instanceof Settled ? $it->settled($node) : $it;
    }

    /**
     * What write() gave, from somewhere else: as strict as read(), with the fields that only the record fills.
     *
     * @return T
     *
     * @throws InvalidDocument
     */
    public function again(Node $node): object
    {
        $node->only(...array_map(strval(...), array_keys($this->fields)));
        $values = [];
        foreach ($this->fields as $name => $field) {
            $at = $node->optional((string) $name);
            if ($at !== null && !($at->isNull() && $field->nullable)) {
                $values[$field->parameter] = $field->rule->read($at);
            } elseif (!$field->optional && !$field->hasDefault && !$field->nullable) {
                $node->at((string) $name);
            }
        }
        try {
            $it = $this->made($values);
        } catch (\TypeError|\ArgumentCountError) {
            $node->refuse('lacks a field, or has one of another type');
        }

        // Where the record fills fields in, what is handed in and what is kept follow different rules; elsewhere they are the same.
        return $it instanceof Settled && array_filter($this->fields, static fn (Field $field): bool => $field->kept) === [] ? $it->settled($node) : $it;
    }

    /**
     * What write() gave, taken up again.
     *
     * @return T
     *
     * @throws \TypeError|\ValueError|\ArgumentCountError when it is not what a writer of this class wrote
     */
    public function revive(\stdClass $stored): object
    {
        $values = [];
        foreach (get_object_vars($stored) as $name => $value) {
            $field = $this->fields[$name] ?? null;
            if ($field !== null && ($value !== null || !$field->hasDefault)) {
                $values[$field->parameter] = $field->rule->revive($value);
            }
        }

        return $this->made($values);
    }

    /**
     * @param T $it
     *
     * @return array<string, mixed> canonical, as json_encode() takes it
     */
    public function write(object $it): array
    {
        $document = [];
        foreach ($this->fields as $name => $field) {
            $value = $it->{$field->parameter};
            if ($value !== null && ($value !== [] || $field->writtenEmpty || !$field->hasDefault)) {
                $document[$name] = $field->rule->write($value);
            }
        }

        return $document;
    }

    /**
     * All fields, also those that are null or empty, as an answer has them: what is not known is null.
     *
     * @param T $it
     *
     * @return array<string, mixed>
     */
    public function whole(object $it): array
    {
        return array_map(static fn (Field $field): mixed => $field->rule->whole($it->{$field->parameter}), $this->fields);
    }

    /**
     * The same with some fields changed.
     *
     * @param T                    $it
     * @param array<string, mixed> $changes by parameter
     *
     * @return T
     */
    public function with(object $it, array $changes): object
    {
        $values = [];
        foreach ($this->fields as $field) {
            $values[$field->parameter] = $it->{$field->parameter};
        }

        return $this->made([...$values, ...$changes]);
    }

    /**
     * @param bool $kept with what is not handed in
     *
     * @return array<string, mixed> JSON Schema (draft 2020-12)
     */
    public function schema(bool $kept = false): array
    {
        $fields = array_filter($this->fields, static fn (Field $field): bool => $kept || !$field->kept);
        $required = array_keys(array_filter($fields, static fn (Field $field): bool => !$field->optional));

        return [
            'type' => 'object',
            'properties' => $fields === [] ? new \stdClass() : array_map(static fn (Field $field): array => $field->schema(), $fields),
            ...($required === [] ? [] : ['required' => $required]),
            'additionalProperties' => false,
        ];
    }

    /**
     * @template C of object
     *
     * @param class-string<C> $class
     *
     * @return self<C>
     */
    private static function declared(string $class): self
    {
        $fields = [];
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $field = Field::of($parameter);
            $fields[$field->name] = $field;
        }

        return new self($class, $fields);
    }

    /**
     * @param array<string, mixed> $values
     *
     * @return T
     */
    private function made(array $values): object
    {
        foreach ($this->fields as $field) {
            if ($field->optional && !$field->hasDefault) {
                $values[$field->parameter] ??= null;
            }
        }

        return new ($this->class)(...$values);
    }
}
