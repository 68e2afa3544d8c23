<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database, written when something in them has changed, and otherwise once a minute: a page that is only
 * read should not cost a transaction on the disk. Who has not signed in has no row.
 */
final class SessionRows extends DatabaseSessionHandler
{
    /** Seconds for which "last active" may lag behind. */
    private const LAG = 60;

    private ?string $payload = null;
    private int $written = 0;

    public function read($sessionId): string
    {
        $row = $this->getQuery()->find($sessionId, ['payload', 'last_activity']);
        $this->exists = is_object($row);
        if (!is_object($row) || $this->expired($row)) {
            return '';
        }
        $this->payload = is_string($row->payload) ? $row->payload : null;
        $this->written = (int) $row->last_activity;

        return base64_decode($this->payload ?? '', true) ?: '';
    }

    /**
     * @param string               $sessionId
     * @param array<string, mixed> $payload
     */
    protected function performInsert($sessionId, $payload): ?bool
    {
        return ($payload['user_id'] ?? null) === null ? true : parent::performInsert($sessionId, $payload);
    }

    /**
     * @param string               $sessionId
     * @param array<string, mixed> $payload
     */
    protected function performUpdate($sessionId, $payload): int
    {
        $unchanged = $payload['payload'] === $this->payload && $this->currentTime() - $this->written < self::LAG;

        return $unchanged ? 0 : parent::performUpdate($sessionId, $payload);
    }
}
