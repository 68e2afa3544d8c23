<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Process\Process;

/** A room that exists in the tests only plugs into the screens: the front end is built with one line more in the list of rooms. */
final class TrialScreenTest extends TestCase
{
    private static function folder(): string
    {
        return dirname(__DIR__, 2).'/public/build/trial';
    }

    public static function tearDownAfterClass(): void
    {
        (new Process(['rm', '-rf', self::folder()]))->mustRun();
    }

    public function test_its_screen_door_key_navigation_and_part_are_there_and_nothing_else_changed(): void
    {
        (new Process(['npx', 'vite', 'build', '--config', 'tests/Trial/screen/vite.config.ts'], dirname(__DIR__, 2), timeout: 120))->mustRun();
        $job = self::one("SELECT id FROM jobs WHERE state = 'open' ORDER BY number LIMIT 1");
        $this->signInAs('bea');
        $this->chrome->go("/jobs/{$job}");
        $this->chrome->see('Suspected');
        self::assertStringNotContainsString('Smells', $this->chrome->text());
        $this->chrome->go("/build/trial/index.html?at=/jobs/{$job}");
        $this->chrome->see('The trial room knows J-');
        $this->chrome->see('may write');
        $this->chrome->see('Noses');
        $this->chrome->see('Suspected');
        $this->chrome->press('?');
        $this->chrome->see('what the board smells of');
        $this->chrome->see('sniff again');
        $this->chrome->press("\u{E00C}");
        $this->chrome->seeNot('sniff again');
        $this->chrome->press('z');
        $this->chrome->see("Smells on record for {$job}");
    }
}
