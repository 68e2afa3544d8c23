<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Log\Logger;
use Monolog\Formatter\JsonFormatter;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;
use Monolog\LogRecord;

/** One JSON line an event, with the request's id, which error answers show too; no body and no query, which may hold what is nobody's business. */
final readonly class LogLine
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        if (!$monolog instanceof Monolog) {
            return;
        }
        foreach ($monolog->getHandlers() as $handler) {
            if ($handler instanceof FormattableHandlerInterface) {
                $handler->setFormatter(new JsonFormatter(JsonFormatter::BATCH_MODE_NEWLINES, true, false, true));
            }
        }
        $monolog->pushProcessor(static fn (LogRecord $record): LogRecord => $record->with(extra: [
            ...$record->extra,
            'request' => self::id(),
            'method' => PHP_SAPI === 'cli' ? 'cli' : request()->method(),
            'path' => PHP_SAPI === 'cli' ? '' : request()->path(),
        ]));
    }

    /** As the web server made it, so that its own answers carry the same. */
    public static function id(): string
    {
        $given = $_SERVER['REQUEST_ID'] ?? '';

        return is_string($given) && preg_match('/^[0-9a-f]{32}$/', $given) === 1 ? $given : '';
    }
}
