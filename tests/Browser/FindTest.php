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
        $chrome->until(
            static fn (): bool => self::one("SELECT COUNT(*) FROM entries WHERE job_id = ? AND kind = 'test_done'", $job) === '1',
            'no test was kept',
        );

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
            "SELECT JSON_VALUE(data, '$.parts[2].known_good') FROM entries WHERE job_id = ? AND kind = 'swap_run' AND JSON_VALUE(data, "
                ."'$.outcome') = 'works'", $job,
        ));
        // Back on the job: one list of suspects, the graphics among them.
        $chrome->go("/jobs/{$job}");
        $chrome->see('graphics');
    }

    private function line(string $words): void
    {
        $this->chrome->find('#line')->sendKeys($words.Key::ENTER);
        // The preview says the same while it is typed: taken is what has left the field.
        $this->chrome->until(fn (): bool => $this->chrome->find('#line')->getAttribute('value') === '', "\"{$words}\" was not taken");
    }

    public function test_a_fault_of_cold_mornings_is_called_a_clue_and_an_hour_without_news_is_called_out(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Dome overshoots by a window');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $this->line('failed 6 of 6 cold');
        $chrome->see('Failed 6 of 6 cold');
        $this->line('failed 0 of 8 warm');
        // R 4.2: fisher.test(matrix(c(6, 0, 0, 8), 2))$p.value is 0.000333.
        $chrome->see('fails 6 of 6 cold and 0 of 8 warm: unlikely to be chance (p = 0.0003)');
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('f');
        $chrome->see('Cold, warm');
        $chrome->see('clue');
        $chrome->find('select')->sendKeys('Card not seen'.Key::TAB.Key::ENTER);
        $chrome->see('Suspects');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->seeNot('next to nothing was learned');
        $this->line('note looked at the same chip 60 min');
        $chrome->see('next to nothing was learned');
        $chrome->see('Next best:');
        $chrome->see('park');
    }

    public function test_a_card_is_cleared_by_running_it_in_another_machine(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $chrome->go('/jobs/'.$this->job('Fan turns, screen stays dark').'/find');
        $chrome->see('What would explain it');
        $this->fit('0044', 'card');
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('x');
        $chrome->see('0044');
        $chrome->go('/jobs/'.$this->job('Memory test stops after a cold night').'/find');
        $chrome->see('No set was tried yet');
        $this->fit('main board', 'board');
        $this->fit('0044', 'card');
        $chrome->script('document.activeElement?.blur()');
        $chrome->press('w');
        $chrome->see('Fan turns, screen stays dark');
        $chrome->go('/jobs/'.$this->job('Fan turns, screen stays dark').'/find');
        $chrome->see('Memory test stops after a cold night');
        $bad = $chrome->script("return [...document.querySelectorAll('[aria-label=\"Runs over parts\"] tr:last-child td')].map((it) => it.innerText)");
        $names = $chrome->script(
            "return [...document.querySelectorAll('[aria-label=\"Runs over parts\"] thead th')].slice(1, -1).map((it) => "
                ."it.innerText.split('\\n').at(-1).trim())",
        );
        self::assertIsArray($bad);
        self::assertIsArray($names);
        $of = array_combine($names, array_slice($bad, 0, count($names)));
        self::assertLessThan(3, (int) $of['0044'], 'it works elsewhere');
        self::assertGreaterThan((int) $of['0044'], (int) $of['display card']);
    }

    public function test_a_lead_mends_the_library_and_a_technician_reads_it(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/library');
        $chrome->see('Library of symptoms');
        $chrome->button('Keyboard dead')->click();
        $chrome->see('as it ships');
        $chrome->seeNot('Keep as a revision');
        $chrome->button('Sign out')->click();
        $chrome->see('Sign in');
        $this->signInAs('ines');
        $chrome->go('/library/keyboard');
        $chrome->see('Keep as a revision');
        $first = 'Weight of key_contact';
        $chrome->field($first)->clear();
        $chrome->field($first)->sendKeys('none');
        $chrome->field('Why')->sendKeys('counted here'.Key::ENTER);
        $chrome->see('Refused; nothing was changed');
        $chrome->field($first)->clear();
        $chrome->field($first)->sendKeys('31.5');
        $chrome->field('Why')->sendKeys(Key::ENTER);
        $chrome->see('1: counted here');
        self::assertSame('31.5', self::one("SELECT JSON_VALUE(document, '$.causes[0].weight') FROM library_revisions WHERE symptom = 'keyboard'"));
    }
}
