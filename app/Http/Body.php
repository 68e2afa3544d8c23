<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Illuminate\Http\Request;

/** A request's JSON body, read as strictly as bin/ash reads its document. */
final readonly class Body
{
    public const MAX_BYTES = 2_000_000;
    /** Of somebody who has not signed in. */
    public const MOST_UNKNOWN = 4_000;

    /**
     * @template T of object
     *
     * @param class-string<T> $class with a shape
     *
     * @return T
     */
    public static function as(Request $request, string $class): object
    {
        return Shape::of($class)->read(self::of($request));
    }

    /**
     * A form with a file: every field is text.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    public static function form(Request $request, string $class): object
    {
        return Shape::of($class)->read(Node::of((object) array_filter($request->request->all(), is_string(...))));
    }

    public static function of(Request $request): Node
    {
        if (!$request->isJson()) {
            throw InvalidDocument::at('', 'must be sent as application/json');
        }
        $text = $request->getContent();
        if (strlen($text) > self::MAX_BYTES) {
            throw InvalidDocument::at('', 'must be at most 2 MB');
        }
        $node = Node::parse($text);
        $node->object();

        return $node;
    }
}
