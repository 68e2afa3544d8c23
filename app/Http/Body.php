<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Illuminate\Http\Request;

/** A request's JSON body, read as strictly as bin/ash reads its document. */
final readonly class Body
{
    public const MAX_BYTES = 2_000_000;

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
