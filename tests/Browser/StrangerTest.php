<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A machine that nobody has described, from the first key to the first verdict. */
final class StrangerTest extends TestCase
{
    private const MOST_KEYS = 45;

    private int $keys = 0;

    /** Each key counts, but for those that spell the name. */
    private function key(string ...$keys): void
    {
        $this->keys += array_sum(array_map(mb_strlen(...), $keys));
        $this->chrome->press(...$keys);
    }

    public function test_from_a_name_to_the_first_judged_reading_by_keyboard(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        self::scene('sound');
        $this->key('n');
        $chrome->see('Only a name is needed');
        $chrome->press('Gannet 4 plotter');
        $this->key(Key::ENTER);
        $chrome->see('Leading words');
        $chrome->see('Gannet 4 plotter');
        $this->key('r');
        $chrome->see('What does the supply give?');
        $this->key('+5 6A, +12 1.5A', Key::ENTER);
        $chrome->see('What hangs on the supply?');
        $this->key('3');
        $chrome->see('Which meter do you read?');
        $chrome->press('2');
        ++$this->keys;
        $chrome->find('[data-live]');
        $this->key('5.02', Key::ENTER);
        $chrome->see('from the label');
        $chrome->find('[aria-label="Just read"]');
        self::assertStringContainsString('in', $chrome->find('[aria-label="Just read"]')->getText());
        self::assertLessThanOrEqual(self::MOST_KEYS, $this->keys, "{$this->keys} keys");

        // The place where the probe is gets its name while it is live, and is there for the next one of the kind.
        $chrome->press('n');
        $chrome->see('The probe is on');
        $chrome->press('J1 pin 3', Key::ENTER);
        $chrome->until(
            static fn (): bool => str_contains((string) $chrome->find('[data-live]')->getAttribute('data-live'), 'J1 pin 3'),
            'the place is not live',
        );
        $kind = self::one("SELECT id FROM kinds WHERE name = 'Gannet 4 plotter'");
        $chrome->go("/kinds/{$kind}");
        $chrome->see('probed at supply output, J1 pin 3 (from the label)');
        $chrome->see('learned from J-');
    }

    public function test_a_family_says_that_it_is_one_and_another_specimen_of_a_known_kind_is_offered(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $job = $this->takeIn('Skua terminal, from Night crew, no picture');
        $chrome->press('r');
        $chrome->see('What does the supply give?');
        $chrome->button('+5, +12, -5, -12')->sendKeys(Key::ENTER);
        $chrome->see('What hangs on the supply?');
        $chrome->see('not read');
        $chrome->go('/');
        $chrome->see('On the bench');
        $chrome->press('n');
        $chrome->see('Only a name is needed');
        $chrome->press('Skua terminal #2');
        $chrome->see('another Skua terminal (1 known)');
        $chrome->script("[...document.querySelectorAll('label')].find((it) => it.innerText.includes('another Skua terminal')).querySelector('input').click()");
        $chrome->field('Symptom, as it was told')->sendKeys(Key::CONTROL.Key::ENTER);
        $chrome->see('Leading words');
        self::assertSame('2', self::one("SELECT COUNT(*) FROM machines JOIN kinds ON kinds.id = kind_id WHERE kinds.name = 'Skua terminal'"));
        self::assertSame('Night crew', self::one('SELECT owner FROM jobs WHERE id = ?', $job));
    }

    public function test_what_is_written_on_one_screen_appears_on_another_within_two_seconds(): void
    {
        $this->signInAs('bea');
        $job = $this->job('Memory test stops after a cold night');
        $this->chrome->go("/jobs/{$job}");
        $this->chrome->see('Leading words');
        $other = Chrome::open(self::environment('ASH_URL'));
        try {
            preg_match('/(tomas@\S+) \/ (\S+)/', (string) file_get_contents(self::environment('ASH_VAR').'/sign-in.txt'), $m);
            $other->signIn($m[1] ?? '', $m[2] ?? '');
            $other->go("/jobs/{$job}");
            $other->see('Leading words');
            $other->press('/', 'saw a hair crack beside the zener', Key::ENTER);
            $other->see('hair crack');
            $this->chrome->see('a hair crack beside the zener', 2.0);
        } finally {
            $other->close();
        }
    }

    public function test_every_rooms_first_screen_asks_for_one_thing_and_works_at_once(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $job = $this->takeIn('Whinchat logger, from the weather mast, dead');
        foreach ([
            'How does the memory lie?' => 'memory', 'walk over it' => 'capacitors', 'As it was found' => 'battery', 'A place in one line' => 'corrosion',
            'Rebuild: last out is first in' => 'strip', 'Passes' => 'soak',
        ] as $words => $room) {
            $chrome->go("/jobs/{$job}/{$room}");
            $chrome->see($words);
            usleep(250_000);
            $this->axe("{$room} of a stranger");
        }
        $chrome->go("/jobs/{$job}/capacitors");
        $chrome->see('walk over it');
        $line = $chrome->field('Designator, value, volts, rail, looks');
        $line->sendKeys('C12 1000u 16V bulged');
        $chrome->see('C12 in circuit: bulged (replace');
        $line->sendKeys(Key::ENTER);
        $chrome->see('C13 1000u 16V');
        $chrome->field('Designator, value, volts, rail, looks')->sendKeys('=');
        $chrome->see('Capacitor C13: 1000 µF 16 V');
        $chrome->field('Designator, value, volts, rail, looks')->sendKeys(Key::ENTER);
        $chrome->see('C14 1000u 16V');
        self::assertSame('3', self::one("SELECT COUNT(*) FROM entries WHERE job_id = ? AND kind IN ('capacitor', 'cap_reading')", $job));
        $chrome->go("/jobs/{$job}/corrosion");
        $chrome->see('A place in one line');
        $chrome->field('Where, what sits there, grade 0 to 4, how far, what it carries')->sendKeys('slot 3 bracket 4');
        $chrome->see('slot 3 bracket: grade 4');
        $chrome->field('Where, what sits there, grade 0 to 4, how far, what it carries')->sendKeys(Key::ENTER);
        $chrome->until(
            static fn (): bool => self::one("SELECT COUNT(*) FROM entries WHERE job_id = ? AND kind = 'survey'", $job) === '1',
            'the place is not kept',
        );
        // Boards: one comes out, another goes in, and the next entry is about the one at hand.
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('@');
        $chrome->see('Boards at hand');
        $chrome->button('Take out')->click();
        $chrome->see('Fit a board from the shelf');
        $chrome->field('Search: name, serial, owner, kind')->sendKeys('bittern');
        $chrome->see('Bittern sound card B-5');
        $chrome->button('Fit it')->click();
        $chrome->until(
            static fn (): bool => self::one(
                "SELECT COUNT(*) FROM boards JOIN machines ON machines.id = machine_id WHERE boards.serial = 'B-5' AND bare = 0",
            ) === '1',
            'the card was not fitted',
        );
        self::assertSame([], $this->chrome->complaints());
    }
}
