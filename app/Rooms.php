<?php

declare(strict_types=1);

namespace App;

use App\Batteries\BatteriesRoom;
use App\Capacitors\CapacitorsRoom;
use App\Corrosion\CorrosionRoom;
use App\Instruments\InstrumentsRoom;
use App\Isolation\IsolationRoom;
use App\Logbook\House;
use App\Logbook\LogbookRoom;
use App\Logbook\Room;
use App\Memory\MemoryRoom;
use App\Rails\RailsRoom;
use App\Report\ReportRoom;
use App\Setup\SetupRoom;
use App\Shelf\ShelfRoom;
use App\Treatments\TreatmentsRoom;

/** The rooms of this floor. A new one is a line here. */
final readonly class Rooms
{
    /** @return list<Room> in the order in which they are asked */
    public static function all(): array
    {
        return [
            new LogbookRoom(),
            new RailsRoom(),
            new BatteriesRoom(),
            new CorrosionRoom(),
            new MemoryRoom(),
            // A part from the shelf is known before it is asked how round it goes in.
            new ShelfRoom(),
            new CapacitorsRoom(),
            new SetupRoom(),
            new IsolationRoom(),
            new TreatmentsRoom(),
            new InstrumentsRoom(),
            new ReportRoom(),
        ];
    }

    public static function house(): House
    {
        return new House(\Ash\Rooms::hall(), self::all());
    }
}
