<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** Brackets go through electrolysis while other work goes on; a forbidden pair is refused across two people. */
final class TreatmentsTest extends TestCase
{
    private function choose(string $part, string $damage, string $material, string $means): void
    {
        $chrome = $this->chrome;
        $chrome->field('The part')->sendKeys($part);
        $chrome->field('What is wrong')->sendKeys($damage);
        $chrome->field('Made of')->sendKeys($material);
        $chrome->see('By the clock');
        $chrome->find("[aria-label='Take {$means}']")->sendKeys(Key::ENTER);
        $chrome->see("{$part}: ");
        $chrome->see('Begin step 1');
    }

    private function through(int $steps): void
    {
        for ($n = 1; $n <= $steps; ++$n) {
            $this->chrome->button("Begin step {$n}")->sendKeys(Key::ENTER);
            $this->chrome->button("Done, step {$n}")->sendKeys(Key::ENTER);
            $this->chrome->see('Begin step '.($n + 1));
        }
    }

    public function test_brackets_in_the_bath_run_while_other_work_goes_on(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->job('Dome overshoots by a window');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->press('t');
        $chrome->see('No part of this job is under treatment');
        foreach (['Litres' => '10', 'Supply, volts' => '12', 'Its limit, amperes' => '5'] as $label => $value) {
            $chrome->field($label)->sendKeys($value);
        }
        $this->choose('slot brackets', 'rust', 'steel', 'electrolysis');
        $chrome->see('70 g of washing soda without water, or 189 g of its crystals, in 10 l');
        $this->axe('a plan with its amounts');
        $this->through(4);
        $chrome->see('Caution: supply off first');
        $chrome->field('Vessel or place of slot brackets')->sendKeys('bath 1');
        $chrome->button('Begin step 5')->sendKeys(Key::ENTER);
        $chrome->see('in bath 1, until');
        // The sums of the bath: 5 A make 2.24 l of hydrogen an hour (Faraday's law by hand: 18000 C / (2 * 96485 C/mol) * 24.06 l/mol).
        $chrome->script("document.querySelectorAll('details summary').forEach((it) => it.textContent.includes('sums of the bath') && it.click())");
        $chrome->see('2.24 l of hydrogen an hour');
        $chrome->field('Volts')->clear();
        $chrome->field('Volts')->sendKeys('40');
        $chrome->see("above 30 V nobody's wet hands belong near a bath");
        // Meanwhile: it stands in the list of the bench, and a rail run may be begun.
        $chrome->go('/running');
        $chrome->see('slot brackets: Let it run');
        // Fourteen minutes, less what has gone by.
        $chrome->until(static fn (): bool => preg_match('/in 1[34] min/', $chrome->text()) === 1, 'the bath does not say when it ends');
        // Around it: other jobs now, the clips at its end.
        $chrome->see('What fits now');
        $chrome->see('slot brackets: Supply off, then take the clips off.');
        $chrome->see('when it is over: slot brackets: Let it run');
        $chrome->see('no order is better');
        $chrome->go("/jobs/{$job}");
        $chrome->see('slot brackets: rust, electrolysis: a step is running');
        $chrome->press('r');
        $chrome->see('Load');
        $chrome->go('/running');
        $chrome->button('Done')->sendKeys(Key::ENTER);
        $chrome->seeNot('Let it run');
        $chrome->go("/jobs/{$job}/treatments");
        $chrome->see('Begin step 6');
    }

    public function test_a_forbidden_pair_is_refused_across_two_people(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $chrome->go('/jobs/'.$this->job('Memory test stops after a cold night').'/treatments');
        $chrome->see('A part to treat');
        $this->choose('lid screws', 'rust', 'steel', 'vinegar soak');
        $this->through(1);
        $chrome->field('Vessel or place of lid screws')->sendKeys('tub 2');
        $chrome->button('Begin step 2')->sendKeys(Key::ENTER);
        $chrome->see('in tub 2, until');
        $chrome->button('Sign out')->click();
        $chrome->see('Sign in');
        $this->signInAs('bea');
        $chrome->go('/jobs/'.$this->job('Fan turns, screen stays dark').'/treatments');
        $chrome->see('A part to treat');
        $this->choose('case top', 'yellowing', 'ABS', 'vapour brightening');
        $this->through(1);
        $chrome->field('Vessel or place of case top')->sendKeys('tub 2');
        $chrome->button('Begin step 2')->sendKeys(Key::ENTER);
        $chrome->see('hydrogen peroxide and vinegar (acetic acid)');
        $chrome->see('make peracetic acid');
        $chrome->see('Tomas Wray');
    }

    public function test_colours_are_read_with_the_keyboard(): void
    {
        $chrome = $this->chrome;
        $image = imagecreatetruecolor(900, 300) ?: throw new \RuntimeException('no picture');
        foreach ([[196, 178, 134], [214, 209, 196], [128, 126, 120]] as $i => $rgb) {
            imagefilledrectangle($image, 300 * $i, 0, 300 * $i + 299, 299, (int) imagecolorallocate($image, ...$rgb));
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'lid').'.jpg';
        imagejpeg($image, $file, 95);
        $this->signInAs('tomas');
        $job = $this->job('Dome overshoots by a window');
        $chrome->go("/jobs/{$job}");
        $chrome->see('Leading words');
        $chrome->field('Caption of the next photo')->sendKeys('lid beside its hidden side');
        $chrome->find('[aria-label="Photo file"]')->sendKeys($file);
        $chrome->see('lid beside its hidden side');
        $chrome->go("/jobs/{$job}/treatments");
        $chrome->field('Photo with part, reference patch and grey card')->sendKeys('lid beside');
        $chrome->field('The part, by name')->sendKeys('lid');
        $chrome->field('Hours of brightening so far')->sendKeys('0');
        $photo = $chrome->find('[role="application"]');
        // From the middle, which is the reference: left to the part, back to the middle, right to the card.
        $photo->sendKeys(str_repeat(Key::ARROW_LEFT, 30).Key::ENTER);
        $photo->sendKeys(str_repeat(Key::ARROW_RIGHT, 30).Key::ENTER);
        $photo->sendKeys(str_repeat(Key::ARROW_RIGHT, 30).Key::ENTER);
        $this->axe('the colours of a photo');
        $chrome->button('Read the colours')->sendKeys(Key::ENTER);
        $chrome->see('from the reference, yellowness');
        $chrome->see('A camera is no colorimeter');
        $chrome->see('two readings some hours apart say when it may match');
        // Twenty hours later, between what it was and its hidden side: before and now, and the curve.
        $chrome->field('Photo with part, reference patch and grey card')->sendKeys('lid beside');
        $chrome->field('The part, by name')->sendKeys('lid');
        $chrome->field('Hours of brightening so far')->sendKeys('20');
        $chrome->find('[role="application"]')->sendKeys(str_repeat(Key::ARROW_LEFT, 17).Key::ENTER.str_repeat(Key::ARROW_RIGHT, 17).Key::ENTER
            .str_repeat(Key::ARROW_RIGHT, 30).Key::ENTER);
        $chrome->button('Read the colours')->sendKeys(Key::ENTER);
        $chrome->see('of the difference is gone');
        $chrome->see('The first place has changed by');
        $chrome->find('[aria-label^="Difference of lid from the reference over the hours"] canvas');
        $this->axe('before and now');
        $chrome->until(
            static fn (): bool => $chrome->script(
                'return [...document.querySelectorAll("main img")].every((it) => it.complete && it.naturalWidth > 0)',
            ) === true,
            'a picture is missing',
        );
    }
}
