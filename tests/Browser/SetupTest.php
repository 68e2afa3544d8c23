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

    public function test_a_chain_with_a_wrong_terminator_and_a_drive_off_its_label(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/jobs/'.$this->job('Memory test stops after a cold night').'/setup');
        $chrome->see('The host comes first');
        $add = function (string $label, string $name, string $id, bool $terminated): void {
            $this->chrome->field($label)->sendKeys($name);
            $this->chrome->field('Its id')->sendKeys($id.($terminated ? Key::TAB.' ' : ''));
            $this->chrome->field('Its id')->sendKeys(Key::ENTER);
            $this->chrome->see("id {$id}");
        };
        $add('The host comes first', 'host', '7', true);
        $add('The next on the cable', 'disc 1', '0', true);
        $add('The next on the cable', 'disc 2', '1', false);
        $chrome->see('disc 2: termination from false to true');
        $chrome->see('disc 1: termination from true to false');
        // 615 * 4 * 17 * 512 bytes: 21.4 MB, 20.4 MiB, sold as 20.
        foreach (['Cylinders' => '615', 'Heads' => '4', 'Sectors a track' => '17', 'Sold as, MB' => '20'] as $label => $value) {
            $chrome->field($label)->sendKeys($value);
        }
        $chrome->see('21.4');
        $chrome->see('20.4');
        $this->axe('a chain and a drive');
    }
}
