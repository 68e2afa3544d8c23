<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;

/** A fault stays in its room: there is a way back, and words to report. What the browser keeps is read as a stranger's. */
final class FaultTest extends TestCase
{
    private const KEYS = ['ash-bench.unsent', 'ash-bench.light', 'ash-bench.meter', 'ash-bench.tones', 'ash-bench.lead-ohms', 'ash-bench.esr-leads'];

    private function whimbrel(): string
    {
        return self::one(
            "SELECT j.id FROM jobs j JOIN machines m ON m.id = j.machine_id WHERE m.slug = 'whimbrel-2' OR m.slug LIKE 'whimbrel%' ORDER BY j.number LIMIT 1",
        );
    }

    private function block(string ...$urls): void
    {
        $tools = new ChromeDevToolsDriver($this->chrome->driver);
        $tools->execute('Network.enable');
        $tools->execute('Network.setBlockedURLs', ['urls' => $urls]);
    }

    public function test_a_room_that_cannot_be_fetched_says_so_and_the_others_stand(): void
    {
        $this->signInAs('bea');
        $this->block('*assets/corrosion*', '*assets/rails*');
        $this->chrome->go("/jobs/{$this->whimbrel()}/corrosion");
        $this->chrome->see('This part of the page failed (corrosion)');
        $this->chrome->see('Sign out');
        self::assertStringContainsString("/jobs/{$this->whimbrel()}/corrosion", (string) $this->chrome->find('textarea[readonly]')->getAttribute('value'));
        $this->chrome->go("/jobs/{$this->whimbrel()}");
        $this->chrome->see('This part of the page failed (rails)');
        $this->chrome->see('Suspected');
        $this->block();
        $this->chrome->button('Load again')->click();
        $this->chrome->seeNot('This part of the page failed');
        $this->block('*assets/corrosion*');
        $this->chrome->go("/jobs/{$this->whimbrel()}/corrosion");
        $this->chrome->see('This part of the page failed (corrosion)');
        $this->block();
        $this->chrome->button('Load again')->click();
        $this->chrome->see('Work list');
        // What was blocked is complained of in the console; that is read here and left.
        $this->chrome->complaints();
    }

    public function test_the_old_address_of_a_room_leads_to_the_new_one(): void
    {
        $this->signInAs('bea');
        $this->chrome->go("/jobs/{$this->whimbrel()}/leaks");
        $this->chrome->see('Leaks and continuity');
        self::assertStringEndsWith('/corrosion', $this->chrome->driver->getCurrentURL());
    }

    public function test_what_the_browser_kept_may_be_anything(): void
    {
        $this->signInAs('bea');
        foreach (['{', '[1, null, {"id": 5}]', '{"a": []}', 'null', '"x"'] as $kept) {
            $this->chrome->script(
                'for (const key of arguments[0]) localStorage.setItem(key, arguments[1]); sessionStorage.setItem("ash-bench.asked", arguments[1]);',
                self::KEYS,
                $kept,
            );
            foreach ([
                "/jobs/{$this->whimbrel()}" => 'Suspected',
                "/jobs/{$this->whimbrel()}/corrosion" => 'Work list',
                "/jobs/{$this->whimbrel()}/capacitors" => 'Capacitors',
            ] as $path => $words) {
                $this->chrome->go($path);
                $this->chrome->see($words);
                self::assertStringNotContainsString('This part of the page failed', $this->chrome->text(), $kept);
            }
        }
        $this->chrome->script('localStorage.clear()');
    }
}
