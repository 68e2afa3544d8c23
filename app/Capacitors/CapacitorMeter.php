<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Instruments\Meter;
use App\Instruments\MeterReading;
use App\Instruments\Quantity;
use App\Instruments\Scene;
use App\Instruments\ScpiMeter;
use Ash\Document\InvalidDocument;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** What the meter says of one capacitor in one conversation: all of it, or nothing and why. */
final readonly class CapacitorMeter
{
    /** @param array<string, float> $read fields of a reading, in SI units */
    private function __construct(public array $read, public ?MeterReading $refusal, public string $words)
    {
    }

    public static function take(Meter $meter, Take $what, string $cap): self
    {
        if ($what === Take::Leads && $meter->esr_query === null) {
            throw InvalidDocument::at('/meter', 'does not read ESR: hold the probes together, read its display and type it');
        }
        /** @var array<string, array{Quantity|string, string}> $wanted */
        $wanted = array_filter(match ($what) {
            Take::Part => [
                'capacitance_f' => [Quantity::Farads, 'capacitance'],
                'esr_ohm' => $meter->esr_query === null ? null : [$meter->esr_query, 'ESR'],
                'tan_delta' => $meter->tan_delta_query === null ? null : [$meter->tan_delta_query, 'tan delta'],
            ],
            Take::Leakage => ['leakage_a' => [Quantity::Amperes, 'leakage']],
            Take::Leads => ['esr_ohm' => [(string) $meter->esr_query, 'leads']],
        });
        $probe = $what === Take::Leads ? Scene::probe('leads', '', 'none') : Scene::probe('capacitor', $cap, 'none');
        $answers = (new ScpiMeter($meter))->measure(
            array_values(array_map(static fn (array $it): Quantity|string => $it[0], $wanted)),
            $meter->standin ? [$probe] : [],
        );
        $read = [];
        foreach (array_keys($wanted) as $i => $field) {
            if ($answers[$i]->value === null) {
                return new self([], $answers[$i], count($wanted) === 1 ? $answers[$i]->words : "{$wanted[$field][1]}: {$answers[$i]->words}");
            }
            // Noise around nothing may read below it; a current may flow the other way round through the meter.
            $read[$field] = $field === 'leakage_a' ? abs($answers[$i]->value) : max(0.0, $answers[$i]->value);
        }
        if ($meter->loss_hz !== null && $what === Take::Part && count($read) > 1) {
            $read['frequency_hz'] = $meter->loss_hz;
        }

        return new self($read, null, $what === Take::Leads ? Notation::print($read['esr_ohm'], Unit::Ohm, 3) : '');
    }
}
