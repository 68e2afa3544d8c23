<?php

declare(strict_types=1);

namespace Ash\Logbook;

/**
 * One line to add an entry fast. Its leading word picks the kind; minutes may stand at its end ("20 min").
 * A line without a known leading word is an observation, so nothing that is typed is ever lost.
 */
final readonly class QuickLine
{
    /** Leading words: kind, and whether the word stays in the text because it carries meaning. */
    private const WORDS = [
        'symptom' => [EntryKind::Symptom, false],
        'note' => [EntryKind::Observation, false],
        'saw' => [EntryKind::Observation, true],
        'heard' => [EntryKind::Observation, true],
        'smelt' => [EntryKind::Observation, true],
        'found' => [EntryKind::Observation, true],
        'did' => [EntryKind::Action, false],
        'cleaned' => [EntryKind::Action, true],
        'reseated' => [EntryKind::Action, true],
        'removed' => [EntryKind::Action, true],
        'swapped' => [EntryKind::Action, true],
        'set' => [EntryKind::Action, true],
        'out' => [EntryKind::Strip, false],
        'loose' => [EntryKind::Waiting, true],
        'replaced' => [EntryKind::Part, false],
        'temp' => [EntryKind::Hazard, false],
        'bridged' => [EntryKind::Hazard, true],
        'bypassed' => [EntryKind::Hazard, true],
        'undid' => [EntryKind::Undone, false],
        'waiting' => [EntryKind::Waiting, false],
        'arrived' => [EntryKind::Arrived, false],
        'decided' => [EntryKind::Decision, false],
        'battery' => [EntryKind::Battery, false],
        'stage' => [EntryKind::Stage, false],
    ];

    /** @param array<string, mixed> $data */
    private function __construct(
        public EntryKind $kind,
        public string $text,
        public array $data = [],
        public int $minutes = 0,
        public ?string $match = null,
    ) {
    }

    /**
     * Examples for the key help: leading word and what a whole line looks like.
     *
     * @return array<string, string>
     */
    public static function examples(): array
    {
        return [
            'symptom' => 'symptom fan turns, screen stays dark',
            'saw' => 'saw a brown ring under R14',
            'did' => 'did wash the edge connector with alcohol 10 min',
            'replaced' => 'replaced C12 1000u 16V -> 1000u 25V from shelf dc 8431',
            'temp' => 'temp bridged the mains switch',
            'undid' => 'undid bridged',
            'waiting' => 'waiting for a 7812 asked of the stores',
            'arrived' => 'arrived 7812',
            'decided' => 'decided to recap the rail because two of four are bad',
            'battery' => 'battery leaking',
            'stage' => 'stage supply',
            'out' => 'out lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck',
            'loose' => 'loose M3x6 under the main board',
        ];
    }

    /** @throws UnclearLine */
    public static function parse(string $line): self
    {
        [$rest, $minutes] = self::minutes(trim($line));
        $found = preg_match('/^(\pL+):?\s*(.*)$/us', $rest, $m) === 1;
        $known = $found ? self::WORDS[mb_strtolower($m[1])] ?? null : null;
        if (!$found || $known === null) {
            return new self(EntryKind::Observation, $rest, [], $minutes);
        }
        [$kind, $keep] = $known;
        $body = trim($m[2]);
        if ($body === '') {
            throw UnclearLine::write(self::examples()[mb_strtolower($m[1])] ?? "{$m[1]} and what");
        }

        return match ($kind) {
            EntryKind::Part => self::part($rest, $body, $minutes),
            EntryKind::Undone, EntryKind::Arrived => new self($kind, $rest, [], $minutes, $body),
            EntryKind::Strip => new self($kind, $rest, array_filter(StripItem::fromLine($body), static fn (mixed $it): bool => $it !== []), $minutes),
            EntryKind::Waiting => $keep ? new self($kind, $rest, ['for' => "where the loose {$body} came from"], $minutes) : self::waiting($body, $minutes),
            EntryKind::Decision => self::decision($body, $minutes),
            EntryKind::Battery => self::battery($body, $minutes),
            EntryKind::Stage => self::stage($body, $minutes),
            default => new self($kind, $keep ? $rest : $body, [], $minutes),
        };
    }

    /** @return array{string, int} the line without the minutes at its end, and the minutes */
    private static function minutes(string $line): array
    {
        if (preg_match('/^(.*?)[\s,]+(?:(\d{1,2})\s?h)?\s?(?:(\d{1,3})\s?min)?$/us', $line, $m) === 1 && (($m[2] ?? '') !== '' || ($m[3] ?? '') !== '')) {
            return [$m[1], 60 * (int) ($m[2] ?? 0) + (int) ($m[3] ?? 0)];
        }

        return [$line, 0];
    }

    private static function part(string $line, string $body, int $minutes): self
    {
        $pattern = '/^(\S+)\s*(.*?)\s*(?:->|→|\bwith\b)\s*(.+?)(?:\s+from\s+(.+?))?(?:\s+dc\s+(\S+))?$/u';
        if (preg_match($pattern, $body, $m) !== 1) {
            throw UnclearLine::write(self::examples()['replaced']);
        }
        $data = ['designator' => $m[1], 'from' => $m[2], 'to' => $m[3], 'source' => $m[4] ?? '', 'date_code' => $m[5] ?? ''];

        return new self(EntryKind::Part, $line, array_filter($data, static fn (string $value): bool => $value !== ''), $minutes);
    }

    private static function waiting(string $body, int $minutes): self
    {
        preg_match('/^(?:for\s+)?(.+?)(?:,?\s+asked\s+(?:of\s+)?(.+?))?(?:,?\s+since\s+(\d{4}-\d\d-\d\d))?$/u', $body, $m);
        $data = ['for' => $m[1] ?? $body, 'asked' => $m[2] ?? '', 'since' => ($m[3] ?? '') === '' ? '' : "{$m[3]}T00:00:00Z"];

        return new self(EntryKind::Waiting, "waiting {$body}", array_filter($data, static fn (string $value): bool => $value !== ''), $minutes);
    }

    private static function decision(string $body, int $minutes): self
    {
        if (preg_match('/^(.+?)\s+because\s+(.+)$/us', $body, $m) !== 1) {
            throw UnclearLine::write(self::examples()['decided']);
        }

        return new self(EntryKind::Decision, $m[1], ['reason' => $m[2]], $minutes);
    }

    private static function battery(string $body, int $minutes): self
    {
        $word = mb_strtolower(strtok($body, " ,.\n") ?: '');
        if (BatteryState::tryFrom($word) === null) {
            throw UnclearLine::write('battery leaking, battery sound, battery removed or battery none');
        }

        return new self(EntryKind::Battery, "battery {$body}", ['state' => $word], $minutes);
    }

    private static function stage(string $body, int $minutes): self
    {
        $word = str_replace([' ', '-'], '_', mb_strtolower($body));
        if (Stage::tryFrom($word) === null) {
            throw UnclearLine::write('stage '.implode(', ', array_map(static fn (Stage $stage): string => mb_strtolower($stage->words()), Stage::cases())));
        }

        return new self(EntryKind::Stage, '', ['to' => $word], $minutes);
    }
}
