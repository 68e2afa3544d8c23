<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** Which chip is it, and is it cured: from the stand-in tester's console to a closed job, with the keyboard. */
final class MemoryJobTest extends TestCase
{
    private static function tester(string $scene): void
    {
        $socket = stream_socket_client(
            'tcp://127.0.0.1:'.self::environment('ASH_TESTER_PORT'),
            timeout: 2,
        ) ?: throw new \RuntimeException('the stand-in tester does not answer');
        fwrite($socket, "SIM:SCENE \"{$scene}\"\nSIM:SCENE?\n");
        self::assertSame($scene, trim((string) fgets($socket)));
        fclose($socket);
    }

    private function press(string $label, string $key = Key::ENTER): void
    {
        $this->chrome->button($label)->sendKeys($key);
    }

    private function errors(): int
    {
        $said = $this->chrome->script('return document.querySelector("[aria-label=\'What was read\']")?.innerText ?? ""');

        return is_string($said) && preg_match('/(\d+) errors/', $said, $m) === 1 ? (int) $m[1] : 0;
    }

    private function listenAndKeep(): void
    {
        $chrome = $this->chrome;
        $chrome->press('m');
        $chrome->see('Stop listening');
        $chrome->until(fn (): bool => $this->errors() > 3, 'no errors come in');
        $chrome->press('m');
        $chrome->see('stopped');
        $chrome->press('k');
        $chrome->see('Runs that are kept');
    }

    public function test_a_fault_is_located_live_exchanged_confirmed_soaked_and_closed(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('tomas');
        $job = $this->takeIn('Dunlin, from Dome crew, memory test stops');

        // The map's chips want their bias, and the job says so before power.
        self::assertContains(
            '4116 in Main memory: their bias rail is not measured',
            json_decode(self::one('SELECT sheet FROM jobs WHERE id = ?', $job), true)['gates'][2]['why'] ?? [],
        );
        $chrome->press('m');
        $chrome->see('-5 V first on and last off');
        $chrome->see('No run is kept yet');

        self::tester('bad-chip');
        $this->listenAndKeep();
        $chrome->see('Exchange U32 with U31.');
        self::assertStringContainsString('Suspected: U32', (string) $chrome->find('[aria-label="Socket map"] svg')->getAttribute('aria-label'));
        $chrome->press('x');
        $chrome->see('U32 and U31 are exchanged.');
        $chrome->see('from bank 0 bit 2 to bank 0 bit 1');

        // The simulated error stays where it was: the run refutes. What is typed is shown, and thrown away.
        self::tester('bad-chip');
        $this->listenAndKeep();
        $chrome->see('Refuted: the errors stayed at U32');
        $chrome->press('t');
        $chrome->until(static fn (): bool => $chrome->script('return document.activeElement?.tagName') === 'TEXTAREA', 'nothing to type into');
        // Typed faster than the line to the server answers: it is one source, and it ends with what was typed last.
        $chrome->delay(400);
        $chrome->press('0011 FF FD', Key::ENTER, '0123 FF FD', Key::ENTER, '1ABC FF FD', Key::ENTER, 'U99', Key::ENTER);
        $chrome->see('4 lines, 3 recognised, 1 left over');
        $chrome->delay(0);
        self::assertSame('1', self::one("SELECT COUNT(*) FROM memory_sources WHERE job_id = ? AND kind = 'text'", $job));
        $chrome->see('11, bank 0: bit 1');
        $this->press('Throw it away');
        $chrome->seeNot('3 recognised');

        // Exchanged with U33 this time: the error moves with the chip.
        $chrome->field('Chip')->sendKeys('U32');
        $chrome->field('exchanged with')->sendKeys('U99'.Key::ENTER);
        $chrome->see('there is no chip "U99"');
        $chrome->field('exchanged with')->clear();
        $chrome->field('exchanged with')->sendKeys('U33'.Key::ENTER);
        $chrome->see('U32 and U33 are exchanged.');
        self::tester('bad-chip-moved');
        $this->listenAndKeep();
        $chrome->see('Confirmed: the errors moved to U33. It is the chip that was in U32: replace it.');

        // Replaced, tested again, soaked.
        $chrome->press('j');
        $chrome->see('the chip that was moved to U33');
        $chrome->press('/', 'replaced U32 4116 -> 4116 from shelf dc 8312', Key::ENTER);
        $chrome->see('date code 8312');
        $chrome->press(Key::ESCAPE);
        $chrome->go("/jobs/{$job}/soak");
        $chrome->see('Soaks that are kept');
        self::tester('good');
        $chrome->press('m');
        $chrome->until(
            static fn (): bool => (int) $chrome->script('return Number(document.querySelector("[aria-label=Counted] .figure-number")?.innerText ?? 0)') >= 8,
            'no passes are counted',
            20,
        );
        $chrome->see('What more would buy');
        $chrome->press('m');
        $chrome->see('stopped');
        $chrome->press('k');
        $chrome->see('Soak, condition not noted: ');
        $passes = (int) self::one("SELECT JSON_VALUE(data, '$.passes') FROM entries WHERE job_id = ? AND kind = 'soak'", $job);
        self::assertGreaterThanOrEqual(8, $passes);
        $chrome->see("{$passes} clean passes");

        $chrome->press('j');
        $chrome->see('Leading words');
        $chrome->press('c');
        $chrome->see('Close the job');
        // Nobody has looked for a battery or measured the rails here: that stands as its limits.
        $this->press('Write these as its limits');
        $this->press('Close the job');
        $chrome->see('Reopen');
        self::assertSame(
            ['memory', 'swap', 'memory', 'swap', 'memory', 'part', 'soak', 'outcome'],
            array_column(self::rows("SELECT kind FROM entries WHERE job_id = ? AND kind <> 'symptom' ORDER BY at, id", [$job]), 'kind'),
        );
        self::assertSame(
            'confirmed',
            self::one("SELECT JSON_VALUE(data, '$.swap.verdict') FROM entries WHERE job_id = ? AND kind = 'memory' ORDER BY at DESC LIMIT 1", $job),
        );
    }

