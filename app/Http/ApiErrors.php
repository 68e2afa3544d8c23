<?php

declare(strict_types=1);

namespace App\Http;

use Ash\Document\InvalidDocument;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\ErrorHandler\Error\FatalError;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Every error of the API has one shape: {"errors": [{"pointer", "detail"}]}, the pointer into the body that was sent. */
final readonly class ApiErrors
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([InvalidDocument::class, Refused::class, Conflict::class]);
        $exceptions->render(static fn (InvalidDocument $fault): JsonResponse => self::answer(422, $fault->pointer, $fault->detail));
        $exceptions->render(static fn (Refused $fault): JsonResponse => new JsonResponse(['errors' => $fault->faults], $fault->status));
        $exceptions->render(static fn (Conflict $fault): JsonResponse => self::answer(409, $fault->pointer, $fault->detail));
        $exceptions->render(static function (\Throwable $problem, Request $request): ?JsonResponse {
            if (!$request->is('api/*') && !$request->expectsJson()) {
                return null;
            }
            [$status, $detail] = match (true) {
                $problem instanceof AuthenticationException => [401, 'sign in first'],
                $problem instanceof HttpExceptionInterface => [$problem->getStatusCode(), self::words($problem)],
                $problem instanceof FatalError && preg_match('/Maximum execution time|Allowed memory size/', $problem->getMessage()) === 1 => [
                    503, 'this asks for more time or memory than one request may have; nothing was saved',
                ],
                $problem instanceof \PDOException
                    && preg_match(
                        '/\[(2002|2006|2013|1053)\]|gone away|Lost connection/',
                        $problem->getMessage(),
                    ) === 1 => [503, 'the database cannot be reached; nothing was saved'],
                // The disk under the database: 1021 disk full, 1114 table full, 3 and 28 no space for a file.
                $problem instanceof \PDOException && preg_match('/ (1021|1114) |errno: 28|No space left/', $problem->getMessage()) === 1 => [
                    507, 'the disk is full: nothing was saved, reading goes on. Tell the lead',
                ],
                default => [500, 'the server failed; nothing was saved'.(LogLine::id() === '' ? '' : ' (request '.LogLine::id().')')],
            };

            return self::answer($status, '', $detail, $problem instanceof HttpExceptionInterface ? $problem->getHeaders() : []);
        });
    }

    private static function words(HttpExceptionInterface $problem): string
    {
        return match ($problem->getStatusCode()) {
            403 => 'your role does not allow this',
            404 => 'there is nothing here',
            405 => 'this cannot be done here',
            419 => 'the page is too old: load it again',
            429 => 'too many requests: wait a moment',
            default => $problem->getMessage() !== '' ? $problem->getMessage() : 'refused',
        };
    }

    /** @param array<string, mixed> $headers */
    private static function answer(int $status, string $pointer, string $detail, array $headers = []): JsonResponse
    {
        return new JsonResponse(['errors' => [['pointer' => $pointer, 'detail' => $detail]]], $status, $headers, JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
