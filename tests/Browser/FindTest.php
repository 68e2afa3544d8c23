<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A dark machine: its symptom is chosen, a test made, and the card found by swaps, all by keyboard. */
final class FindTest extends TestCase
{
    private function fit(string $part, string $as, bool $good = false): void
    {
        $this->chrome->field('A part')->sendKeys($part);
        $this->chrome->field('fitted as')->sendKeys($as);
        $good && $this->chrome->press(Key::TAB, ' ');
        $this->chrome->field('fitted as')->sendKeys(Key::ENTER);
        $this->chrome->find("[aria-label='{$part}, {$as}']");
    }

    public function test_a_dark_machine_is_solved_by_swaps(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Dome overshoots by a window');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('f');
        $chrome->see('No set was tried yet');
        $chrome->find('select')->sendKeys('Fan');
        $chrome->button('That is it')->sendKeys(Key::ENTER);
        $chrome->see('Fan turns, lamps lit');
        $chrome->see('Suspects');
        // The first test's outcomes have the digits as keys.
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('1');
        $chrome->see('Made');
        self::assertSame('1', self::one("SELECT COUNT(*) FROM entries WHERE job_id = ? AND kind = 'test_done'", $job));

        foreach (['supply', 'board', 'card'] as $part) {
            $this->fit($part, $part === 'card' ? 'graphics' : $part);
        }
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('x');
        $chrome->see('What would explain it');
        $this->fit('spare 2', 'graphics', good: true);
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('w');
        $chrome->see('What would explain it: card, ');
        // A gate is closed on this job: no run is advised, and what was tried all the same is kept.
        $chrome->see('A gate is closed');
        $chrome->seeNot('set it so');
        foreach (['spare 2', 'card'] as $part) {
            $chrome->find("[aria-label='{$part}, graphics']")->sendKeys(' ');
        }
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('o');
        $chrome->see('fails sometimes');
        self::assertSame('fails works sometimes', self::one(
            "SELECT GROUP_CONCAT(JSON_VALUE(data, '$.outcome') ORDER BY at, id SEPARATOR ' ') FROM entries WHERE job_id = ? AND kind = 'swap_run'", $job,
        ));
        self::assertSame('1', self::one(
            "SELECT JSON_VALUE(data, '$.parts[2].known_good') FROM entries WHERE job_id = ? AND kind = 'swap_run' AND JSON_VALUE(data, '$.outcome') = 'works'", $job,
        ));
        // Back on the job: one list of suspects, the graphics among them.
        $chrome->go("/jobs/{$job}");
        $chrome->see('graphics');
    }
}
