<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** Two cards on one interrupt are found, the plan is drawn, done, and proven by the sheet, by keyboard. */
final class SetupTest extends TestCase
{
    public function test_two_cards_on_one_interrupt(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Dome overshoots by a window');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('u');
        $chrome->see('Nothing is written down yet');
        foreach (['serial card' => 'JP3 irq: 1-2 4*, 2-3 3', 'modem' => 'J2 irq: 1-2 4*'] as $device => $said) {
            $chrome->field('Card or drive')->clear();
            $chrome->field('Card or drive')->sendKeys($device);
            $chrome->field('Its block, what it sets, the ways; a star where it stands')->sendKeys($said.Key::ENTER);
            $chrome->see("{$device} (");
        }
        $chrome->see('serial card (JP3) and modem (J2) both hold interrupt 4');
        $chrome->see('JP3 of serial card: from 1-2 (4) to 2-3 (3)');
        $chrome->find('[aria-label="serial card, JP3: interrupt 1-2 (4), to move to 2-3 (3)"]');
        $this->axe('the setup sheet with a clash');
        $chrome->button('Done, way 1')->sendKeys(Key::ENTER);
        $chrome->see('Nothing clashes.');
        $chrome->find('[aria-label="serial card, JP3: interrupt 2-3 (3)"]');
        $chrome->go("/jobs/{$job}");
        $chrome->see('2 settings written down, nothing clashes');
    }
}
