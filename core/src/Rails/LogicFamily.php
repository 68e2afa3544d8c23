<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Input thresholds: TTL 0.8 V and 2.0 V (TI SN74xx data sheets); CMOS 0.3 and 0.7 of the supply (data sheets, from memory). */
enum LogicFamily: string
{
    case Ttl = 'ttl';
    case Cmos = 'cmos';

    /** @return array{low_max: float, high_min: float} */
    public function thresholds(float $supplyV): array
    {
        return match ($this) {
            self::Ttl => ['low_max' => 0.8, 'high_min' => 2.0],
            self::Cmos => ['low_max' => $supplyV * 3 / 10, 'high_min' => $supplyV * 7 / 10],
        };
    }
}
