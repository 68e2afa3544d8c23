<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\Node;
use Ash\Logbook\IntakeLine;
use Ash\Rails\Family;
use Ash\Rails\LabelLine;
use Ash\Rails\Rail;
use Ash\Rails\RailsSaid;
use Ash\Rails\RailsSection;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What can be said of a supply that nobody has described. Families: typical values, from memory; labels as supplies bear them (common practice). */
final class StrangerTest extends TestCase
{
    public function test_every_family_is_a_set_of_rails_that_can_be_judged(): void
    {
        foreach (Family::cases() as $family) {
            self::assertNotSame('', $family->howToKnow());
            if ($family !== Family::Monitor) {
                $rails = Rail::readAll(Node::parse((string) json_encode($family->rails())));
                self::assertCount(count($family->rails()), $rails);
            }
        }
        $rails = Rail::readAll(Node::parse((string) json_encode(Family::ThreeSupplyMemory->rails())));
        self::assertSame(
            [['+12', '+5'], -5.7, -4.5, false],
            [$rails["\0-5"]->protects, $rails["\0-5"]->limits->low, $rails["\0-5"]->limits->high, $rails["\0-5"]->needsLoad],
        );
        $home = Rail::readAll(Node::parse((string) json_encode(Family::Home9Vac->rails())));
        self::assertEqualsWithDelta([8.1, 11.25], [$home["\09 ac"]->limits->low, $home["\09 ac"]->limits->high], 1e-9);
        self::assertTrue(Rail::readAll(Node::parse((string) json_encode(Family::DesktopAtx->rails())))["\0+5 standby"]->standby);
    }

    /** @return array<string, array{string, string}> line, what is understood */
    public static function labels(): array
    {
        return [
            'as a label says it' => ['+5 6A, +12 1.5A, -12 0.3A, -5', '+5@6 +12@1.5 -12@0.3 -5'],
            'decimal commas' => ['+3,3V 14A; +5V 20A', '+3.3@14 +5@20'],
            'milliamperes' => ['-12V 300mA', '-12@0.3'],
            'without signs' => ['5V 3A, 12V', '+5@3 +12'],
            'alternating' => ['9 ac 1A', '9 ac@1'],
            'standby' => ['+5 standby 2A', '+5 standby@2'],
            'a typographic minus' => ["\u{2212}12 0.5A", '-12@0.5'],
            'what cannot be read stays' => ['+5 6A, blue wire, +12', '+5@6 !blue wire +12'],
            'zero is none' => ['0V, +5', '!0V +5'],
            'mains is not for this bench' => ['230 ac, +5', '!230 ac +5'],
            'twice' => ['+5, +5 2A', '+5 !+5 2A'],
            'alternating has no sign' => ['-9 ac', '!-9 ac'],
            'no amperes at all' => ['+5 0A', '!+5 0A'],
            'nothing' => [' , ; ', ''],
        ];
    }

    #[DataProvider('labels')]
    public function test_a_label_is_read_in_one_line(string $line, string $understood): void
    {
        $read = LabelLine::read($line);
        $amps = array_column($read->supply, 'max_a', 'name');
        $names = array_column($read->rails, 'name');
        $said = [];
        foreach ($read->parts as $part) {
            $name = $part['wrong'] === null ? array_shift($names) : null;
            $said[] = $name === null ? "!{$part['text']}" : $name.(isset($amps[$name]) ? "@{$amps[$name]}" : '');
        }
        self::assertSame($understood, implode(' ', $said));
    }

    public function test_a_label_beats_a_family_and_what_was_found_on_a_rail_stays(): void
    {
        $section = new RailsSection();
        $learn = static fn (\stdClass $document, RailsSaid $it): \stdClass => $section->learned($document, $it) ?? new \stdClass();
        $names = static fn (\stdClass $document): array => array_column($document->rails, 'name');
        $at = $learn((object) ['slug' => 'x'], new RailsSaid(Family::DesktopAt));
        self::assertSame(['+5', '+12', '-5', '-12'], $names($at));
        self::assertSame(['+5', '+12'], $names($learn($at, new RailsSaid(Family::Twin512))), 'a family gives way to another');
        $at->rails[3]->ohms_good = 80.0;
        $said = $learn($at, new RailsSaid(label: '+5 3A, +24'));
        self::assertSame(['+5', '-12', '+24'], $names($said), 'a rail on which something was found is kept');
        self::assertSame('from the label', $said->rails[0]->source);
        self::assertSame(3.0, $said->supply->rails[0]->max_a);
        $sheet = (object) ['rails' => [(object) ['name' => '+5', 'nominal_v' => 5, 'limits_v' => (object) ['low' => 4.9, 'high' => 5.1]]]];
        self::assertSame(4.9, $learn($sheet, new RailsSaid(Family::Single5))->rails[0]->limits_v->low, 'what a sheet says stays');
        $memory = $learn((object) ['rails' => [(object) ['name' => '+12', 'nominal_v' => 12]]], new RailsSaid(Family::ThreeSupplyMemory));
        self::assertSame(['+12', '+5'], array_values(array_filter($memory->rails, static fn (\stdClass $it): bool => $it->name === '-5'))[0]->protects);
    }

    /** @return array<string, array{string, string, ?string, ?string, ?string}> */
    public static function intakes(): array
    {
        return [
            'all of it' => [
                'Knot 12 lab computer, from the instrument group, dead after a week off', 'Knot 12 lab computer', null, 'the instrument group',
                'dead after a week off',
            ],
            'a name alone' => ['Gannet 4', 'Gannet 4', null, null, null],
            'a serial behind the name' => ['Gannet 4 #G-7, dark', 'Gannet 4', 'G-7', null, 'dark'],
            'a serial of its own' => ['Gannet 4, serial no. 1182, of Bea, dark, warm', 'Gannet 4', '1182', 'Bea', 'dark, warm'],
            'a symptom with from in it' => ['Gannet 4, dark, from Monday on', 'Gannet 4', null, null, 'dark, from Monday on'],
            'a decimal comma is no comma' => ['Gannet 4, reads 4,7 V', 'Gannet 4', null, null, 'reads 4,7 V'],
            'nothing' => [' , ', '', null, null, null],
        ];
    }

    #[DataProvider('intakes')]
    public function test_a_line_of_intake_is_taken_apart(string $line, string $machine, ?string $serial, ?string $owner, ?string $symptom): void
    {
        $it = IntakeLine::read($line);
        self::assertSame([$machine, $serial, $owner, $symptom], [$it->machine, $it->serial, $it->owner, $it->symptom]);
    }

    public function test_names_become_addresses(): void
    {
        self::assertSame(['knot-12-lab-computer', 'machine', 'a-b'], array_map(IntakeLine::slug(...), ['Knot 12 lab computer', '!!!', ' A & B ']));
        self::assertLessThanOrEqual(50, strlen(IntakeLine::slug(str_repeat('long name ', 20))));
    }
}
