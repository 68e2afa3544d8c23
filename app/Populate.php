<?php

declare(strict_types=1);

namespace App;

use App\Instruments\Meter;
use App\Instruments\SerialPort;
use App\Memory\TaughtLine;
use App\People\Person;
use App\People\Role;
use Ash\Memory\LinePattern;
use Ash\Memory\LineSort;
use Database\Seeders\DemoSeeder;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Uid\Ulid;

/**
 * The first data of a new installation: someone to sign in as, the meters, and with --demo the demo scenario.
 * Does nothing where there are people already. Passwords are made here and written to sign-in.txt beside the data.
 */
final class Populate extends Command
{
    protected $signature = 'ash:populate {--demo : with the demo scenario}';
    protected $description = 'Fill an empty database';

    /** @var array<string, array{string, Role}> */
    private const DEMO = [
        'ines' => ['Ines Calder', Role::Lead],
        'tomas' => ['Tomas Wray', Role::Technician],
        'bea' => ['Bea Holt', Role::Technician],
        'vic' => ['Vic Marsh', Role::Viewer],
    ];

    public function handle(): int
    {
        if (Person::query()->exists()) {
            // An installation from before there were serial ports gets the stand-in tester too.
            SerialPort::query()->exists() || self::tester();

            return self::SUCCESS;
        }
        $lines = DB::transaction(fn (): array => $this->option('demo') ? self::demo() : self::bare());
        $file = base_path('var/sign-in.txt');
        $folder = getenv('ASH_VAR');
        $file = is_string($folder) && $folder !== '' ? "{$folder}/sign-in.txt" : $file;
        touch($file);
        chmod($file, 0600);
        file_put_contents($file, implode("\n", $lines)."\n");

        return self::SUCCESS;
    }

    /** @return list<string> */
    private static function bare(): array
    {
        self::meters();

        return ['Sign in as the lead: '.self::person('lead@ash-bench.example', 'Lead', Role::Lead)[1]];
    }

    /** @return list<string> */
    private static function demo(): array
    {
        $people = $lines = [];
        foreach (self::DEMO as $word => [$name, $role]) {
            [$people[$word], $said] = self::person("{$word}@ash-bench.example", $name, $role);
            $lines[] = "Sign in as {$role->value}: {$said}";
        }
        DemoSeeder::fill($people, ...self::meters());

        return $lines;
    }

    /** @return array{Person, string} */
    private static function person(string $email, string $name, Role $role): array
    {
        $password = implode('-', str_split(bin2hex(random_bytes(6)), 4));

        return [
            Person::query()->create(['name' => $name, 'email' => $email, 'password' => $password, 'role' => $role, 'active' => true]),
            "{$email} / {$password}",
        ];
    }

    private static function tester(): void
    {
        $port = SerialPort::query()->create([
            'name' => 'Stand-in memory tester', 'host' => '127.0.0.1', 'port' => 8042, 'standin' => true, 'active' => true,
        ]);
        // The stand-in introduces itself, which is neither an error nor a pass: its dialect ships with it.
        foreach (['mix', 'fold', 'none'] as $pattern) {
            $line = "memory tester, stand-in; 8 bits, pattern {$pattern}";
            TaughtLine::query()->create([
                'id' => Ulid::generate(), 'port_id' => $port->id, 'pattern' => TaughtLine::json(LinePattern::taught($line, LineSort::Chatter, [])),
                'example' => $line, 'author' => 'Stand-in', 'created_at' => now(), 'active' => true,
            ]);
        }
    }

    /** @return array{Meter, Meter} the stand-in, and a hand-held one whose readings are typed (3 1/2 digits, handbook figures) */
    private static function meters(): array
    {
        $address = ['host' => '127.0.0.1', 'port' => 8041];
        self::tester();

        return [
            Meter::query()->create([
                ...$address,
                'name' => 'Stand-in bench meter',
                'reading_pct' => 0.05,
                'counts' => 5,
                'resolution_v' => 0.001,
                ...Meter::STANDIN_LOSSES,
                'standin' => true,
                'active' => true,
            ]),
            Meter::query()->create([
                ...$address,
                'name' => 'Hand-held, drawer 3',
                'reading_pct' => 0.5,
                'counts' => 2,
                'resolution_v' => 0.01,
                'standin' => false,
                'active' => false,
            ]),
        ];
    }
}
