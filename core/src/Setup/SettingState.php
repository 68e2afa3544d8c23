<?php

declare(strict_types=1);

namespace Ash\Setup;

/** How far a search is with a setting. */
final readonly class SettingState
{
    /**
     * @param int  $at   the option it stands on
     * @param bool $free it may stay or move
     * @param bool $open it has to move, and nobody knows yet where to
     */
    private function __construct(public int $at, public bool $free, public bool $open)
    {
    }

    public static function kept(int $at): self
    {
        return new self($at, false, false);
    }

    public static function free(int $at): self
    {
        return new self($at, true, false);
    }

    public static function mustMove(int $at): self
    {
        return new self($at, false, true);
    }
}
