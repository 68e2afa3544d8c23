<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\Route;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** What the API answers, held against its description (docs/openapi.json): every answer in the HTTP tests passes here. */
final class Described
{
    private const ADDRESS = 'https://ash-bench.example/openapi.json';

    private static ?self $it = null;

    private function __construct(private readonly \stdClass $description, private readonly Validator $validator)
    {
    }

    public static function here(): self
    {
        return self::$it ??= self::read();
    }

    /** An answer that went well must be described, with its code; one that did not must be as described where it is. */
    public function check(Request $request, Response $response): void
    {
        // Nothing when no route was found.
        $uri = Route::current()?->uri() ?? '';
        $body = json_decode((string) $response->getContent());
        if (!str_starts_with($uri, 'api/') || !str_contains((string) $response->headers->get('Content-Type'), 'json')) {
            return;
        }
        $path = substr($uri, 3);
        $method = strtolower($request->method());
        $code = (string) $response->getStatusCode();
        $answers = $this->description->paths->{$path}->{$method}->responses ?? null;
        if ($answers === null || !isset($answers->{$code})) {
            $known = $answers === null && in_array($path, ['/openapi.json', '/jobs/{job}/smells'], true);
            Assert::assertTrue($known || !$response->isSuccessful(), "{$method} {$path} answers {$code}, which is not described");

            return;
        }
        if (!isset($answers->{$code}->content->{'application/json'}->schema)) {
            return;
        }
        $at = implode('/', array_map(
            static fn (string $it): string => rawurlencode(strtr($it, ['~' => '~0', '/' => '~1'])),
            ['paths', $path, $method, 'responses', $code, 'content', 'application/json', 'schema'],
        ));
        $error = $this->validator->validate($body, self::ADDRESS."#/{$at}")->error();
        $said = $error === null ? [] : (new ErrorFormatter())->format($error, false);
        Assert::assertSame([], $said, "{$method} {$path} answered {$code} otherwise than described");
    }

    private static function read(): self
    {
        $description = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/openapi.json'), false, 512, JSON_THROW_ON_ERROR);
        $validator = new Validator();
        $validator->resolver()?->registerRaw($description, self::ADDRESS);

        return new self($description, $validator);
    }
}
