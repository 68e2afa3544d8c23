<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;

/** A place in a list that is ordered by a time and an identifier: the next page starts behind it, whatever was added since. */
final readonly class Cursor
{
    public static function of(object $row, string $time): string
    {
        $r = new Row($row);

        return rtrim(strtr(base64_encode($r->string($time).'|'.$r->string('id')), '+/', '-_'), '=');
    }

    /** @return array{string, string} */
    public static function read(Node $node): array
    {
        $text = base64_decode(strtr($node->string(), '-_', '+/'), true);
        if ($text === false || preg_match('/^(\d{4}-\d\d-\d\d \d\d:\d\d:\d\d(?:\.\d+)?)\|([0-9A-Za-z]{26})$/', $text, $m) !== 1) {
            $node->refuse('is not a place in this list');
        }

        return [$m[1], $m[2]];
    }
}
