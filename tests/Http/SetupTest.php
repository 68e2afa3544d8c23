<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\People\Role;

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

    public function test_cables_and_reports_are_drawn_and_explained(): void
    {
        $job = $this->job();
        $page = fn (): \Illuminate\Testing\TestResponse => $this->getJson("/api/jobs/{$job->id}/setup")->assertOk();
        $page()->assertJsonPath('chain', null)->assertJsonPath('cable', null)->assertJsonPath('seen', [])->assertJsonPath('clear', false);
        $this->line($job, 'chain host 7 terminated, disc 1 0 terminated, scanner 0');
        $it = $page()->assertJsonPath('chain.devices.2.wrong', true)->assertJsonPath('chain.devices.0.marks', 'host, terminated')
            ->assertJsonPath('chain.moves', ['set scanner to id 1 (it stands on 0)', 'take the terminators off disc 1', 'terminate scanner'])
            ->assertJsonPath('clashes.0', 'id 0 is held by disc 1 and scanner');
        $this->add($job, ['kind' => 'chain', 'data' => ['bus' => new \stdClass()] + (array) $it->json('chain.mended')])->assertCreated();
        $page()->assertJsonPath('chain.problems', [])->assertJsonPath('clear', true)->assertJsonPath('held.0.held.2', '1: scanner (its id)');
        $this->line($job, 'reports id: 0, 4');
        $page()->assertJsonPath('seen.0.means', 'it would be explained if its id of scanner stands on 4, not on 1');
        $sheet = (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertContains('Look again: its id of scanner stands on 4, not on 1?', array_column([$sheet['next'], ...(array) $sheet['then']], 'text'));
        $this->line($job, 'cable 2 units change: near 1, far 1 twist ready');
        $page()->assertJsonPath('cable.devices.2.twist', true)->assertJsonPath('cable.devices.2.stands', 'unit 0, select 1')
            ->assertJsonPath('cable.devices.1.twist', false)->assertJsonPath('cable.devices.0.marks', 'waits for change');
        self::assertRefused($this->add($job, ['kind' => 'chain', 'data' => ['bus' => new \stdClass(), 'chain' => []]]), '/data/chain');
    }

    public function test_what_was_looked_at_is_known_of_the_next_machine_of_its_kind_and_what_proved_wrong_is_said_there(): void
    {
        $job = $this->job();
        $this->line($job, 'setting serial card: JP3 irq: 1-2 4*, 2-3 3');
        $this->line($job, 'wrong serial card JP3: the leaflet says 1-2 is 3; it is 4');
        $number = sprintf('J-%04d', $job->number);
        $this->getJson("/api/jobs/{$job->id}/setup")->assertOk()->assertJsonPath('settings.0.wrong', ["the leaflet says 1-2 is 3; it is 4 ({$number})"])
            ->assertJsonPath('known', []);
        $other = $this->job();
        $this->getJson("/api/jobs/{$other->id}/setup")->assertOk()->assertJsonPath('settings', [])
            ->assertJsonPath('known.0.line', 'JP3 irq: 1-2 4, 2-3 3')->assertJsonPath('known.0.wrong.0', "the leaflet says 1-2 is 3; it is 4 ({$number})")
            ->assertJsonPath('generic.0.name', 'serial card')->assertJsonPath('generic.0.blocks.0.options.0.value', '4');
        // Withdrawn, it is said no more.
        $wrong = $this->line($job, 'wrong serial card JP3: the box says 5; it is 4');
        $this->add($job, ['kind' => 'withdrawn', 'corrects' => $wrong, 'text' => 'misread'])->assertCreated();
        $this->getJson("/api/jobs/{$job->id}/setup")->assertJsonCount(1, 'settings.0.wrong');
    }

    public function test_a_drive_that_damages_disks_takes_no_more_until_it_is_proven(): void
    {
        $job = $this->job();
        $copy = fn (Job $on, string $drive, string $disk): \Illuminate\Testing\TestResponse => $this->add($on, [
            'kind' => 'disk_copied', 'data' => ['disk' => $disk, 'image' => "{$disk}.img", 'drive' => $drive, 'tries' => 1, 'bad' => 0],
        ]);
        $copy($job, 'Drive A', 'one')->assertCreated();
        $this->line($job, 'damages drive A: a ring');
        self::assertRefused($copy($job, 'drive a', 'two'), '/data/drive');
        // Said in a line it is not kept as a mere observation.
        self::assertRefused($this->add($job, ['line' => 'copied two: two.img in drive A']), '/data/drive');
        $page = fn (): \Illuminate\Testing\TestResponse => $this->getJson("/api/jobs/{$job->id}/disks")->assertOk();
        $page()->assertJsonPath('damaging.0.drive', 'drive A')->assertJsonPath('session', '1 disk copied, 1 whole, 0 with bad sectors, 0 set aside; '
            .'1 since the drive was last cleaned');
        $copy($job, 'drive B', 'two')->assertCreated();
        $other = $this->job();
        $copy($other, 'drive A', 'three')->assertCreated();
        // It did not pass: it stays shut.
        $this->line($job, 'proven drive A: cleaned, scratched it too');
        self::assertRefused($copy($job, 'drive A', 'four'), '/data/drive');
        $this->line($job, 'proven drive A: cleaned, passed');
        $copy($job, 'drive A', 'four')->assertCreated();
        self::assertRefused($this->add($job, ['kind' => 'drive_proven', 'data' => ['drive' => 'drive A', 'cleaned' => true, 'passed' => true]]), '/data/drive');
        // One of the bench is shut on every job, and one that was meant by mistake is open again.
        $said = $this->line($job, 'damages drive C of the bench: it eats them');
        self::assertRefused($copy($other, 'drive C', 'five'), '/data/drive');
        $this->add($job, ['kind' => 'withdrawn', 'corrects' => $said, 'text' => 'it was the disk'])->assertCreated();
        $copy($other, 'drive C', 'five')->assertCreated();
        $this->line($job, 'copied six: six.img in drive B, 3 tries, 2 bad, cleaned, aside');
        $page()->assertJsonPath('session', '4 disks copied, 3 whole, 1 with bad sectors, 1 set aside; 1 since the drive was last cleaned')
            ->assertJsonPath('copies.3.bad', 2)->assertJsonPath('damaging', []);
    }

    public function test_attempts_at_a_drive_stand_side_by_side(): void
    {
        $job = $this->job();
        $this->getJson("/api/jobs/{$job->id}/disks")->assertOk()->assertJsonPath('drives', [])->assertJsonPath('session', null);
        foreach (['drive disc 1: 615/4/17 sold as 20 MB', 'attempt disc 1: adapter, nothing', 'attempt disc 1: own controller, works, 20.1 MB, 180 kB/s, 3 bad',
            'attempt disc 1: turned over, works, 20.1 MB, 90 kB/s, 0 bad', 'attempt disc 2: cold, sounds bad'] as $line) {
            $this->line($job, $line);
        }
        $this->getJson("/api/jobs/{$job->id}/disks")->assertOk()->assertJsonPath('drives.0.name', 'disc 1')
            ->assertJsonPath('drives.0.reasons.0', '615 cylinders, 4 heads and 17 sectors are 21.4 MB, or 20.4 MiB')
            ->assertJsonPath('drives.0.tries.2.best', true)->assertJsonPath('drives.0.tries.1.best', false)->assertJsonPath('drives.0.tries.1.bad', 3)
            ->assertJsonPath('drives.1.says', null)->assertJsonPath('drives.1.tries.0.outcome_words', 'works and sounds bad');
        $sheet = (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertContains('Image disc 2 first, once; then let it rest.', array_column([$sheet['next'], ...(array) $sheet['then']], 'text'));
    }

    /** Two good cards that fail only together: the swap model names the pair, the sheet what they could share. */
    public function test_a_pair_of_good_parts_is_named_with_what_it_could_share(): void
    {
        $job = $this->job();
        foreach (['setting sound card: JP1 irq: 5*, 7', 'setting network card: JP1 irq: 3*, 5', 'tried board as board, sound card as card: works',
            'tried board as board, network card as card: works', 'tried board as board, sound card as card, network card as card: fails'] as $line) {
            $this->line($job, $line);
        }
        $found = $this->getJson("/api/jobs/{$job->id}/isolation")->assertOk()->json('swaps.diagnoses');
        self::assertIsArray($found);
        self::assertMatchesRegularExpression(
            '/(sound card with network card|network card with sound card) \(both can be set to take interrupt\)/',
            (string) $found[0],
        );
    }

    public function test_a_symptom_and_a_table_of_types_speak(): void
    {
        $job = $this->job();
        $machine = (string) file_get_contents(base_path('database/demo/machines/dunlin-8.json'));
        $document = json_decode($machine, false, 64, JSON_THROW_ON_ERROR);
        self::assertInstanceOf(\stdClass::class, $document);
        $document->drive_types = [(object) ['type' => 1, 'cylinders' => 306, 'heads' => 4, 'sectors' => 17], (object) [
            'type' => 2, 'cylinders' => 612, 'heads' => 4, 'sectors' => 17,
        ]];
        $this->as(Role::Technician)->call('PUT', "/api/machines/{$job->machine_id}/profile", server: [
            'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_IF_MATCH' => '"1"',
        ], content: json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION))->assertOk();
        $this->line($job, 'symptom a disk is seen only when it was in at power-on');
        $this->line($job, 'drive disc 1: 615/4/17');
        $this->getJson("/api/jobs/{$job->id}/disks")->assertOk()->assertJsonPath('drive_types', 2)
            ->assertJsonPath('drives.0.reasons.1', 'type 2 fits best and loses 0.1 MB');
        $sheet = (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertContains(
            'the floppy drive says "ready" on pin 34 where the machine waits for "disk change"',
            array_column((array) $sheet['suspected'], 'text'),
        );
        $this->getJson("/api/jobs/{$job->id}/setup")->assertOk()->assertJsonPath('devices.2', 'Main board');
    }
}
