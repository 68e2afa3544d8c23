<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverKeys as Key;

/** A network that drops in the middle of a run: no reading is lost and none is stored twice. */
final class OutageTest extends TestCase
{
    private const LOST_ANSWER = <<<'JS'
        const real = window.fetch;
        window.lost = 0;
        window.fetch = async (request) => {
            const answer = await real(request);
            if (request.method === 'POST' && request.url.endsWith(arguments[0]) && window.lost++ === 0) throw new TypeError('network');
            return answer;
        };
        JS;

    private string $job = '';
    private string $run = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signInAs('bea');
        self::scene('sound-curlew');
        $this->job = $this->openJob();
        $this->chrome->go("/jobs/{$this->job}");
        $this->chrome->see('Measure the rails under load');
        $this->beginRun();
        $this->chrome->see('supply screw terminal');
        $this->run = basename((string) parse_url($this->chrome->driver->getCurrentURL(), PHP_URL_PATH));
    }

    /** A job on the spectrograph computer, opened as the page would. */
    private function openJob(): string
    {
        $machine = self::one("SELECT id FROM machines WHERE slug = 'curlew-16'");
        $board = self::one("SELECT id FROM boards WHERE machine_id = ? AND slot = 'supply'", $machine);
        $id = \Symfony\Component\Uid\Ulid::generate();
        $answer = $this->chrome->driver->executeAsyncScript(<<<'JS'
            const done = arguments[2];
            const post = (path, body) => fetch(path, {
                method: 'POST',
                headers: {
                    'Content-Type': 'application/json',
                    'X-XSRF-TOKEN': decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]),
                },
                body,
            });
            const id = '01J' + Math.random().toString().slice(2, 16).padEnd(14, '0') + '000000000';
            const entry = JSON.stringify({id, at: new Date().toISOString(), line: 'symptom restarts'});
            post('/api/jobs', arguments[0]).then(() => post(arguments[1], entry)).then((a) => done(a.status));
            JS,
            [
                json_encode([
                    'id' => $id,
                    'machine' => $machine,
                    'board' => $board,
                    'title' => "Outage {$id}",
                    'owner' => 'x',
                    'at' => gmdate('Y-m-d\TH:i:s\Z'),
                ]),
                "/api/jobs/{$id}/entries",
            ]);
        self::assertSame(201, $answer);

        return $id;
    }

    /**
     * @return list<float> the volts that are in the record, in time order
     *
     * @phpstan-impure
     */
    private function stored(): array
    {
        return array_map(floatval(...), array_column(self::rows('SELECT volts FROM readings WHERE run_id = ? ORDER BY at', [$this->run]), 'volts'));
    }

    private function block(string ...$addresses): void
    {
        $tools = new ChromeDevToolsDriver($this->chrome->driver);
        $tools->execute('Network.enable');
        // The shell's worker would answer in the network's stead: ShellTest is about that.
        $tools->execute('Network.setBypassServiceWorker', ['bypass' => true]);
        $tools->execute('Network.setBlockedURLs', ['urls' => array_values($addresses)]);
    }

    public function test_typed_readings_are_kept_through_an_outage_and_a_reload_and_sent_once(): void
    {
        $chrome = $this->chrome;
        $chrome->press('5.02', Key::ENTER);
        $chrome->see('5.02 V');
        $this->block('*/api/*');
        $chrome->press('12,05', Key::ENTER);
        $chrome->see('1 unsent, kept in this browser');
        $chrome->press('12.01', Key::ENTER);
        $chrome->see('2 unsent');
        self::assertSame([5.02], $this->stored());

        $this->block('*/api/jobs/*');
        $chrome->driver->navigate()->refresh();
        $chrome->see('2 unsent');
        self::assertStringContainsString('unsent', $chrome->find('[aria-label="Test points"]')->getText());
        self::assertSame([5.02], $this->stored());

        $this->block();
        $chrome->seeNot('unsent, kept');
        self::assertSame([5.02, 12.05, 12.01], $this->stored());
        $chrome->see('12.05 V');
        usleep(2_500_000);
        self::assertSame([5.02, 12.05, 12.01], $this->stored());
    }

    public function test_an_answer_that_is_lost_on_the_way_back_stores_the_entry_once(): void
    {
        $this->chrome->script(self::LOST_ANSWER, "/api/jobs/{$this->job}/entries");
        $this->chrome->press('5.02', Key::ENTER);
        $this->chrome->until(fn (): bool => (int) $this->chrome->script('return window.lost') >= 2, 'it was not sent again');
        $this->chrome->see('5.02 V');
        $this->chrome->seeNot('unsent, kept');
        self::assertSame([5.02], $this->stored());
    }

    public function test_a_meter_reading_whose_answer_is_lost_is_found_by_the_next_press(): void
    {
        $this->chrome->script(self::LOST_ANSWER, "/api/rail-runs/{$this->run}/take");
        $this->chrome->press(' ');
        $this->chrome->see('no reading was taken. Press again.');
        $this->chrome->press(' ');
        $this->chrome->see('was taken before');
        self::assertCount(1, $this->stored());
        $this->readMeter();
        self::assertCount(2, $this->stored());
    }

    public function test_what_the_server_refuses_stays_with_the_person_and_out_of_the_record(): void
    {
        $this->chrome->press('1,234.5', Key::ENTER);
        $this->chrome->see('has a comma and a point');
        $this->chrome->press('5.0', Key::ENTER);
        $this->chrome->until(fn (): bool => $this->stored() === [5.0], 'the second one is not in the record');
    }

    public function test_stepping_back_corrects_and_both_readings_stay(): void
    {
        $this->chrome->press('50.2', Key::ENTER);
        $this->chrome->find('[aria-label="Just read"]');
        $this->chrome->press(Key::BACKSPACE);
        $this->chrome->see('corrects 50.2 V');
        $this->chrome->press('5.02', Key::ENTER);
        $this->chrome->seeNot('50.2 V');
        self::assertSame(
            [['volts' => 50.2, 'superseded' => 1], ['volts' => 5.02, 'superseded' => 0]],
            self::rows('SELECT volts, superseded FROM readings WHERE run_id = ? ORDER BY at', [$this->run]),
        );
    }

    public function test_a_meter_that_fails_is_a_state_on_the_screen(): void
    {
        $this->chrome->go('/jobs/'.$this->job('Memory test stops after a cold night'));
        $this->chrome->see('Known');
        $this->beginRun();
        $this->chrome->see('Read the meter');
        foreach ([
            'meter-busy' => 'the meter is busy',
            'meter-garbled' => 'is not a number',
            'meter-drops' => 'the line dropped',
            'meter-overload' => 'overload',
            'meter-silent' => 'does not answer',
        ] as $scene => $words) {
            self::scene($scene);
            $this->chrome->script(
                "[...document.querySelectorAll('[aria-label=\"Test points\"] button')].find((it) => it.innerText.includes('regulator U52 out')).click()",
            );
            $this->chrome->press(' ');
            $this->chrome->see($words);
        }
        self::assertStringContainsString('not read', $this->chrome->find('[aria-label="Test points"] li:nth-child(7)')->getText());
    }
}
