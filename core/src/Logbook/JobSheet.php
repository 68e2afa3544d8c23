<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\PowerOn;
use Ash\Rails\Rail;

/** The head of a job: what is known, what is suspected and why, what to do next, and which gates stand open. */
final readonly class JobSheet
{
    /**
     * @param list<string>                           $known
     * @param list<array{text: string, why: string}> $suspected
     * @param list<GateState>                        $gates
     * @param list<string>                           $notices
     */
    private function __construct(public array $known, public array $suspected, public NextStep $next, public array $gates, public array $notices)
    {
    }

    public static function of(JobFacts $facts): self
    {
        $suspected = self::suspected($facts);
        $notices = $facts->outcome === null ? $facts->allowance->notices(array_column($suspected, 'text')) : [];

        return new self(self::known($facts), $suspected, NextStep::of($facts), self::gates($facts), $notices);
    }

    /** @return list<GateState> */
    public static function gates(JobFacts $facts): array
    {
        $leap = static fn (Gate $gate): ?array => $facts->leaps[$gate->value] ?? null;
        $gates = [GateState::of(
            Gate::LeakingCell,
            $facts->battery === BatteryState::Leaking ? PowerOn::Stop : PowerOn::Ok,
            ['a leaking cell is on the board'],
            $leap(Gate::LeakingCell),
        )];
        if (!$facts->hasRails) {
            return $facts->biasedChips === [] ? $gates : [...$gates, GateState::of(Gate::Bias, PowerOn::Stop, self::missingBias($facts), $leap(Gate::Bias))];
        }
        $gates[] = GateState::of(
            Gate::Rails,
            $facts->rails === null ? PowerOn::Hold : $facts->rails->powerOn,
            $facts->rails === null ? ['no rail has been measured on this job'] : $facts->rails->powerOnReasons,
            $leap(Gate::Rails),
        );
        if ($facts->threeSupplyChips) {
            $missing = self::missingBias($facts);
            $gates[] = GateState::of(Gate::Bias, $missing === [] ? PowerOn::Ok : PowerOn::Stop, $missing, $leap(Gate::Bias));
        }

        return $gates;
    }

    /** @return list<string> */
    private static function missingBias(JobFacts $facts): array
    {
        $chips = $facts->biasedChips === [] ? 'three-supply chips' : implode(', ', $facts->biasedChips);
        if ($facts->rails === null) {
            return ["{$chips}: their bias rail is not measured"];
        }
        if (array_filter($facts->rails->standing->rails, static fn (Rail $rail): bool => $rail->protects !== []) === []) {
            return ["{$chips}: they need -5 V before the other rails, and the profile names no rail that protects them"];
        }
        $missing = [];
        foreach ($facts->rails->standing->rails as $rail) {
            $state = $facts->rails->standing->state($rail);
            if ($rail->protects !== [] && !($state?->good() ?? false)) {
                $missing[] = "{$rail->name} is ".($state?->words() ?? 'not measured').": {$chips} need it before the other rails";
            }
        }

        return $missing;
    }

    /** @return list<string> */
    private static function known(JobFacts $facts): array
    {
        $known = [];
        if ($facts->battery !== null) {
            $known[] = "Battery: {$facts->battery->value}";
        }
        foreach ($facts->rails->standing->rails ?? [] as $rail) {
            $last = $facts->rails?->standing->last($rail);
            if ($last !== null) {
                $known[] = "{$last->reading->place()}: ".Notation::print((float) $last->reading->volts, Unit::Volt).', '.($last->verdict?->words() ?? '');
            }
        }
        foreach ($facts->parts as $part) {
            $known[] = "Replaced {$part}";
        }
        if ($facts->soak !== null) {
            $known[] = $facts->soak;
        }

        return $known;
    }

    /** @return list<array{text: string, why: string}> */
    private static function suspected(JobFacts $facts): array
    {
        $memory = $facts->memory === null ? [] : [['text' => $facts->memory, 'why' => (string) $facts->memoryWhy]];

        return [...array_map(
            static fn (Cause $cause): array => ['text' => implode(', ', $cause->rails).': '.lcfirst($cause->text), 'why' => implode('; ', $cause->evidence)],
            $facts->rails->causes ?? [],
        ), ...$memory];
    }
}
