<?php

declare(strict_types=1);

namespace Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Arrows point one way: ts -> HTTP -> app -> core. Checked in the static analysis of PHP; what TypeScript may hold is checked in core/tests/HouseTest.php. */
final class Architecture
{
    /** @return list<string> as they lie on the disk; who may know whom stands in core/tests/RoomsTest.php */
    private static function rooms(): array
    {
        return array_map(basename(...), glob(dirname(__DIR__).'/app/*', \GLOB_ONLYDIR) ?: []);
    }

    public function test_core_knows_nobody(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Ash'))
            ->shouldNot()->dependOn()
            ->classes(Selector::Not(Selector::inNamespace('Ash')))
            ->because('core has no framework, no I/O and no clock');
    }

    public function test_a_stand_in_is_a_program_of_its_own(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('AshStandins'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('Ash'), Selector::inNamespace('App'), Selector::inNamespace('Illuminate'))
            ->because('it stands for a device on the network');
    }

    /** @return iterable<string, Rule> */
    public function test_a_room_does_not_reach_into_another_rooms_controllers(): iterable
    {
        foreach (self::rooms() as $room) {
            yield $room => PHPat::rule()
                ->classes(Selector::inNamespace("App\\{$room}"))
                ->shouldNot()->dependOn()
                ->classes(Selector::AllOf(
                    Selector::inNamespace('App'),
                    Selector::Not(Selector::inNamespace("App\\{$room}")),
                    Selector::classname('/Controller$/', true),
                ))
                ->because('a controller is the door of its own room');
        }
    }
}
