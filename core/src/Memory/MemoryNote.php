<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Logbook\Ulid;
use Ash\Quantity\Notation;

/** The record's entries of this room: a test run, a swap, a soak, date codes. */
final readonly class MemoryNote
{
    /** @return array<string, mixed> */
    public static function run(Node $data): array
    {
        $data->only('source', 'pattern', 'tested', 'condition');

        return [
            'source' => Ulid::read($data->at('source')), 'pattern' => $data->optional('pattern')?->enum(Pattern::class)->value ?? Pattern::None->value,
            'tested' => $data->has('tested') ? array_map(static fn (Node $it): string => $it->name(), $data->at('tested')->items()) : null,
            'condition' => (object) Condition::read($data->optional('condition'))->document(),
        ];
    }

    /** @return array<string, mixed> */
    public static function swap(Node $data): array
    {
        $data->only('run', 'from', 'to');

        return ['run' => Ulid::read($data->at('run')), 'from' => $data->at('from')->text(60), 'to' => $data->at('to')->text(60)];
    }

    /** @return array<string, mixed> passes typed, or counted by a source */
    public static function soak(Node $data): array
    {
        $data->only('source', 'passes', 'errors', 'confidence', 'target_rate', 'seconds_per_pass', 'condition')->exclusive('source', 'passes');
        $counted = $data->has('source');
        $share = static fn (?Node $it): ?float => $it === null ? null : ($it->number() > 0 && $it->number() < 1 ? $it->number() : $it->refuse('must be above 0 and below 1'));
        $passes = $counted ? null : $data->at('passes')->integer(1);
        $errors = $counted ? null : $data->at('errors')->integer(0);
        if ($errors > $passes) {
            $data->at('errors')->refuse("must be at most the number of passes, {$passes}");
        }

        return [
            'source' => $counted ? Ulid::read($data->at('source')) : null, 'passes' => $passes, 'errors' => $errors,
            'confidence' => $share($data->optional('confidence')), 'target_rate' => $share($data->optional('target_rate')),
            'seconds_per_pass' => $data->optional('seconds_per_pass')?->positive(), 'condition' => (object) Condition::read($data->optional('condition'))->document(),
        ];
    }

    /** @return array<string, mixed> */
    public static function dateCodes(Node $data): array
    {
        return ['map' => $data->only('map', 'codes')->at('map')->text(40), 'codes' => $data->at('codes')->text(4000)];
    }

    /** @param array<string, mixed> $data of a completed run */
    public static function runWords(array $data): string
    {
        $top = is_array($data['suspects'] ?? null) && is_array($data['suspects'][0] ?? null) ? $data['suspects'][0] : null;
        $errors = is_int($data['errors'] ?? null) ? $data['errors'] : 0;
        $swap = is_array($data['swap'] ?? null) && is_string($data['swap']['text'] ?? null) ? " {$data['swap']['text']}" : '';
        $whole = is_string($data['cut'] ?? null) ? ' Not whole: '.$data['cut'].'.' : '';

        return 'Memory test of '.self::word($data, 'name').(self::word($data, 'pattern') === 'none' ? '' : ', '.self::word($data, 'pattern').' pattern').', '.self::condition($data).': '
            .($errors === 0 ? 'no error.' : "{$errors} ".($errors === 1 ? 'error' : 'errors').'. '.($top === null ? 'None of them falls on the map.' : self::word($top, 'text').' '.self::percent($top['probability'] ?? 0))).$swap.$whole;
    }

    /** @param array<string, mixed> $data */
    public static function swapWords(array $data): string
    {
        return 'Exchanged '.self::word($data, 'from').' and '.self::word($data, 'to').'. '.self::word($data, 'predicts');
    }

    /** @param array<string, mixed> $data */
    public static function soakWords(array $data): string
    {
        $reasons = is_array($data['reasons'] ?? null) ? array_filter($data['reasons'], is_string(...)) : [];

        return 'Soak, '.self::condition($data).': '.implode('; ', $reasons).(is_string($data['cut'] ?? null) ? '. Not whole: '.$data['cut'] : '');
    }

    /** @param array<string, mixed> $data */
    public static function dateCodesWords(array $data): string
    {
        $younger = is_array($data['younger'] ?? null) ? array_filter($data['younger'], is_string(...)) : [];

        return 'Date codes of '.self::word($data, 'name').(self::word($data, 'built') === '' ? '' : ': built '.self::word($data, 'built'))
            .implode('', array_map(static fn (string $ref, string $says): string => "; {$ref} {$says}", array_keys($younger), $younger));
    }

    /** @param array<string, mixed> $data */
    private static function condition(array $data): string
    {
        $condition = $data['condition'] ?? null;

        return is_array($condition) || is_object($condition) ? Condition::read(Node::of((object) $condition))->words() : 'condition not noted';
    }

    private static function percent(mixed $share): string
    {
        return is_numeric($share) ? Notation::plain((float) $share * 100, 3).' %.' : '';
    }

    /** @param array<mixed> $data */
    private static function word(array $data, string $key): string
    {
        return is_string($data[$key] ?? null) ? $data[$key] : '';
    }
}