    public function test_a_tester_that_goes_silent_is_said_a_csv_is_read_and_two_runs_stand_side_by_side(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('bea');
        $job = $this->job('Parity stop when the room is warm');
        $chrome->go("/jobs/{$job}/memory");
        $chrome->see('Runs that are kept');
        $boxes = $chrome->script(
            'return [...document.querySelectorAll("input[type=checkbox]")].filter((it) => it.ariaLabel?.startsWith("Compare") && '
                .'!it.disabled).map((it) => it.ariaLabel)',
        );
        self::assertIsArray($boxes);
        $chrome->field((string) $boxes[1])->sendKeys(' ');
        $chrome->see('Errors that come only in one condition point to refresh or to a weak cell');

        // What the ear would hear: a long low tone for the first error, two falling ones for the silence, a high one for the end.
        $chrome->script(
            'window.heard = []; window.AudioContext = class { currentTime = 0; createGain() { return { gain: {}, connect: (to) => to }; } '
                .'createOscillator() { const tone = { frequency: {}, connect: (to) => to, start: () => '
                    .'window.heard.push(tone.frequency.value), stop: () => 0 }; return tone; } }',
        );
        $this->press('Tones');
        self::tester('goes-silent');
        $chrome->press('m');
        $chrome->see('the tester is silent; what came in is kept', 20);
        $chrome->press('m');
        $chrome->see('stopped');
        $chrome->until(
            static fn (): bool => $chrome->script('return window.heard.join(" ")') === '220 660 440 880',
            'the tones are others: '.json_encode($chrome->script('return window.heard')),
        );
        $this->press('Silent');
        $this->press('Throw it away');

        // What is too long to paste is turned away before the field takes it.
        $chrome->press('t');
        $chrome->until(static fn (): bool => $chrome->script('return document.activeElement?.tagName') === 'TEXTAREA', 'nothing to type into');
        $chrome->script(
            'const held = new DataTransfer(); held.setData("text", "1A3F 55 51\\n".repeat(200000)); '
                .'document.activeElement.dispatchEvent(new ClipboardEvent("paste", {clipboardData: held, bubbles: true, cancelable: true}))',
        );
        $chrome->see('That is too long to paste. Hand it in as a file.');
        self::assertSame('', $chrome->script('return document.activeElement.value'));
        $chrome->press(Key::TAB);

        $file = sys_get_temp_dir().'/ash-errors-'.bin2hex(random_bytes(4)).'.csv';
        file_put_contents($file, "address,expected,actual\n20001,FFFF,FFEF\n20101,FFFF,FFEF\n203");
        $chrome->button('CSV file')->click();
        $chrome->field('CSV file')->sendKeys($file);
        $chrome->see('cut at its end; what was whole is kept: line 4 has 1 fields where the header has 3');
        $chrome->see('chip U45');
        unlink($file);
        $this->press('Throw it away');
    }

