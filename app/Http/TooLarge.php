<?php

declare(strict_types=1);

namespace App\Http;

use Symfony\Component\HttpKernel\Exception\HttpException;

/** A body beyond what its route takes. */
final class TooLarge extends HttpException
{
    private const WORDS = 'is larger than anything that is taken here';

    public function __construct()
    {
        parent::__construct(413, self::WORDS);
    }

    /**
     * Whether a request is refused by the length that it states, before the framework takes it up: a JSON body is decoded right then.
     *
     * @param array<mixed> $server as PHP has it
     */
    public static function stated(array $server): bool
    {
        $type = $server['CONTENT_TYPE'] ?? '';
        $length = $server['CONTENT_LENGTH'] ?? '';

        return is_string($type) && preg_match('~[/+]json~i', $type) === 1 && is_numeric($length) && $length > Body::MAX_BYTES;
    }

    public static function answer(): void
    {
        http_response_code(413);
        header('Content-Type: application/json');
        echo json_encode(['errors' => [['pointer' => '', 'detail' => self::WORDS]]], JSON_THROW_ON_ERROR);
    }
}
