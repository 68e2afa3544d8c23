<?php

declare(strict_types=1);

namespace Ash\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Who may know whom on each floor. Folders are found on the disk: a new room that nobody lists here, or on its floor's list, is refused. */
final class RoomsTest extends TestCase
{
    private const GROUND = ['Document', 'Quantity', 'Statistics', 'Cli', 'Facts'];
    private const CORE = [
        'Document' => [],
        'Statistics' => [],
        'Quantity' => ['Document'],
        'Facts' => ['Document'],
        'Cli' => ['Document'],
        'Logbook' => ['Document', 'Facts', 'Cli'],
        'Rails' => ['Logbook', ...self::GROUND],
        'Batteries' => ['Logbook', ...self::GROUND],
        // A leak is named after the cell it came from.
        'Corrosion' => ['Logbook', 'Batteries', ...self::GROUND],
        'Isolation' => ['Logbook', ...self::GROUND],
        'Setup' => ['Logbook', ...self::GROUND],
        'Treatments' => ['Logbook', ...self::GROUND],
        'Memory' => ['Logbook', ...self::GROUND],
        'Capacitors' => ['Logbook', ...self::GROUND],
        'Shelf' => ['Logbook', ...self::GROUND],
    ];
    private const BELOW = ['Logbook', 'Bench', 'People', 'Http'];
    private const APP = [
        'Http' => [],
        'Bench' => [],
        'People' => ['Http'],
        'Logbook' => ['Bench', 'People', 'Http'],
        'Instruments' => self::BELOW,
        'Rails' => ['Instruments', ...self::BELOW],
        'Batteries' => self::BELOW,
        'Corrosion' => ['Instruments', 'Batteries', ...self::BELOW],
        'Isolation' => self::BELOW,
        'Treatments' => self::BELOW,
        'Setup' => self::BELOW,
        'Memory' => ['Instruments', ...self::BELOW],
        'Shelf' => self::BELOW,
        // What may be fitted lies on the shelf.
        'Capacitors' => ['Instruments', 'Shelf', ...self::BELOW],
        'Report' => self::BELOW,
    ];
    private const TS = ['api', 'ui', 'bench'];

    private static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    public function test_the_core_is_built_of_rooms_that_know_the_hall_and_the_ground_only(): void
    {
        $arrows = Arrows::php(self::root().'/core/src', 'Ash');
        self::assertSame([], $arrows->wrong(self::CORE));
        self::assertSame([], $arrows->foreign, 'core imports nothing from outside');
    }

    public function test_so_is_the_application(): void
    {
        self::assertSame([], Arrows::php(self::root().'/app', 'App')->wrong(self::APP));
    }

    public function test_so_is_the_front_end(): void
    {
        $arrows = Arrows::typeScript(self::root().'/resources/ts');
        $allowed = ['api' => [], 'ui' => ['api'], 'bench' => ['ui', 'api']];
        foreach ($arrows->folders as $folder) {
            $allowed += str_starts_with($folder, 'rooms/') ? [$folder => self::TS] : [];
        }
        self::assertSame([], $arrows->wrong($allowed));
        self::assertContains('rooms/rails', $arrows->folders);
    }

    /** @return iterable<string, array{string, string}> the floor's list and its rooms */
    public static function lists(): iterable
    {
        yield 'core' => ['core/src/Rooms.php', 'core/src/*/*Room.php'];
        yield 'app' => ['app/Rooms.php', 'app/*/*Room.php'];
        yield 'ts' => ['resources/ts/rooms.ts', 'resources/ts/rooms/*/room.ts*'];
    }

    #[DataProvider('lists')]
    public function test_every_room_on_the_disk_stands_in_its_floors_list(string $list, string $pattern): void
    {
        $text = (string) file_get_contents(self::root().'/'.$list);
        $found = array_filter(glob(self::root().'/'.$pattern) ?: [], static fn (string $it): bool => basename($it) !== 'Room.php');
        self::assertGreaterThan(5, count($found));
        foreach ($found as $room) {
            $name = str_starts_with($list, 'resources') ? './rooms/'.basename(dirname($room)).'/room' : 'new '.basename($room, '.php');
            self::assertStringContainsString($name, $text, $room);
        }
    }

