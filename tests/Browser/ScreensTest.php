<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\Attributes\DataProvider;

/** Every screen in both light levels against axe-core, and what a role is shown. */
final class ScreensTest extends TestCase
{
    /** @return array<string, array{string}> */
    public static function lights(): array
    {
        return ['day' => ['day'], 'lamp' => ['lamp']];
    }

    /** @return array<string, string> addresses by what stands on the screen when it is there */
    private function screens(): array
    {
        $job = $this->job('Memory test stops after a cold night');
        $run = self::one('SELECT id FROM runs WHERE job_id = ? ORDER BY started_at LIMIT 1', $job);
        $machine = self::one("SELECT id FROM machines WHERE slug = 'dunlin-8'");
        $leak = $this->job('Dead after the winter, green fluff on the board');

        return [
            'Temporary fixes still open' => '/', 'Where it stands' => '/jobs', 'Leading words' => "/jobs/{$job}", 'Likely causes' => "/rail-runs/{$run}",
            'One test point over time' => '/boards/'.self::one('SELECT board_id FROM jobs WHERE id = ?', $job), 'Import a profile' => '/machines',
            'Sources that proved wrong' => "/machines/{$machine}",
            'Does the clock keep its time' => "/jobs/{$leak}/battery", 'Work list' => "/jobs/{$leak}/corrosion",
            'Rebuild: last out is first in' => "/jobs/{$leak}/strip", 'What to fit' => '/jobs/'.$this->job('Switch does not hold').'/battery',
            'Ask who it is' => '/meters', 'Runs that are kept' => '/jobs/'.$this->job('Parity stop when the room is warm').'/memory',
            'Soaks that are kept' => '/jobs/'.$this->job('Parity stop when the room is warm').'/soak',
            'Replace what is bad, or the kind' => '/jobs/'.$this->job('Recap of the spare supply').'/capacitors',
            'Old and new, to scale' => '/jobs/'.$this->job('Recap of the spare supply').'/substitutes?cap=C1',
            'Originals kept from' => '/shelf', 'Coming and going' => '/shelf/'.self::one("SELECT id FROM shelf_items WHERE sku = 'AL-4700-25'"),
            'Running low' => '/shopping', 'Three across on a plain sheet' => '/labels?boards='.self::one('SELECT board_id FROM jobs WHERE id = ?', $job),
            'Chips known here' => '/memory', 'Memory of Dunlin' => "/machines/{$machine}/memory", 'Add someone' => '/people',
            'Link for the owner' => "/jobs/{$job}/report", 'There is no screen' => '/nowhere/at/all',
            'Swaps' => '/jobs/'.$this->job('Fan turns, screen stays dark').'/find', 'What cured it before' => '/search?for=memory',
            'Weights and likelihoods are bench estimates' => '/library', 'as it ships' => '/library/fan_dark',
            'What fits now' => '/running', 'Colour, measured on a photo' => '/jobs/'.$this->job('Fan turns, screen stays dark').'/treatments',
            'Nothing is written down yet' => "/jobs/{$job}/setup", 'Do disk, format and drive go together' => "/jobs/{$job}/disks",
            'only those in no machine' => '/boards',
            'What all of this kind share' => '/kinds/'.self::one("SELECT kind_id FROM machines WHERE name LIKE 'Stilt 3%'"),
            'Where it has been' => '/boards/'.self::one("SELECT id FROM boards WHERE serial = '0044'"),
        ];
    }

    #[DataProvider('lights')]
    public function test_no_serious_violation_on_any_screen(string $light): void
    {
        $chrome = $this->chrome;
        $chrome->go('/');
        $chrome->script("localStorage.setItem('ash-bench.light', '{$light}')");
        $chrome->go('/');
        $chrome->see('Sign in');
        self::assertSame($light, $chrome->script('return document.documentElement.dataset.light'));
        $this->axe('sign-in');
        $this->signInAs('ines');
        foreach ($this->screens() as $words => $address) {
            $chrome->go($address);
            $chrome->see($words);
            usleep(250_000);
            $this->axe("{$address} in {$light}");
        }
        foreach ([
            'n' => ['/', 'Each board keeps'],
            'c' => ['/jobs/'.$this->job('Memory test stops after a cold night'), 'Close the job'],
            '@' => ['/jobs/'.$this->job('Memory test stops after a cold night'), 'Boards at hand'],
            '?' => ['/', 'these keys'],
        ] as $key => [$address, $words]) {
            $chrome->go($address);
            $chrome->see('Sign out');
            $chrome->see($address === '/' ? 'Closed last' : 'Leading words');
            $chrome->press($key);
            $chrome->see($words);
            $this->axe("{$address} after {$key} in {$light}");
        }
        $chrome->go('/machines/'.self::one("SELECT id FROM machines WHERE slug = 'dunlin-8'"));
        $chrome->button('Edit the profile')->click();
        $chrome->see('Add a rail');
        $this->axe("profile form in {$light}");
    }

