<?php

declare(strict_types=1);

namespace Ash\Tests\Document;

use Ash\Document\InvalidDocument;
use Ash\Document\Json;
use Ash\Document\Node;
use Ash\Document\Pointer;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Strict reading: a type is never bent and a default is never put in silence. */
final class NodeTest extends TestCase
{
    use TestTrait;

    /** @return array<string, array{\Closure(Node): mixed, string, bool}> how it is read, the JSON, whether it is taken */
    public static function reads(): array
    {
        return [
            'a whole number as a float' => [static fn (Node $it): mixed => $it->integer(), '3.0', true],
            'a broken number as an integer' => [static fn (Node $it): mixed => $it->integer(), '3.5', false],
            'a text as a number' => [static fn (Node $it): mixed => $it->number(), '"3"', false],
            'true as a number' => [static fn (Node $it): mixed => $it->number(), 'true', false],
            'null as a number' => [static fn (Node $it): mixed => $it->number(), 'null', false],
            'too large a number' => [static fn (Node $it): mixed => $it->number(), '1e400', false],
            'one as true' => [static fn (Node $it): mixed => $it->bool(), '1', false],
            'minus nothing' => [static fn (Node $it): mixed => $it->notNegative(), '-0.0', true],
            'zero where it must be above' => [static fn (Node $it): mixed => $it->positive(), '0', false],
            'a blank text' => [static fn (Node $it): mixed => $it->text(), '"  \n"', false],
            'a long text' => [static fn (Node $it): mixed => $it->text(3), '"four"', false],
            'a number as text' => [static fn (Node $it): mixed => $it->string(), '4', false],
            'an object as a list' => [static fn (Node $it): mixed => $it->items(), '{"0": 1}', false],
            'an empty object as a list' => [static fn (Node $it): mixed => $it->items(), '{}', false],
            'an empty list as an object' => [static fn (Node $it): mixed => $it->object(), '[]', false],
            'an unknown word' => [static fn (Node $it): mixed => $it->enum(\Ash\Rails\Load::class), '"heavy"', false],
            'a number as a word' => [static fn (Node $it): mixed => $it->enum(\Ash\Rails\Load::class), '1', false],
            'a time with an offset' => [static fn (Node $it): mixed => $it->instant(), '"2026-03-29T02:30:00+02:00"', true],
            'a time with a fraction' => [static fn (Node $it): mixed => $it->instant(), '"2026-03-29T02:30:00.123Z"', true],
            'a time without an offset' => [static fn (Node $it): mixed => $it->instant(), '"2026-03-29T02:30:00"', false],
            'a day alone' => [static fn (Node $it): mixed => $it->instant(), '"2026-03-29"', false],
            'the 30th of February' => [static fn (Node $it): mixed => $it->instant(), '"2026-02-30T00:00:00Z"', false],
            'the 25th hour' => [static fn (Node $it): mixed => $it->instant(), '"2026-02-20T25:00:00Z"', false],
            'yesterday' => [static fn (Node $it): mixed => $it->instant(), '"yesterday"', false],
        ];
    }

    /** @param \Closure(Node): mixed $read */
    #[DataProvider('reads')]
    public function test_a_type_is_taken_or_refused(\Closure $read, string $json, bool $taken): void
    {
        try {
            $read(Node::parse("{\"a\": [{$json}]}")->at('a')->items()[0]);
            self::assertTrue($taken);
        } catch (InvalidDocument $fault) {
            self::assertFalse($taken, $fault->detail);
            self::assertSame('/a/0', $fault->pointer);
        }
    }

    public function test_whatever_php_encodes_is_read_back_with_its_pointers(): void
    {
        $this->forAll(Generators::associative([
            'a/b' => Generators::int(),
            'c~d' => Generators::seq(Generators::bool()),
            'e' => Generators::elements('', "\u{e9}\"\\/{[,:", "\n"),
        ]))
            ->then(static function (array $value): void {
                $json = json_encode($value, JSON_THROW_ON_ERROR);
                self::assertEquals(json_decode($json), Json::parse($json));
                $node = Node::parse($json)->only('a/b', 'c~d', 'e');
                self::assertSame(['/a~1b', '/c~0d'], [$node->at('a/b')->pointer, $node->at('c~d')->pointer]);
            });
    }

    public function test_a_name_given_twice_is_found_wherever_it_stands_and_equal_names_elsewhere_are_not(): void
    {
        foreach ([
            '{"a": 1, "a": 1}' => '/a',
            '{"x": [{"a": 1}, {"b": {"a": 1, "c": [], "a": 2}}]}' => '/x/1/b/a',
            '{"\u0061": 1, "a": 2}' => '/a',
            '{"": 1, "": 2}' => '/',
        ] as $json => $pointer) {
            try {
                Json::parse($json);
                self::fail("{$json} was taken");
            } catch (InvalidDocument $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
        Json::parse('{"a": {"a": [{"a": "a:\\"a\\": {"}, {"a": 1}]}, "b": "a"}');
        $this->addToAssertionCount(1);
    }

    /** RFC 6901, 5: the examples of the standard. */
    public function test_pointers_of_the_standard(): void
    {
        foreach ([
            '/foo' => ['foo'],
            '/foo/0' => ['foo', '0'],
            '/' => [''],
            '/a~1b' => ['a/b'],
            '/m~0n' => ['m~n'],
            '/c%d' => ['c%d'],
            '/ ' => [' '],
            '' => [],
        ] as $pointer => $parts) {
            self::assertSame((string) $pointer, Pointer::of($parts));
        }
    }
}
