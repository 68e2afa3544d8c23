<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The door for text that is none: what stands in an address, its query, the fields of a form or the name of a file must be UTF-8 without NUL.
 * JSON bodies have the same door in Ash\Document\Node. A body too large for its route is refused by size.
 */
final readonly class PlainText
{
    public function handle(Request $request, \Closure $next): Response
    {
        self::fields($request->query->all(), '');
        self::fields($request->request->all(), '');
        Node::of(rawurldecode($request->getPathInfo()))->string();
        foreach ($request->allFiles() as $name => $file) {
            foreach (is_array($file) ? $file : [$file] as $one) {
                self::fields([$name => $one->getClientOriginalName()], '');
            }
        }
        if ($request->isJson() && strlen($request->getContent()) > ($request->is('api/session') ? Body::MOST_UNKNOWN : Body::MAX_BYTES)) {
            throw new TooLarge();
        }

        /** @var Response */
        return $next($request);
    }

    /** @param array<array-key, mixed> $fields */
    private static function fields(array $fields, string $pointer): void
    {
        foreach ($fields as $name => $value) {
            $at = $pointer.'/'.strtr(mb_scrub((string) $name), ['~' => '~0', '/' => '~1']);
            foreach ([(string) $name, is_string($value) ? $value : ''] as $text) {
                if (str_contains($text, "\0") || preg_match('//u', $text) !== 1) {
                    throw InvalidDocument::at($at, 'holds a character that is no text');
                }
            }
            is_array($value) && self::fields($value, $at);
        }
    }
}
