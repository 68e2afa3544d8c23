<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase as PhpUnit;

/** Against the whole application as bin/start runs it: nginx, PHP, MariaDB, the stand-in meter, and a real browser before it. */
abstract class TestCase extends PhpUnit
{
    private static ?\PDO $database = null;
    protected Chrome $chrome;

    protected function setUp(): void
    {
        $this->chrome = Chrome::open(self::environment('ASH_URL'));
    }

    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            $this->chrome->picture(self::environment('ASH_VAR').'/log/'.preg_replace('/\W+/', '-', $this->nameWithDataSet()).'.png');
        }
        $complaints = $this->chrome->complaints();
        $this->chrome->close();
        self::assertSame([], $complaints);
    }

    protected static function environment(string $name): string
    {
        $value = getenv($name);

        return is_string($value) && $value !== '' ? $value : throw new \RuntimeException('run these with bin/test browser');
    }

    protected function signInAs(string $who): void
    {
        preg_match(
            "/({$who}@\\S+) \\/ (\\S+)/",
            (string) file_get_contents(self::environment('ASH_VAR').'/sign-in.txt'),
            $m,
        ) === 1 ?: throw new \RuntimeException("nobody is called {$who}");
        $this->chrome->signIn($m[1], $m[2]);
    }

    /** What really is in the database. */
    protected static function database(): \PDO
    {
        if (self::$database === null) {
            /** @var array<string, string> $env */
            $env = parse_ini_file(self::environment('ASH_VAR').'/.env', false, INI_SCANNER_RAW) ?: [];
            self::$database = new \PDO(
                "mysql:host=127.0.0.1;port={$env['DB_PORT']};dbname={$env['DB_DATABASE']}",
                $env['DB_USERNAME'],
                $env['DB_PASSWORD'],
                [\PDO::ATTR_DEFAULT_FETCH_MODE => \PDO::FETCH_ASSOC],
            );
        }

        return self::$database;
    }

    /**
     * @param list<string> $values
     *
     * @return list<array<string, mixed>>
     */
    protected static function rows(string $sql, array $values = []): array
    {
        $statement = self::database()->prepare($sql);
        $statement->execute($values);

        return array_values($statement->fetchAll());
    }

    protected static function one(string $sql, string ...$values): string
    {
        $row = self::rows($sql, array_values($values))[0] ?? [];

        return (string) (array_values($row)[0] ?? '');
    }

    /** What the simulated board does next. */
    protected static function scene(string $scene): void
    {
        $socket = stream_socket_client(
            'tcp://127.0.0.1:'.self::environment('ASH_METER_PORT'),
            timeout: 2,
        ) ?: throw new \RuntimeException('the stand-in does not answer');
        fwrite($socket, "SIM:SCENE \"{$scene}\"\nSIM:SCENE?\n");
        self::assertSame($scene, trim((string) fgets($socket)));
        fclose($socket);
    }

    /** A machine is taken in with one line; its job stands on the screen. */
    protected function takeIn(string $line, ?string $board = null): string
    {
        $chrome = $this->chrome;
        $chrome->press('n');
        $chrome->see('Only a name is needed');
        $chrome->press($line);
        if ($board !== null) {
            $chrome->field('Board')->sendKeys($board);
            $chrome->field('Owner')->sendKeys(\Facebook\WebDriver\WebDriverKeys::ENTER);
        } else {
            $chrome->press(\Facebook\WebDriver\WebDriverKeys::ENTER);
        }
        $chrome->see('Leading words');

        return basename((string) parse_url($chrome->driver->getCurrentURL(), PHP_URL_PATH));
    }

    /** A rail run begins: what hangs on the supply and which meter is read are said once, and nothing is preset. */
    protected function beginRun(string $load = '3', string $meter = '1'): void
    {
        $this->chrome->press('r');
        $this->chrome->see('What hangs on the supply?');
        $this->chrome->press($load);
        $this->chrome->see('Which meter do you read?');
        $this->chrome->press($meter);
        $this->chrome->find('[data-live]');
    }

    /** One press of Space, and the wait until its reading stands on the screen. */
    protected function readMeter(): void
    {
        $count = fn (): int => (int) $this->chrome->script('return document.querySelectorAll("[aria-label=\'Test points\'] .figure-number").length');
        $before = $count();
        $this->chrome->press(' ');
        $this->chrome->until(static fn (): bool => $count() > $before, 'no reading came');
    }

    protected function job(string $title): string
    {
        return self::one('SELECT id FROM jobs WHERE title = ?', $title);
    }

    /** No violation that is serious by WCAG 2.2 AA, by axe-core. */
    protected function axe(string $screen): void
    {
        $this->chrome->script((string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js'));
        $found = $this->chrome->driver->executeAsyncScript(<<<'JS'
            const done = arguments[0];
            const rules = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
            const place = (n) => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '');
            axe.run(document, {runOnly: rules}).then((r) => done(r.violations
                .filter((v) => ['serious', 'critical'].includes(v.impact))
                .map((v) => v.id + ': ' + v.nodes.map(place).slice(0, 3).join(' | '))));
            JS);
        self::assertSame([], $found, $screen);
    }
}
