<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A reload where the network is gone opens the application all the same, with what this browser knows of the job; recording goes on. */
final class ShellTest extends TestCase
{
    /** @var resource|null */
    private $relay;
    private ?Chrome $away = null;

    protected function tearDown(): void
    {
        $this->away?->close();
        $this->cut();
        parent::tearDown();
    }

    private function connect(int $port): void
    {
        $target = (string) parse_url(self::environment('ASH_URL'), PHP_URL_PORT);
        $relay = proc_open([PHP_BINARY, __DIR__.'/relay.php', (string) $port, $target], [], $pipes);
        $this->relay = $relay === false ? self::fail('no relay') : $relay;
        for ($i = 0; $i < 100; ++$i) {
            $answers = @fsockopen('127.0.0.1', $port);
            if ($answers !== false) {
                fclose($answers);

                return;
            }
            usleep(50_000);
        }
        self::fail('the relay does not answer');
    }

    private function cut(): void
    {
        if ($this->relay !== null) {
            proc_terminate($this->relay, SIGKILL);
            proc_close($this->relay);
            $this->relay = null;
        }
    }

    public function test_the_network_goes_the_page_is_loaded_again_and_recording_goes_on(): void
    {
        $port = 5000 + random_int(0, 900);
        $this->connect($port);
        $this->away = $chrome = Chrome::open("http://127.0.0.1:{$port}");
        preg_match('/(bea@\S+) \/ (\S+)/', (string) file_get_contents(self::environment('ASH_VAR').'/sign-in.txt'), $m) === 1
            || self::fail('nobody to sign in');
        $chrome->signIn($m[1], $m[2]);
        $chrome->until(
            static fn (): bool => $chrome->script('return navigator.serviceWorker.controller !== null') === true,
            'no worker holds the shell',
        );
        $job = self::one("SELECT id FROM jobs WHERE title = 'counts nothing since it was moved'");
        $chrome->go("/jobs/{$job}");
        $chrome->see('slot 3 bracket');
        $before = (int) self::one('SELECT COUNT(*) FROM entries WHERE job_id = ?', $job);

        $this->cut();
        $chrome->driver->navigate()->refresh();
        $chrome->see('What is shown is what this browser knew');
        $chrome->see('slot 3 bracket');
        $chrome->press('/');
        $chrome->find('#line')->sendKeys('saw a crack beside U23 while the network was away'.Key::ENTER);
        $chrome->see('1 unsent, kept in this browser');
        $chrome->find('input[aria-label="Photo file"]')->sendKeys(dirname(__DIR__, 2).'/docs/screenshots/bench.png');
        $chrome->see('One photo is unsent, kept in this browser');
        $chrome->driver->navigate()->refresh();
        $chrome->see('One photo is unsent, kept in this browser');
        self::assertSame($before, (int) self::one('SELECT COUNT(*) FROM entries WHERE job_id = ?', $job));

        $this->connect($port);
        $chrome->until(
            static fn (): bool => (int) self::one('SELECT COUNT(*) FROM entries WHERE job_id = ?', $job) === $before + 2,
            'what was kept did not come in once the network was back',
            20,
        );
        $chrome->seeNot('unsent, kept in this browser');
        usleep(3_500_000);
        self::assertSame($before + 2, (int) self::one('SELECT COUNT(*) FROM entries WHERE job_id = ?', $job), 'each of it once');
    }
}
