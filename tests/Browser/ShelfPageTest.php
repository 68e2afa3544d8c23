<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** The shelf with the keyboard: a new part, received and counted, set aside; an arrival that brings a job up; labels that open the record. */
final class ShelfPageTest extends TestCase
{
    /** @param array<string, string> $values by label */
    private function fill(array $values): void
    {
        foreach ($values as $label => $value) {
            $this->chrome->field($label)->clear();
            $this->chrome->field($label)->sendKeys($value);
        }
    }

    public function test_a_part_comes_and_the_job_that_waits_for_it_stands_first(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/jobs');
        $chrome->see('Where it stands');
        $chrome->go('/shelf');
        $chrome->see('Originals kept from');
        $chrome->press('n');
        $chrome->see('A new part on the shelf');
        $this->fill(['Number' => 'SW-6A', 'Name' => 'latching mains switch 6 A', 'Quantity' => '-2', 'Place' => 'drawer 5']);
        $chrome->field('Place')->sendKeys(Key::ENTER);
        $chrome->see('must be from 0 to 1000000');
        $this->fill(['Quantity' => '2']);
        $chrome->field('Place')->sendKeys(Key::ENTER);
        $chrome->seeNot('A new part on the shelf');
        $chrome->see('SW-6A');

        $chrome->go('/');
        $chrome->see('It has come: latching mains switch 6 A is on the shelf: drawer 5');
        self::assertStringStartsWith('Switch does not hold', (string) $chrome->script('return document.querySelector("a[data-row]").innerText'));
        $chrome->see('Take it up again: a latching mains switch 6 A has arrived.');

        $chrome->go('/shelf');
        $chrome->see('Originals kept from');
        $chrome->press('/');
        $chrome->press('SW-6A');
        $chrome->see('1 sort of parts');
        $chrome->button('SW-6A')->sendKeys(Key::ENTER);
        $chrome->see('Coming and going');
        $this->fill(['Pieces' => '3', 'Note' => 'order 17']);
        $chrome->field('Note')->sendKeys(Key::ENTER);
        $chrome->see('received, order 17');
        $this->fill(['Pieces' => '-9']);
        $chrome->field('Pieces')->sendKeys(Key::ENTER);
        $chrome->see('the stock cannot go below nothing');
        $chrome->field('How many')->sendKeys(Key::ENTER);
        $chrome->see('Free it');
        $item = self::one("SELECT id FROM shelf_items WHERE sku = 'SW-6A'");
        self::assertSame(
            ['5', '1'],
            [
                self::one('SELECT quantity FROM shelf_items WHERE id = ?', $item),
                self::one('SELECT SUM(quantity) FROM shelf_reservations WHERE item_id = ?', $item),
            ],
        );
        $chrome->button('Free it')->sendKeys(Key::ENTER);
        $chrome->seeNot('Free it');

        // What it is: a capacitor needs its value; what is emptied is gone, what is not said stays.
        $chrome->field('Capacitor kind')->sendKeys('film');
        $chrome->field('Value, F')->sendKeys(Key::ENTER);
        $chrome->see('is needed of a capacitor');
        $this->fill(['Value, F' => '100n', 'Volts' => '250', 'Pitch, mm' => '15', 'Low at' => '4', 'Place' => 'drawer 6']);
        $chrome->field('Place')->sendKeys(Key::ENTER);
        $chrome->see('SW-6A, drawer 6');
        $chrome->field('Low at')->sendKeys(Key::BACKSPACE.Key::ENTER);
        $chrome->until(static fn (): bool => self::one('SELECT low_at FROM shelf_items WHERE id = ?', $item) === '', 'low at is not emptied');
        self::assertSame(
            ['film', '250', '{"pitch_mm":15}', '5'],
            array_map(
                static fn (string $it): string => self::one("SELECT {$it} FROM shelf_items WHERE id = ?", $item),
                ['kind', 'rated_v', 'spec', 'quantity'],
            ),
        );
    }

    public function test_a_broken_file_is_refused_in_words_and_a_label_opens_the_record(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/shelf');
        $chrome->see('From a CSV file');
        $file = sys_get_temp_dir().'/ash-shelf-'.bin2hex(random_bytes(4)).'.csv';
        file_put_contents($file, "sku,name,quantity,place\nZ-1,one,1,drawer 1\nZ-2,two,-4,drawer 1\n");
        $chrome->field('Shelf as CSV')->sendKeys($file);
        $chrome->see('row 3, column quantity: must be from 0');
        self::assertSame('0', self::one("SELECT COUNT(*) FROM shelf_items WHERE sku LIKE 'Z-%'"));
        unlink($file);
        $chrome->find('tbody input[type=checkbox]')->sendKeys(' ');
        $chrome->press('l');
        $chrome->see('Three across on a plain sheet');
        $label = (string) $chrome->find('ul[aria-label=Labels] svg')->getAttribute('aria-label');
        self::assertMatchesRegularExpression('~^Code for http://127\.0\.0\.1:\d+/shelf/[0-9a-z]{26}$~', $label);
        $chrome->driver->get(substr($label, strlen('Code for ')));
        $chrome->see('Coming and going');
    }
}