    /** @return iterable<string, array{array<string, string>, array<string, list<string>>, string}> files, what is allowed, what must be said */
    public static function planted(): iterable
    {
        $uses = static fn (string $room, string $name): string => "<?php\nnamespace Ash\\{$room};\nfinal class A { public function b(): "
            ."void { {$name}::c(); } }\n";
        yield 'the hall knows a room' => [
            ['Logbook/A.php' => $uses('Logbook', '\Ash\Rails\B'), 'Rails/B.php' => '<?php'],
            ['Logbook' => ['Document'], 'Rails' => ['Logbook']],
            'Logbook knows Rails: Logbook/A.php',
        ];
        yield 'an imported name' => [
            ['Logbook/A.php' => "<?php\nnamespace Ash\\Logbook;\nuse Ash\\Rails\\B;\nfinal class A { public ?B \$b = null; }\n", 'Rails/B.php' => '<?php'],
            ['Logbook' => [], 'Rails' => ['Logbook']],
            'Logbook knows Rails: Logbook/A.php',
        ];
        yield 'a circle of arrows that are allowed one by one' => [
            ['X/A.php' => $uses('X', '\Ash\Y\B'), 'Y/B.php' => $uses('Y', '\Ash\Z\C'), 'Z/C.php' => $uses('Z', '\Ash\X\A')],
            ['X' => ['Y'], 'Y' => ['Z'], 'Z' => ['X']],
            'X stands in a circle',
        ];
        yield 'a room that nobody knows of' => [['New/A.php' => '<?php'], [], 'New lies on the disk and nobody said whom it may know'];
    }

    /**
     * @param array<string, string>       $files
     * @param array<string, list<string>> $allowed
     */
    #[DataProvider('planted')]
    public function test_what_is_planted_is_found(array $files, array $allowed, string $said): void
    {
        self::planting($files, static fn (string $root) => self::assertContains($said, Arrows::php($root, 'Ash')->wrong($allowed)));
    }

    public function test_a_framework_in_the_core_is_found(): void
    {
        $file = "<?php\nnamespace Ash\\Rails;\nuse Illuminate\\Support\\Str;\nfinal class A { public function b(): string { return Str::lower('A'); } }\n";
        self::planting(['Rails/A.php' => $file], static fn (string $root) => self::assertSame(
            ['Rails/A.php' => ['Illuminate\Support\Str']],
            Arrows::php($root, 'Ash')->foreign,
        ));
    }

    public function test_a_room_of_the_front_end_that_knows_another_is_found(): void
    {
        $files = [
            'rooms/a/a.tsx' => "import { B } from '../b/b';\n",
            'rooms/b/b.tsx' => "const A = await import('../a/a');\n",
            'ui/x.ts' => "import { y } from '../bench/y';\n",
        ];
        self::planting($files, static function (string $root): void {
            $wrong = Arrows::typeScript($root)->wrong(['rooms/a' => ['ui'], 'rooms/b' => ['rooms/a'], 'ui' => []]);
            self::assertContains('rooms/a knows rooms/b: rooms/a/a.tsx', $wrong);
            self::assertContains('ui knows bench: ui/x.ts', $wrong);
            self::assertNotContains('rooms/b knows rooms/a: rooms/b/b.tsx', $wrong);
            self::assertContains('rooms/a stands in a circle', $wrong);
        });
    }

    /**
     * @param array<string, string>  $files
     * @param \Closure(string): void $then
     */
    private static function planting(array $files, \Closure $then): void
    {
        $root = sys_get_temp_dir().'/ash-planted-'.bin2hex(random_bytes(6));
        foreach ($files as $path => $code) {
            is_dir(dirname("{$root}/{$path}")) || mkdir(dirname("{$root}/{$path}"), recursive: true);
            file_put_contents("{$root}/{$path}", $code);
        }
        try {
            $then($root);
        } finally {
            foreach (array_keys($files) as $path) {
                unlink("{$root}/{$path}");
            }
            foreach ([...glob("{$root}/*/*", \GLOB_ONLYDIR) ?: [], ...glob("{$root}/*", \GLOB_ONLYDIR) ?: [], $root] as $folder) {
                rmdir($folder);
            }
        }
    }
}
