<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Document\Node;
use Ash\Document\Plain;

/** Text of a test, as long as it may be pasted. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Pasted extends Plain
{
    public function read(Node $node): string
    {
        $text = $node->string();
        trim($text) !== '' || $node->refuse('must not be empty');

        return strlen($text) <= Sources::MOST_TEXT ? $text : $node->refuse('is too long to paste: hand it in as a file');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'minLength' => 1];
    }
}
