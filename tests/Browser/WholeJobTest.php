<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** The main job from intake to handed back, with the keyboard only. */
final class WholeJobTest extends TestCase
{
    public function test_one_board_from_intake_to_handed_back(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->see('On the bench');

        // Taken in.
        $id = $this->takeIn('Dunlin 8 dome controller, from Dome crew, stops in the cold, runs when warm');
        $chrome->see('Measure the rails under load');
        self::assertSame(26, strlen($id));

        // The rails, from the meter: +12 V is low and rough.
        self::scene('weak-plus12');
        $this->beginRun();
        $chrome->see('Power on: stop');
        for ($i = 0; $i < 4; ++$i) {
            $this->readMeter();
        }
        $chrome->find('[data-cause=low_with_ripple]');
        $chrome->see('Power on: hold');

        // Back to the job: the likely cause, and the part replaced in one line.
        $chrome->press('j');
        $chrome->see('Test the filter capacitor and the rectifier of +12.');
        $chrome->press('/', 'replaced C52 2200u 16V -> 2200u 25V from stores dc 2417 25 min');
        $chrome->see('part replaced: C52: 2200u 16V to 2200u 25V, from stores, date code 2417');
        $chrome->press(Key::ENTER);
        $chrome->see('Repeat the rail run.');

        // The same test that failed, passed: before and after side by side.
        self::scene('sound');
        $chrome->press(Key::ESCAPE);
        $this->beginRun();
        $chrome->see('repeats the run before');
        for ($i = 0; $i < 4; ++$i) {
            $this->readMeter();
        }
        $chrome->see('Power on: go');
        $chrome->press(Key::ARROW_UP);
        self::assertMatchesRegularExpression('/before: -12\.\d+ V, in/', $chrome->text());

        // Through the gates to power, then closed and reported.
        $chrome->press('j');
        $chrome->see('Cold checks: shorts to ground');
        $chrome->see('Stage: Supply. Follows the work: reading');
        $chrome->see('nobody has looked for a battery yet');
        $chrome->press('/', 'battery none', Key::ENTER);
        $chrome->seeNot('nobody has looked for a battery yet');
        $chrome->press(Key::ESCAPE, '/', 'stage first power', Key::ENTER);
        $chrome->see('Find: one change at a time');
        $chrome->press(Key::ESCAPE, 'c');
        $chrome->see('is an outcome with a list of limits');
        $chrome->press(Key::TAB, Key::TAB, Key::TAB, Key::TAB, Key::TAB, 'look at C51', Key::ENTER);
        $chrome->see('Fixed, handed back');
        $chrome->press('p');
        $chrome->see('Report of J-');
        $chrome->driver->switchTo()->frame($chrome->find('iframe'));
        foreach ([
            'Fixed, handed back. Next time: look at C51',
            'stops in the cold, runs when warm',
            'C52: 2200u 16V to 2200u 25V',
            '+12 at regulator U52 out',
        ] as $words) {
            $chrome->see($words);
        }
        $chrome->driver->switchTo()->defaultContent();

        $this->theRecordIsInTheDatabase($id);
    }

    private function theRecordIsInTheDatabase(string $job): void
    {
        self::assertSame(
            [['state' => 'closed', 'outcome' => 'fixed', 'handed_back' => 1, 'minutes' => 25]],
            self::rows('SELECT state, outcome, handed_back, minutes FROM jobs WHERE id = ?', [$job]),
        );
        self::assertSame(
            ['symptom', 'reading', 'stage', ...array_fill(0, 3, 'reading'), 'part', ...array_fill(0, 4, 'reading'), 'battery', 'stage', 'outcome'],
            array_column(self::rows('SELECT kind FROM entries WHERE job_id = ? ORDER BY at, id', [$job]), 'kind'),
        );
        $twelve = self::rows(
            "SELECT verdict, volts, ripple_mvpp FROM readings JOIN entries ON entries.id = entry_id WHERE job_id = ? AND rail = '+12' ORDER BY readings.at",
            [$job],
        );
        self::assertSame(['out', 'in'], array_column($twelve, 'verdict'));
        self::assertGreaterThan(300, $twelve[0]['ripple_mvpp']);
        self::assertSame('1', self::one('SELECT COUNT(*) FROM runs WHERE job_id = ? AND repeats_id IS NOT NULL', $job));
    }
}
