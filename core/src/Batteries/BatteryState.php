<?php

declare(strict_types=1);

namespace Ash\Batteries;

/** What is known of the clock or settings battery. */
enum BatteryState: string
{
    case Leaking = 'leaking';
    case Sound = 'sound';
    case Removed = 'removed';
    case Fitted = 'fitted';
    case None = 'none';

    public function words(): string
    {
        return $this === self::None ? 'none on this board' : $this->value;
    }

    /** @return list<self> in which it may be found; fitted is what somebody does */
    public static function found(): array
    {
        return [self::Leaking, self::Sound, self::Removed, self::None];
    }
}
