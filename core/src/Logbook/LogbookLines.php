<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Logbook\Entries\Arrived;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\Entries\Fixing;
use Ash\Logbook\Entries\FixUndone;
use Ash\Logbook\Entries\ItemCondition;
use Ash\Logbook\Entries\OnlyHere;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\Promised;
use Ash\Logbook\Entries\StageEntered;
use Ash\Logbook\Entries\TakenOut;
use Ash\Logbook\Entries\WaitingFor;

/** The words with which the hall's own entries are said in a line. */
final readonly class LogbookLines
{
    private const REPLACED = 'replaced C12 1000u 16V -> 1000u 25V from shelf dc 8431';
    private const HERE = 'here C12 is 2200u since the last repair';
    private const DECIDED = 'decided to recap the rail because two of four are bad';

    /** @return list<LineRule> */
    public static function rules(): array
    {
        $saw = ['saw' => 'saw a brown ring under R14'];
        $did = ['did' => 'did wash the edge connector with alcohol 10 min'];
        $temp = ['temp' => 'temp bridged the mains switch'];

        return [
            LeadingWord::plain(LogbookRoom::SYMPTOM, false, ['symptom' => 'symptom fan turns, screen stays dark'], 'symptom'),
            LeadingWord::plain(LogbookRoom::OBSERVATION, false, [], 'note'),
            LeadingWord::plain(LogbookRoom::OBSERVATION, true, $saw, 'saw', 'heard', 'smelt', 'found'),
            LeadingWord::plain(LogbookRoom::ACTION, false, $did, 'did'),
            LeadingWord::plain(LogbookRoom::ACTION, true, [], 'cleaned', 'reseated', 'removed', 'swapped', 'set'),
            new LeadingWord(['replaced'], self::part(...), ['replaced' => self::REPLACED]),
            LeadingWord::plain(LogbookRoom::HAZARD, false, $temp, 'temp'),
            LeadingWord::plain(LogbookRoom::HAZARD, true, [], 'bridged', 'bypassed'),
            new LeadingWord(
                ['undid'],
                static fn (string $body, string $line): LineSaid => new LineSaid(FixUndone::KIND, $line, match: $body),
                ['undid' => 'undid bridged'],
            ),
            new LeadingWord(['waiting'], self::waiting(...), ['waiting' => 'waiting for a 7812 asked of the stores']),
            new LeadingWord(
                ['arrived'],
                static fn (string $body, string $line): LineSaid => new LineSaid(Arrived::KIND, $line, match: $body),
                ['arrived' => 'arrived 7812'],
            ),
            new LeadingWord(['promised'], Promised::said(...), ['promised' => Promised::LINE]),
            new LeadingWord(['decided'], self::decision(...), ['decided' => self::DECIDED]),
            new LeadingWord(['stage'], self::stage(...), ['stage' => 'stage supply']),
            new LeadingWord(['out'], self::out(...), ['out' => 'out lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck']),
            new LeadingWord(['here'], self::here(...), ['here' => self::HERE]),
            new LeadingWord(['loose'], self::loose(...), ['loose' => 'loose M3x6 under the main board']),
        ];
    }

    private static function here(string $body): LineSaid
    {
        if (preg_match('/^(\S+)\s+(.+)$/us', $body, $m) !== 1) {
            throw UnclearLine::write(self::HERE);
        }

        return new LineSaid(OnlyHere::KIND, '', (object) ['about' => $m[1], 'is' => $m[2]]);
    }

    private static function part(string $body, string $line): LineSaid
    {
        $pattern = '/^(\S+)\s*(.*?)\s*(?:->|→|\bwith\b)\s*(.+?)(?:\s+from\s+(.+?))?(?:\s+dc\s+(\S+))?$/u';
        if (preg_match($pattern, $body, $m) !== 1) {
            throw UnclearLine::write(self::REPLACED);
        }

        return new LineSaid(PartReplaced::KIND, $line, self::filled([
            'designator' => $m[1], 'from' => $m[2], 'to' => $m[3], 'source' => $m[4] ?? '', 'date_code' => $m[5] ?? '',
        ]));
    }

    private static function waiting(string $body): LineSaid
    {
        preg_match('/^(?:for\s+)?(.+?)(?:,?\s+asked\s+(?:of\s+)?(.+?))?(?:,?\s+since\s+(\d{4}-\d\d-\d\d))?$/u', $body, $m);
        $since = ($m[3] ?? '') === '' ? '' : "{$m[3]}T00:00:00Z";

        return new LineSaid(WaitingFor::KIND, "waiting {$body}", self::filled(['for' => $m[1] ?? $body, 'asked' => $m[2] ?? '', 'since' => $since]));
    }

    private static function loose(string $body, string $line): LineSaid
    {
        return new LineSaid(WaitingFor::KIND, $line, (object) ['for' => "where the loose {$body} came from"]);
    }

    private static function decision(string $body): LineSaid
    {
        if (preg_match('/^(.+?)\s+because\s+(.+)$/us', $body, $m) !== 1) {
            throw UnclearLine::write(self::DECIDED);
        }

        return new LineSaid(Decision::KIND, $m[1], (object) ['reason' => $m[2]]);
    }

    private static function stage(string $body): LineSaid
    {
        $word = str_replace([' ', '-'], '_', mb_strtolower($body));
        if (Stage::tryFrom($word) === null) {
            throw UnclearLine::write('stage '.implode(', ', array_map(static fn (Stage $stage): string => mb_strtolower($stage->words()), Stage::cases())));
        }

        return new LineSaid(StageEntered::KIND, '', (object) ['to' => $word]);
    }

    /** "lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck": parts are told apart by how they begin. */
    private static function out(string $body, string $line): LineSaid
    {
        $parts = array_values(array_filter(array_map(trim(...), explode(';', $body)), static fn (string $it): bool => $it !== ''));
        $item = ['what' => array_shift($parts) ?? '', 'fixings' => [], 'connectors' => [], 'condition' => []];
        foreach ($parts as $part) {
            if (ItemCondition::tryFrom(mb_strtolower($part)) !== null) {
                $item['condition'][] = mb_strtolower($part);
            } elseif (preg_match('/^\d+\s+\S/', $part) === 1) {
                $item['fixings'] = [...$item['fixings'], ...array_map(static fn (array $it): object => (object) $it, Fixing::said($part))];
            } else {
                [$name, $orientation] = [...explode(' ', $part, 2), ''];
                $item['connectors'][] = (object) ['name' => $name, 'orientation' => $orientation];
            }
        }

        return new LineSaid(TakenOut::KIND, $line, (object) array_filter($item, static fn (array|string $it): bool => $it !== []));
    }

    /** @param array<string, string> $fields */
    private static function filled(array $fields): \stdClass
    {
        return (object) array_filter($fields, static fn (string $value): bool => $value !== '');
    }
}