    public function test_the_profile_form_and_the_json_of_a_map_keep_what_they_do_not_show(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('ines');
        $machine = self::one("SELECT id FROM machines WHERE slug = 'knot-12'");
        $parts = static fn (): array => [
            self::one("SELECT JSON_LENGTH(profile, '$.memories') FROM kinds JOIN machines ON machines.kind_id = kinds.id WHERE machines.id = ?", $machine),
            self::one(
                "SELECT JSON_VALUE(profile, '$.memories[0].map.banks[0].words') FROM kinds JOIN machines ON machines.kind_id = kinds.id WHERE machines.id = ?",
                $machine,
            ),
        ];
        $chrome->go("/machines/{$machine}");
        $this->press('Edit the profile');
        $chrome->field('Sources that proved wrong')->sendKeys(Key::END.Key::ENTER.'Drawing 7 | sense lines are drawn swapped');
        $this->press('Save');
        $chrome->see('sense lines are drawn swapped');
        self::assertSame(['1', '4096'], $parts());
        $this->press('Memory maps');
        $chrome->see('Core stack');
        $this->press('Edit as JSON');
        $chrome->field('The memory as JSON')->sendKeys(Key::END.'}');
        $this->press('Check and keep');
        $chrome->see('This is no JSON');
        $json = $chrome->field('The memory as JSON');
        $json->clear();
        $json->sendKeys(
            '{"key": "stack", "name": "Core stack", "map": {"radix": 8, "word_bits": 12, "banks": [{"name": "0", "start": "0", "words": '
                .'4096, "chips": [{"ref": "P0", "bits": [0]}, {"ref": "P1", "bits": [0]}]}]}}',
        );
        $this->press('Check and keep');
        $chrome->see('/memories/0/map/banks/0/chips/1/bits/0 bit 0 is given twice');
        self::assertSame(['1', '4096'], $parts());
    }

    public function test_a_map_is_made_from_rows_of_chips_and_faults_in_it_are_pointed_at(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('ines');
        $machine = self::one("SELECT id FROM machines WHERE slug = 'whimbrel'");
        $chrome->go("/machines/{$machine}");
        $this->press('Memory maps');
        $chrome->see('A new map from rows of chips');
        $start = $chrome->field('Starts at');
        $start->clear();
        $start->sendKeys('zz');
        $chrome->see('/rows/rows/0/start must be a number in radix 16');
        $start->clear();
        $start->sendKeys('8000');
        $chrome->see('8000 to BFFF');
        $chrome->see('three supplies');
        $this->press('Keep the map');
        $chrome->see('Edit as JSON');
        self::assertSame(
            '8000',
            self::one(
                "SELECT JSON_VALUE(profile, '$.memories[0].map.banks[0].start') FROM kinds JOIN machines ON machines.kind_id = kinds.id WHERE machines.id = ?",
                $machine,
            ),
        );
    }

    /** Names printed on the board stand otherwise than rows of chips have them: one is dragged onto another, one is typed over. */
    public function test_names_on_the_board_are_dragged_and_typed_over(): void
    {
        $chrome = $this->chrome;
        $this->signInAs('ines');
        $machine = self::one("SELECT id FROM machines WHERE slug = 'dunlin-8'");
        $ref = static fn (int $bit): string => self::one(
            "SELECT JSON_VALUE(profile, '$.memories[0].map.banks[0].chips[{$bit}].ref') FROM kinds JOIN machines ON machines.kind_id = kinds.id "
                .'WHERE machines.id = ?', $machine,
        );
        self::assertSame(['U30', 'U31', 'U37'], [$ref(0), $ref(1), $ref(7)]);
        $chrome->go("/machines/{$machine}/memory");
        $this->press('Names on the board');
        $chrome->see('Drag a name onto another');
        $chrome->script(<<<'JS'
            const [from, to] = ['bit 0', 'bit 1'].map((it) => document.querySelector(`[aria-label="Name of bank 0, ${it}"]`).closest('label'));
            const dataTransfer = new DataTransfer();
            from.dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer }));
            to.dispatchEvent(new DragEvent('dragover', { bubbles: true, cancelable: true, dataTransfer }));
            to.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer }));
            JS);
        $name = $chrome->find('[aria-label="Name of bank 0, bit 7"]');
        $name->clear();
        $name->sendKeys('IC8');
        $this->axe('names on the board');
        $this->press('Keep the names');
        $chrome->until(static fn (): bool => [$ref(0), $ref(1), $ref(7)] === ['U31', 'U30', 'IC8'], 'the names are not kept');
        $chrome->seeNot('Keep the names');
        // Twice the same is refused at its place, and nothing is lost.
        $this->press('Names on the board');
        $name = $chrome->find('[aria-label="Name of bank 0, bit 7"]');
        $name->clear();
        $name->sendKeys('U30');
        $this->press('Keep the names');
        $chrome->see('/memories/0/map');
        self::assertSame(['IC8', 'U30'], [$ref(7), $name->getAttribute('value')]);
    }
}
