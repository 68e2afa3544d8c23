<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Rails\RailsRoom;

/**
 * Asks the room as bin/ash does: JSON in, JSON out.
 *
 * @phpstan-type Verdict array{
 *     verdict: string, limits_v: array{low: float, high: float}, guard_v: float, deviation_pct: float,
 *     conformance_probability: float, ripple: ?string, conclusive: bool, meter_unfit: bool, reasons: list<string>,
 * }
 */
trait Bench
{
    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function ask(string $verb, array $document): array
    {
        $answer = json_decode((new RailsRoom())->verbs()[$verb]->answer(json_encode($document, JSON_THROW_ON_ERROR)), true, flags: JSON_THROW_ON_ERROR);

        return is_array($answer) ? $answer : throw new \LogicException();
    }

    /**
     * @param list<array<string, mixed>> $rails
     * @param list<array<string, mixed>> $readings
     * @param array<string, mixed>       $meter
     *
     * @return array{
     *     verdicts: list<Verdict>,
     *     causes: list<array{code: string, rails: list<string>, text: string, evidence: list<string>}>,
     *     power_on: string,
     *     power_on_reasons: list<string>,
     * }
     */
    private static function judge(array $rails, array $readings, array $meter = ['reading_pct' => 0, 'counts' => 0, 'resolution_v' => 0]): array
    {
        /**
         * @var array{verdicts: list<Verdict>, causes: list<array{code: string, rails: list<string>, text: string, evidence: list<string>}>, power_on: string,
         * power_on_reasons: list<string>}
         */
        return self::ask('judge', ['rails' => $rails, 'meter' => $meter, 'readings' => $readings]);
    }
}
