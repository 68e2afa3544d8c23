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
        self::assertTrue($chrome->script('const it = document.querySelector("[role=img][aria-label]"); it.focus(); return document.activeElement === it'));
        $chrome->go("/jobs/{$job}");
        $chrome->see('2 settings written down, nothing clashes');
        // And the next run tests it.
        $chrome->find('#line')->sendKeys('tried board, serial card as card, modem as line: works'.Key::ENTER);
        $chrome->see('board, serial card, modem: works');
    }

    public function test_a_chain_with_a_wrong_terminator_and_what_the_machine_reports(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Memory test stops after a cold night');
        $chrome->go("/jobs/{$job}/setup");
        $chain = 'In cable order: name, id, and terminated, host or boot where it is so';
        $chrome->field($chain)->sendKeys('host 7 terminated, disc 1 0 terminated, disc 2 0'.Key::ENTER);
        foreach (['id 0 is held by disc 1 and disc 2', 'disc 2 stands at an end of the cable and is not terminated', 'set disc 2 to id 1', 'terminate disc 2',
            'take the terminators off disc 1'] as $words) {
            $chrome->see($words);
        }
        $this->axe('a chain that is wrong');
        $chrome->button('Done, SCSI chain')->sendKeys(Key::ENTER);
        $chrome->see('Nothing is wrong with it.');
        // The machine sees something else: the one setting that would explain it is named.
        $chrome->field('One of irq, dma, io, mem, id, unit, slot, size; then what is seen')->sendKeys('id: 0, 3'.Key::ENTER);
        $chrome->see('disc 2 is not seen at bus id 1');
        $chrome->see('it would be explained if its id of disc 2 stands on 3, not on 1');
        $chrome->field('Units the machine knows (ready or change): drives along the cable with select; twist, terminated, ready, change')
            ->sendKeys('2 units change: near 1, far 1 twist ready'.Key::ENTER);
        $chrome->see('a disk is seen only when it was in at power-on');
        $chrome->see('behind the twist, unit 0, select 1');
        $this->axe('chain, cable and reports');
        // A card of which nothing is known: the numbers of its age, and a press where it stands.
        $chrome->field('What nothing is known of; its numbers are what was common')->sendKeys('sound card');
        $chrome->see('common practice, no source');
        $chrome->find('[aria-label="Where JP1 of sound card stands"] button:nth-child(2)')->sendKeys(Key::ENTER);
        $chrome->find('[aria-label="sound card, JP1: interrupt 5"]');
        $chrome->field('The device and its block: what is written; what is so')->sendKeys('sound card JP1: the leaflet says 7; it is 5'.Key::ENTER);
        $chrome->see('Proved wrong: the leaflet says 7; it is 5 (J-');
    }

    public function test_a_drive_off_its_label_four_ways_of_reading_it_and_a_session_of_copying(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/jobs/'.$this->job('Memory test stops after a cold night'));
        $chrome->see('Leading words');
        $chrome->press('d');
        $chrome->see('No disk yet.');
        // 615 * 4 * 17 * 512 bytes: 21.4 MB, 20.4 MiB, sold as 20.
        foreach (['Its name' => 'disc 1', 'Cylinders' => '615', 'Heads' => '4', 'Sectors a track' => '17', 'Sold as, MB' => '20'] as $label => $value) {
            $chrome->field($label)->sendKeys($value);
        }
        $chrome->see('21.4 MB, or 20.4 MiB');
        $chrome->field('Sold as, MB')->sendKeys(Key::ENTER);
        $chrome->see('Drive disc 1: 615 cylinders, 4 heads, 17 sectors, sold as 20 MB');
        $way = 'The drive: how; works, in part, sounds bad or nothing; MB counted, kB/s, bad sectors';
        foreach ([
            'adapter, nothing',
            'warm, in part, 18 MB, 9 bad',
            'its own controller, works, 20.1 MB, 180 kB/s, 3 bad',
            'turned over, works, 20.1 MB, 90 kB/s, 0 bad',
        ] as $i => $said) {
            $chrome->field($way)->sendKeys("disc 1: {$said}".Key::ENTER);
            $chrome->find('tbody tr:nth-child('.($i + 1).') th[scope=row]');
        }
        $chrome->see('turned over, best so far');
        $copy = 'What is written on it: image in which drive, tries, bad sectors, cleaned, aside';
        $chrome->field($copy)->sendKeys('SYS 1: sys1.img in drive A'.Key::ENTER);
        $chrome->see('1 disk copied, 1 whole, 0 with bad sectors, 0 set aside; 1 since the drive was last cleaned');
        $chrome->field('Which; of the bench, when other jobs use it too; what was seen')->sendKeys('drive A: a ring on side 0'.Key::ENTER);
        $chrome->see('drive A damages disks.');
        $chrome->field($copy)->sendKeys('SYS 2: sys2.img in drive A'.Key::ENTER);
        $chrome->see('clean both heads, then let it pass with a scratch disk');
        $this->axe('a drive that damages disks');
        $chrome->field('The drive, then: cleaned, passed')->sendKeys('drive A: cleaned, passed'.Key::ENTER);
        $chrome->until(static fn (): bool => !str_contains($chrome->text(), 'No disk goes into it'), 'the drive stays shut');
        $chrome->field($copy)->sendKeys(Key::ENTER);
        $chrome->see('2 disks copied, 2 whole');
        // Read in a drive of 80 tracks: it may; written: with care.
        $chrome->field('Drive')->sendKeys('80');
        $chrome->see('Writes it: with care.');
        $chrome->field('Fixed disks: name, primary partition (0 or 1), logical ones; a comma between')->sendKeys(', disk2 1 1');
        $chrome->see('disk2 logical 1');
        $this->axe('drives and disks');
    }
}
