<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Document\Node;
use Ash\Quantity\Notation;

/**
 * A place that a leak has touched. Grades: 0 clean; 1 dull or stained metal; 2 green on leads or solder, mask intact; 3 mask
 * lifted, pads or socket contacts eaten; 4 trace or leg gone, part or bracket crumbles (common practice, no source).
 */
final readonly class SurveyPlace
{
    /** What a failure there would do, worst first. */
    public const CARRIES = ['supply', 'bias', 'clock', 'memory', 'signal', 'ground', 'nothing'];
    public const HOLDS = ['component', 'trace', 'socket', 'slot', 'bracket', 'board_below'];
    public const GRADES = ['clean', 'dull or stained metal', 'green on leads or solder, mask intact', 'mask lifted, pads or contacts eaten', 'trace or leg gone, part crumbles'];

    /** @return array<string, mixed> */
    public static function read(Node $data): array
    {
        $data->only('place', 'holds', 'grade', 'distance_mm', 'carries', 'amps', 'trace', 'pin');
        $word = static fn (Node $node, array $words): string => in_array($node->string(), $words, true) ? $node->string() : $node->refuse('must be one of '.implode(', ', array_filter($words, is_string(...))));
        $trace = $data->optional('trace');
        if ($trace !== null) {
            Trace::read($trace);
        }

        return [
            'place' => $data->at('place')->text(160),
            'holds' => $word($data->at('holds'), self::HOLDS),
            'grade' => $data->at('grade')->integer(0, 4),
            'distance_mm' => $data->optional('distance_mm')?->notNegative(),
            'carries' => $word($data->at('carries'), self::CARRIES),
            'amps' => $data->optional('amps')?->notNegative(),
            'pin' => $data->optional('pin')?->text(80),
            'trace' => $trace === null ? null : get_object_vars($trace->object()),
        ];
    }

    /**
     * Worst first: grade, then what a failure there would do, then the nearest.
     *
     * @template T of array{place: string, grade: int, carries: string, distance_mm?: ?float}
     *
     * @param list<T> $places
     *
     * @return list<T>
     */
    public static function ordered(array $places): array
    {
        usort($places, static fn (array $a, array $b): int => [-$a['grade'], self::weight($a['carries']), $a['distance_mm'] ?? INF, $a['place']] <=> [-$b['grade'], self::weight($b['carries']), $b['distance_mm'] ?? INF, $b['place']]);

        return $places;
    }

    /** @param array<string, mixed> $data */
    public static function words(array $data): string
    {
        $grade = is_int($data['grade'] ?? null) ? $data['grade'] : 0;
        $distance = is_numeric($data['distance_mm'] ?? null) ? ', '.Notation::plain((float) $data['distance_mm']).' mm off' : '';

        return (is_string($data['place'] ?? null) ? $data['place'] : '').": grade {$grade}, ".self::GRADES[$grade].$distance.', carries '.(is_string($data['carries'] ?? null) ? $data['carries'] : '').(is_string($data['pin'] ?? null) ? ", {$data['pin']}" : '');
    }

    private static function weight(string $carries): int
    {
        return (int) array_search($carries, self::CARRIES, true);
    }
}