    public function test_a_profile_is_edited_in_its_form_and_a_fault_is_pointed_at(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $chrome->go('/machines/'.self::one("SELECT id FROM machines WHERE slug = 'plover'"));
        $chrome->button('Edit the profile')->click();
        $field = $chrome->field('Sources that proved wrong');
        $field->sendKeys('Service sheet 2 | R14 is drawn as R41');
        $nominal = $chrome->find('section input[value="5"]');
        $nominal->clear();
        $nominal->sendKeys('five');
        $chrome->button('Save')->click();
        $chrome->see('/rails/0/nominal_v');
        $nominal->clear();
        $nominal->sendKeys('5');
        $chrome->button('Save')->click();
        $chrome->see('R14 is drawn as R41');
        self::assertSame('2', self::one("SELECT revision FROM kinds WHERE slug = 'plover'"));
    }

    public function test_a_board_gets_a_kind_of_its_own_by_keyboard_after_a_look(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('ines');
        $kind = self::one("SELECT kind_id FROM machines WHERE slug = 'dunlin-8'");
        $chrome->go("/kinds/{$kind}");
        $chrome->see('described here: capacitors (10)');
        $chrome->find('[aria-label="A kind of its own for Linear supply"]')->sendKeys(WebDriverKeys::ENTER);
        $chrome->see('Linear supply, serial D8-P-0391, in Dunlin 8');
        $this->axe('a kind of board, looked at');
        self::assertSame('0', self::one("SELECT COUNT(*) FROM kinds WHERE name LIKE 'Dunlin 8%supply'"));
        $chrome->field('Name of the kind')->sendKeys(WebDriverKeys::ENTER);
        $chrome->until(
            static fn (): bool => self::one("SELECT COUNT(*) FROM kinds WHERE of_board = 1 AND name LIKE 'Dunlin 8%supply'") === '1',
            'no kind of board was made',
        );
        $chrome->seeNot('described here: capacitors');
        $chrome->go('/kinds/'.self::one("SELECT id FROM kinds WHERE of_board = 1 AND name LIKE 'Dunlin 8%supply'"));
        $chrome->see('Capacitors: 10 listed');
        $this->axe('a kind of board');
        $chrome->go('/boards/'.self::one("SELECT id FROM boards WHERE serial = 'D8-P-0391'"));
        $chrome->see('counts first, then what its machine');
        $this->axe('a board with a kind of its own');
    }

    public function test_a_viewer_is_shown_nothing_that_writes(): void
    {
        $this->signInAs('vic');
        foreach ($this->screens() as $words => $address) {
            if (!in_array($address, ['/people'], true) && !str_ends_with($address, '/report')) {
                $this->chrome->go($address);
                $this->chrome->see(
                    $words === 'Leading words'
                        ? 'Entries'
                        : ($words === 'Import a profile' ? 'Machines' : ($words === 'Ask who it is' ? 'Stand-in bench meter' : $words)),
                );
                foreach ([
                    'Take in',
                    'Add',
                    'Go on anyway',
                    'Read the meter',
                    'Edit the profile',
                    'Import',
                    'correct',
                    'Keep',
                    'Listen',
                    'Count live',
                    'They are exchanged',
                    'Take out',
                    'It is fitted',
                    'New part',
                    'Set aside',
                    'Replace the kind',
                    'Write it down',
                ] as $control) {
                    self::assertSame(
                        [],
                        $this->chrome->script(
                            'return [...document.querySelectorAll("button")].map((b) => b.innerText).filter((t) => t.startsWith(arguments[0]))',
                            $control,
                        ),
                        "{$control} on {$address}",
                    );
                }
            }
        }
    }

    public function test_the_first_load_is_under_200_kb_of_compressed_script(): void
    {
        // As it comes over the network: what the shell's worker keeps is not compressed.
        $tools = new ChromeDevToolsDriver($this->chrome->driver);
        $tools->execute('Network.enable');
        $tools->execute('Network.setBypassServiceWorker', ['bypass' => true]);
        $this->signInAs('vic');
        $this->chrome->go('/');
        $this->chrome->see('On the bench');
        $bytes = $this->chrome->script(
            "return performance.getEntriesByType('resource').filter((r) => r.name.endsWith('.js')).reduce((sum, r) => sum + r.encodedBodySize, 0)",
        );
        self::assertIsInt($bytes);
        self::assertGreaterThan(50_000, $bytes);
        self::assertLessThan(200_000, $bytes);
    }
}
