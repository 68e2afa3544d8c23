<?php

declare(strict_types=1);

namespace App\Memory;

/** A capture is under way until it is stopped or lost; text and files are whole, or cut at their end. */
enum SourceState: string
{
    case Whole = 'whole';
    case Cut = 'cut';
    case Running = 'running';
    case Silent = 'silent';
    case Stopping = 'stopping';
    case Stopped = 'stopped';
    case Lost = 'lost';

    public function words(): string
    {
        return match ($this) {
            self::Whole => 'read whole',
            self::Cut => 'cut at its end; what was whole is kept',
            self::Running => 'listening',
            self::Silent => 'the tester is silent; what came in is kept, and the line is still open',
            self::Stopping => 'stopping',
            self::Stopped => 'stopped',
            self::Lost => 'the line was lost; what came in is kept',
        };
    }

    public function active(): bool
    {
        return in_array($this, [self::Running, self::Silent, self::Stopping], true);
    }
}
