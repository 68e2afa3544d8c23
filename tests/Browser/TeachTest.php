<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A tester speaks a dialect that nobody taught the reader: it is taught by keyboard, and the chip is found. */
final class TeachTest extends TestCase
{
    private const LOG = ['XQ TEST V1', 'FEHLER 1 ORT 1A3F SOLL FF IST FB', 'FEHLER 2 ORT 0007 SOLL FF IST FB', 'FEHLER 3 ORT 2B00 SOLL 55 IST 51', 'BYE'];

    public function test_a_dialect_is_taught_by_keyboard_and_the_chip_is_located(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Memory test stops after a cold night');
        $chrome->go("/jobs/{$job}/memory");
        $chrome->see('What the machine counts');
        $chrome->press('t');
        $chrome->until(static fn (): bool => $chrome->script('return document.activeElement?.tagName') === 'TEXTAREA', 'nothing to type into');
        $chrome->press(implode(Key::ENTER, self::LOG));
        $chrome->see('5 lines, 0 recognised, 5 left over');

        // What is what in one line: the address, what was written, what was read.
        $chrome->button('Teach line 2')->sendKeys(Key::ENTER);
        foreach (['1A3F' => 'a', 'FF' => 'w', 'FB' => 'r'] as $word => $key) {
            $chrome->find('[aria-label="Words of the line"]')->findElement(
                \Facebook\WebDriver\WebDriverBy::xpath(".//button[.//span[text()='{$word}']]"),
            )->sendKeys($key);
        }
        $chrome->button('Try it on the text')->sendKeys(Key::ENTER);
        $chrome->see('It fits 3 lines. 3 errors instead of 0, 2 lines left over instead of 5.');
        $chrome->button('Keep it with this machine')->sendKeys(Key::ENTER);
        $chrome->see('5 lines, 3 recognised, 2 left over');

        // The rest is chatter.
        foreach ([1, 5] as $left => $line) {
            $chrome->button("Teach line {$line}")->sendKeys(Key::ENTER);
            $chrome->field('This line is')->sendKeys('chatter');
            $chrome->button('Try it on the text')->sendKeys(Key::ENTER);
            $chrome->see('It fits 1 lines.');
            $chrome->button('Keep it with this machine')->sendKeys(Key::ENTER);
            $chrome->see((1 - $left).' left over');
        }
        self::assertStringContainsString('Suspected: U32', (string) $chrome->find('[aria-label="Socket map"] svg')->getAttribute('aria-label'));
        self::assertSame('3', self::one('SELECT COUNT(*) FROM line_patterns WHERE machine_id IS NOT NULL AND active = 1'));
    }

    public function test_a_board_that_may_not_go_is_not_handed_back_as_fixed(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Memory test stops after a cold night');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('c');
        $chrome->see('That it is fixed is not shown yet');
        $chrome->field('Outcome')->sendKeys(' ');
        $chrome->button('Close the job')->sendKeys(Key::ENTER);
        $chrome->until(static fn (): bool => $chrome->script('return document.querySelector("[role=dialog] [role=alert]") !== null'), 'it was not refused');
        self::assertSame('open', self::one('SELECT state FROM jobs WHERE id = ?', $job));
        $chrome->press(Key::ESCAPE);
        self::assertSame('0', self::one("SELECT COUNT(*) FROM entries WHERE job_id = ? AND kind = 'outcome'", $job));
    }
}
