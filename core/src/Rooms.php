<?php

declare(strict_types=1);

namespace Ash;

use Ash\Batteries\BatteriesRoom;
use Ash\Capacitors\CapacitorsRoom;
use Ash\Corrosion\CorrosionRoom;
use Ash\Isolation\IsolationRoom;
use Ash\Logbook\Hall;
use Ash\Logbook\LogbookRoom;
use Ash\Logbook\Room;
use Ash\Memory\MemoryRoom;
use Ash\Rails\RailsRoom;
use Ash\Setup\SetupRoom;
use Ash\Treatments\TreatmentsRoom;

/** The rooms of this floor. A new one is a line here. */
final readonly class Rooms
{
    /** @return list<Room> in the order in which they are asked */
    public static function all(): array
    {
        return [
            new BatteriesRoom(),
            new RailsRoom(),
            new LogbookRoom(),
            new CorrosionRoom(),
            new MemoryRoom(),
            new CapacitorsRoom(),
            new IsolationRoom(),
            new SetupRoom(),
            new TreatmentsRoom(),
        ];
    }

    public static function hall(): Hall
    {
        return new Hall(...self::all());
    }
}
