<?php

declare(strict_types=1);

namespace Tests\Http;

/** The setup sheet of a job: said in lines, clashing, moved, and telling the library what it found. */
final class SetupTest extends TestCase
{
    public function test_a_clash_is_a_suspect_with_its_fix_and_answers_the_library(): void
    {
        $job = $this->job();
        $page = fn (): \Illuminate\Testing\TestResponse => $this->getJson("/api/jobs/{$job->id}/setup")->assertOk();
        $page()->assertJsonPath('settings', [])->assertJsonPath('clashes', []);
        $this->add($job, ['kind' => 'symptom_chosen', 'data' => ['symptom' => 'card_unseen']])->assertCreated();
        $made = fn (): array => array_filter(array_column((array) $this->getJson("/api/jobs/{$job->id}/isolation")->json('tests'), 'outcome', 'id'));
        self::assertSame([], $made());
        $this->line($job, 'setting serial card: JP3 irq: 1-2 4*, 2-3 3');
        $this->line($job, 'setting modem: J2 irq: 1-2 4*');
        $sheet = $page()->assertJsonPath('clashes', ['serial card (JP3) and modem (J2) both hold interrupt 4'])->assertJsonPath('plans.0.moves.0.to', 1)
            ->assertJsonPath('held.0.words', 'interrupt')->assertJsonPath('settings.0.options.1.words', '2-3 (3)');
        $job_sheet = $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertIsArray($job_sheet);
        self::assertContains('serial card (JP3) and modem (J2) both hold interrupt 4', array_column((array) $job_sheet['suspected'], 'text'));
        self::assertContains('Move JP3 of serial card from 1-2 (4) to 2-3 (3).', array_column([$job_sheet['next'], ...(array) $job_sheet['then']], 'text'));
        self::assertContains('conflict', $made());
        // Done: the setting is written down as it stands now, and the sheet is clear.
        $it = (array) $sheet->json('settings.0');
        $this->add($job, ['kind' => 'setting', 'data' => [
            'device' => $it['device'], 'block' => $it['block'], 'takes' => $it['takes'], 'at' => 1,
            'options' => [['value' => '4', 'pins' => '1-2'], ['value' => '3', 'pins' => '2-3']],
        ]])->assertCreated();
        $page()->assertJsonPath('clashes', [])->assertJsonPath('settings.0.at', 1);
        self::assertContains('fine', $made());
        self::assertRefused(
            $this->add($job, ['kind' => 'setting', 'data' => ['device' => 'x', 'block' => 'J', 'takes' => 'io', 'at' => 0, 'options' => [['value' => '3F8']]]]),
            '/data/length',
        );
    }
}
