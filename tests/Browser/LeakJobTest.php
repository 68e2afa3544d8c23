<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** A whole leak job with the keyboard: out it comes, battery, survey, continuity over the stand-in, a new cell, photos, and back in. */
final class LeakJobTest extends TestCase
{
    private string $folder = '';

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private function picture(string $name, int $red): string
    {
        $this->folder = $this->folder ?: sys_get_temp_dir().'/ash-photos-'.bin2hex(random_bytes(4));
        is_dir($this->folder) || mkdir($this->folder);
        $image = imagecreatetruecolor(800, 600) ?: throw new \RuntimeException('no picture');
        imagefill($image, 0, 0, (int) imagecolorallocate($image, $red, 90, 60));
        imagejpeg($image, "{$this->folder}/{$name}.jpg");

        return "{$this->folder}/{$name}.jpg";
    }

    public function test_a_leak_from_strip_down_to_a_sealed_rebuild_list(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $job = $this->takeIn('Whimbrel, from Log room, green fluff beside the plug');

        // Taken out, item by item; the machine's profile knew one of the connectors already.
        $chrome->press('s');
        $chrome->see('What comes out');
        $chrome->see('J4: red stripe at pin 1, key down');
        $chrome->press('/', 'lid; 5 M3x8', Key::ENTER);
        $chrome->see('lid; 5 M3x8');
        $chrome->press('drive card; 1 M3x6; J4 red stripe at pin 1, key down', Key::ENTER);
        $chrome->see('2 not back in: drive card, lid');

        // The battery as it was found.
        $chrome->go("/jobs/{$job}/battery");
        $chrome->see('As it was found');
        $chrome->see('Battery fitted: 3 AA alkaline');
        $this->fill([
            'Kind' => 'nickel-cad',
            'Cells' => '3',
            'Where it sits' => 'left of the plug',
            'Positive end towards' => 'the keyboard plug',
            'Volts of the pack' => '0,4',
        ]);
        $chrome->press(Key::ENTER);
        $chrome->see('Battery leaking: nickel-cadmium, 3 cells, left of the plug');
        $chrome->see('Recommended: ');

        // The survey, and continuity from the meter with zeroed leads.
        self::scene('leak-whimbrel');
        $chrome->go("/jobs/{$job}/corrosion");
        $chrome->see('Leak survey');
        foreach ([['keyboard clock to U12', '4'], ['keyboard data to U12', '2'], ['settings memory supply', '3']] as [$place, $grade]) {
            $this->fill(['Grade' => $grade, 'Place' => $place]);
            $chrome->press(Key::ENTER);
            $chrome->until(
                static fn (): bool => $chrome->script(
                    'return document.querySelector("[aria-label=\'Test points\']")?.innerText.includes(arguments[0])',
                    $place,
                ) === true,
                "{$place} is not on the list",
            );
        }
        $chrome->see('neutralise');
        $chrome->find('[aria-label^="Ohms at"]')->sendKeys(' ');
        $chrome->see('kept');
        foreach (['keyboard clock to U12' => 'open', 'settings memory supply' => 'open', 'keyboard data to U12' => 'sound'] as $place => $verdict) {
            $chrome->until(
                static fn (): bool => $chrome->script(
                    'return document.querySelector("[aria-label=\'Live point\']").innerText.includes(arguments[0])',
                    $place,
                ) === true,
                "{$place} is not live",
            );
            $chrome->press(' ');
            $chrome->until(
                static fn (): bool => $chrome->script(
                    'const it = document.querySelector("[aria-label=\'Just read\']")?.innerText ?? ""; return it.includes(arguments[0]) && '
                        .'it.includes(arguments[1])',
                    $place,
                    $verdict,
                ) === true,
                "{$place} is not {$verdict}",
            );
        }
        $chrome->see('keyboard clock to U12: open, AWG 30');

        // Photos before and after, with a pin.
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        foreach (['before' => 40, 'after' => 200] as $phase => $red) {
            $this->fill(['It shows' => 'corner by the battery', 'Before or after' => $phase]);
            $chrome->find('[aria-label="Photo file"]')->sendKeys($this->picture($phase, $red));
            $chrome->until(
                static fn (): bool => $chrome->script(
                    'return document.querySelector(`img[alt="corner by the battery, ${arguments[0]}"]`)?.naturalWidth === 320',
                    $phase,
                ) === true,
                "no {$phase} picture",
            );
        }

        // A new cell, the wrong way round first.
        $chrome->go("/jobs/{$job}/battery");
        $chrome->button('Fit it: 3 AA alkaline in a holder off the board')->sendKeys(Key::ENTER);
        $chrome->see('It is fitted');
        $chrome->press('the edge', Key::ENTER);
        $chrome->see('say that the blocking diode is in and measured');
        $chrome->driver->findElement(\Facebook\WebDriver\WebDriverBy::xpath('//form[.//h3]//input[@type="checkbox"]'))->sendKeys(' ');
        $chrome->driver->findElements(\Facebook\WebDriver\WebDriverBy::xpath('//form[.//h3]//input'))[0]->sendKeys(Key::ENTER);
        $chrome->see('turn it round');
        $this->fill(['Volts at the board after fitting' => '4.6']);
        $field = $chrome->driver->findElements(\Facebook\WebDriver\WebDriverBy::xpath('//form[.//h3]//input'))[0];
        $field->clear();
        $field->sendKeys('the keyboard plug'.Key::ENTER);
        $chrome->see('positive end towards the keyboard plug, 4.6 V (charged)');

        // Back in, ticked; one screw short is counted and corrected before it is sealed.
        $chrome->go("/jobs/{$job}/strip");
        $chrome->button('Back in: drive card')->sendKeys(Key::ENTER);
        $chrome->see('1 not back in: lid');
        $used = $chrome->field('Fixings used for lid');
        $used->clear();
        $used->sendKeys('4 M3x8');
        $chrome->button('Back in: lid')->sendKeys(Key::ENTER);
        $chrome->see('1 m3x8 left over');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->button('Correct: Back in: lid')->sendKeys(Key::ENTER);
        $chrome->see('Withdraw the entry');
        $chrome->button('Withdraw the entry')->sendKeys(Key::ENTER);
        $chrome->seeNot('Withdraw the entry');
        $chrome->press('s');
        $chrome->see('1 not back in: lid');
        $chrome->button('Back in: lid')->sendKeys(Key::ENTER);
        $chrome->see('all back in, nothing left over');

        self::assertSame(
            [
                'strip',
                'stage',
                'strip',
                'battery',
                'stage',
                'survey',
                'survey',
                'survey',
                'continuity',
                'continuity',
                'continuity',
                'photo',
                'photo',
                'battery',
                'rebuilt',
                'rebuilt',
                'withdrawn',
                'rebuilt',
            ],
            array_column(self::rows("SELECT kind FROM entries WHERE job_id = ? AND kind <> 'symptom' ORDER BY at, id", [$job]), 'kind'),
        );
        self::assertSame('2', self::one("SELECT COUNT(*) FROM open_items WHERE job_id = ? AND kind = 'repair' AND open = 1", $job));
        self::assertSame('1', self::one("SELECT COUNT(*) FROM open_items WHERE job_id = ? AND kind = 'recheck' AND open = 1", $job));
    }

    /** @param array<string, string> $values by label; for a choice the beginning of its words */
    private function fill(array $values): void
    {
        foreach ($values as $label => $value) {
            $field = $this->chrome->field($label);
            if ($field->getTagName() === 'input') {
                $field->clear();
            }
            $field->sendKeys($value);
        }
    }
}
