<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A recap from the list to the shelf to the report, with the keyboard; one part that nobody knows is left waiting. */
final class RecapTest extends TestCase
{
    /** @param array<string, string> $values by label; for a choice the beginning of its words */
    private function fill(array $values): void
    {
        foreach ($values as $label => $value) {
            $this->chrome->field($label)->sendKeys($value);
        }
    }

    private function live(string $key): void
    {
        $chrome = $this->chrome;
        $chrome->until(static fn (): bool => $chrome->script('return document.querySelector("[data-live]")?.dataset.live') === $key, "{$key} is not live");
        $chrome->until(static fn (): bool => $chrome->script('return document.activeElement?.dataset.commands') === '', 'the live field has no focus');
    }

    private function justRead(string $key, string $verdict): void
    {
        $chrome = $this->chrome;
        $chrome->until(
            static fn (): bool => $chrome->script(
                'const it = document.querySelector("[aria-label=\'Just read\']")?.innerText ?? ""; return it.includes(arguments[0] + ",") '
                    .'&& it.includes(arguments[1])',
                $key,
                $verdict,
            ) === true,
            "{$key} is not {$verdict}",
        );
    }

    public function test_a_recap_with_one_unknown_part_left_waiting(): void
    {
        $chrome = $this->chrome;
        self::scene('sound');
        $this->signInAs('bea');
        $job = $this->takeIn('Dunlin 8 dome controller, from Dome crew, hum', 'Linear');
        $before = (int) self::one("SELECT quantity FROM shelf_items WHERE sku = 'AL-4700-25'");
        $chrome->press('k');
        $chrome->see('Found while walking over the board');

        // A marking is read as it is typed; what is ambiguous is asked; what is not known waits.
        $this->fill(['Marking' => '10v 100']);
        $chrome->see('It may mean either: choose.');
        $chrome->button('100 µF 10 V')->sendKeys(Key::ENTER);
        $this->fill(['Designator' => 'C11', 'Kind' => 'alum', 'Rail' => '+5']);
        $chrome->field('Designator')->sendKeys(Key::ENTER);
        $chrome->see('C11');
        $chrome->until(
            static fn (): bool => $chrome->script('return document.querySelector("[aria-label=\'Test points\']")?.innerText.includes("100 µF 10 V")') === true,
            'C11 is not on the list',
        );
        $this->fill(['Or its place' => 'blue drop behind R14', 'Asked of' => 'the crew']);
        $chrome->field('Or its place')->sendKeys(Key::ENTER);
        $chrome->see('Waits: an answer, which capacitor it is: blue drop behind R14');

        // Somebody answers for another one: it is said anew, and no longer waits.
        $this->fill(['Or its place' => 'green can at J3', 'Rail' => '+12', 'Diameter, mm' => '10']);
        $chrome->field('Or its place')->sendKeys(Key::ENTER);
        $chrome->button('Say what it is: green can at J3')->sendKeys(Key::ENTER);
        $chrome->see('What it is: green can at J3');
        self::assertSame(
            ['green can at J3', '10'],
            [$chrome->field('Or its place')->getAttribute('value'), $chrome->field('Diameter, mm')->getAttribute('value')],
        );
        $this->fill(['Designator' => 'C12', 'Kind' => 'alum', 'Value, F' => '470u', 'Volts' => '25']);
        $chrome->field('Volts')->sendKeys(Key::ENTER);
        $chrome->see('Found while walking over the board');
        $chrome->until(
            static fn (): bool => $chrome->script('return document.querySelector("[aria-label=\'Test points\']")?.innerText.includes("C12")') === true,
            'C12 is not on the list',
        );

        // The run: lifted, looks by single keys, the meter by Space, typed figures, a slip of the unit asked back.
        $chrome->find('[aria-label^="Capacitance at C1"]')->sendKeys('i');
        $this->live('C1');
        $chrome->press('b');
        $chrome->until(
            static fn (): bool => $chrome->script('return document.querySelector("[aria-pressed=true]")?.innerText.startsWith("bulged")') === true,
            'no look is picked',
        );
        $chrome->press(' ');
        $this->justRead('C1', 'replace');
        $this->live('C2');
        $chrome->press(' ');
        $this->justRead('C2', 'ESR');
        $this->justRead('C2', 'keep');
        $this->live('C3');
        $chrome->press('9700', Key::ENTER);
        $chrome->see('9.7 kF or 9700 µF?');
        $this->live('C3');
        $chrome->press('9700u', Key::TAB, '0.012', Key::ENTER);
        $this->justRead('C3', 'keep');
        $this->live('C4');
        $chrome->press('7700u', Key::ENTER);
        $this->justRead('C4', 'replace');

        // The sum, and the bench's choice with its reason.
        $chrome->see('replace all of the kind: testing the rest costs more than it saves');
        $chrome->field('Because (aluminium)')->sendKeys('row A is the good row');
        $chrome->button('Replace what measures bad')->sendKeys(Key::ENTER);
        $chrome->see('Decided: replace what measures bad, because row A is the good row');

        // From the shelf, the right way round, the original kept.
        $chrome->find('[aria-label="To replace"] button')->sendKeys(Key::ENTER);
        $chrome->see('Substitutes for C1');
        $chrome->see('fits');
        $this->fill(['The original is kept in' => 'bag 9']);
        $chrome->button('It is fitted')->sendKeys(Key::ENTER);
        $chrome->see('at which of the board\'s marks does the stripe sit');
        $this->fill(['Its stripe sits at' => 'the board’s plus']);
        $chrome->button('It is fitted')->sendKeys(Key::ENTER);
        $chrome->see('sits backwards');
        $this->fill(['Its stripe sits at' => 'the board’s minus']);
        $chrome->button('It is fitted')->sendKeys(Key::ENTER);
        $chrome->see('replaced');
        self::assertSame($before - 1, (int) self::one("SELECT quantity FROM shelf_items WHERE sku = 'AL-4700-25'"));
        self::assertSame('bag 9', self::one("SELECT place FROM shelf_items WHERE name LIKE 'Original C1%' ORDER BY created_at DESC LIMIT 1"));

        // The reading after, of the new part.
        $chrome->go("/jobs/{$job}/capacitors");
        $chrome->see('replaced');
        $chrome->script('[...document.querySelectorAll("[aria-label=\'Test points\'] button")][0].focus()');
        $chrome->press(Key::ENTER);
        $this->live('C1');
        $chrome->press('4650u', Key::TAB, '0.03', Key::ENTER);
        $this->justRead('C1', 'keep');

        // A slip in the entry is corrected; the part stays taken from the shelf, and its polarity is not forgotten.
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->script('[...document.querySelectorAll("button")].find((it) => it.ariaLabel?.startsWith("Correct: C1: ")).focus()');
        $chrome->press(Key::ENTER);
        $chrome->see('Add the correction');
        $chrome->field('Date code')->sendKeys('8912'.Key::ENTER);
        $chrome->seeNot('Add the correction');
        self::assertSame((string) ($before - 1), self::one("SELECT quantity FROM shelf_items WHERE sku = 'AL-4700-25'"));
        self::assertSame(
            'minus 8912',
            self::one(
                "SELECT CONCAT(JSON_VALUE(data, '$.polarity'), ' ', JSON_VALUE(data, '$.date_code')) FROM entries WHERE job_id = ? AND kind "
                    ."= 'part' ORDER BY received_at DESC LIMIT 1",
                $job,
            ),
        );

        // The list of what is still to buy, and the report with what waits.
        $chrome->go('/shopping');
        $chrome->see('10000 µF 16 V');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('p');
        $chrome->see('Report of');
        $chrome->until(
            static fn (): bool => $chrome->script(
                'return [...document.querySelectorAll("iframe")].some((it) => it.contentDocument?.body?.innerText.includes("bag 9")) || '
                    .'document.body.innerText.includes("bag 9")',
            ) === true,
            'the report does not tell of the part',
        );
        self::assertSame(
            [
                'capacitor',
                'capacitor',
                'capacitor',
                'capacitor',
                'cap_reading',
                'cap_reading',
                'cap_reading',
                'cap_reading',
                'decision',
                'part',
                'cap_reading',
                'part',
            ],
            array_column(self::rows("SELECT kind FROM entries WHERE job_id = ? AND kind <> 'symptom' ORDER BY at, id", [$job]), 'kind'),
        );
        self::assertSame('1', self::one("SELECT COUNT(*) FROM open_items WHERE job_id = ? AND kind = 'waiting' AND open = 1", $job));
    }
}
