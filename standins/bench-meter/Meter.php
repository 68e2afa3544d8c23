<?php

declare(strict_types=1);

namespace AshStandins;

/**
 * What the meter answers to one line. IEEE 488.2 common commands, the measurement instructions of SCPI-99, two of its own for a capacitor's losses, and SIM:
 * for the simulation.
 */
final class Meter
{
    /** SCPI-99 volume 1, 7.2.1.1: infinity stands for an overload. */
    private const OVERLOAD = '+9.90000000E+37';

    /** IEEE 488.2: *IDN? answers maker, model, serial, version. */
    private const IDENTITY = 'Ash Bench,stand-in bench meter,0,1';

    private Board $board;
    private string $scene;
    private int $seed;

    public function __construct(private readonly string $folder, string $scene, int $seed)
    {
        $this->seed = max(1, $seed % 2147483647);
        $this->play($scene);
    }

    /**
     * @param array{rail: string, point: string, load: string, errors: list<string>} $session of one connection, changed in place
     *
     * @return string|null the answer, null for a command; "\0silent" and "\0drop" are carried out by the server
     */
    public function hear(string $line, array &$session): ?string
    {
        $word = strtoupper(strtok($line, ' ') ?: '');
        $rest = trim(substr($line, strlen($word)));
        $short = preg_replace(
            ['/^:/', '/MEASURE/', '/VOLTAGE/', '/RESISTANCE/', '/CAPACITANCE/', '/FREQUENCY/', '/CURRENT/', '/SYSTEM/', '/ERROR(:NEXT)?/'],
            ['', 'MEAS', 'VOLT', 'RES', 'CAP', 'FREQ', 'CURR', 'SYST', 'ERR'],
            $word,
        );

        return match ($short) {
            '*IDN?' => self::IDENTITY,
            '*OPC?' => '1',
            '*RST', '*CLS' => self::forget($session),
            'SYST:ERR?' => array_shift($session['errors']) ?? '0,"No error"',
            'MEAS:VOLT:DC?',
            'MEAS:VOLT?' => $this->measure($session, $this->board->volts($session['rail'], $session['point'], $session['load']), $this->board->noiseV),
            'MEAS:VOLT:AC?' => $this->measure($session, $this->board->ripple($session['rail'], $session['point'], $session['load']), $this->board->noiseV / 20),
            'MEAS:RES?' => $this->measure($session, $this->board->resistance($session['rail'], $session['point']), 0.003),
            'MEAS:CAP?' => $this->measure(
                $session,
                $this->board->capacitance($session['rail'], $session['point']),
                $session['rail'] === 'capacitor' ? 0.002 * ($this->board->capacitance($session['rail'], $session['point']) ?? 0.0) : 1e-9,
            ),
            'MEAS:CAP:ESR?' => $this->measure($session, $this->board->esr($session['rail'], $session['point']), 0.0002),
            'MEAS:CAP:LOSS?' => $this->measure($session, $this->board->tanDelta($session['rail'], $session['point']), 0.0002),
            'MEAS:CURR:DC?',
            'MEAS:CURR?' => $this->measure($session, $leak = $this->board->leakage($session['rail'], $session['point']), 0.002 * ($leak ?? 0.0)),
            'MEAS:FREQ?' => $this->measure($session, $this->board->frequency($session['rail']), 0.01),
            'SIM:PROBE' => self::probe($rest, $session),
            'SIM:SCENE' => $this->choose(trim($rest, '"'), $session),
            'SIM:SCENE?' => $this->scene,
            'SIM:SCENES?' => implode(',', $this->scenes()),
            default => self::error($session, '-113,"Undefined header"', str_ends_with($short ?? '', '?')),
        };
    }

    /** @return list<string> */
    private function scenes(): array
    {
        $names = array_map(static fn (string $file): string => basename($file, '.json'), glob("{$this->folder}/*.json") ?: []);
        sort($names);

        return $names;
    }

    private function play(string $scene): void
    {
        if (!in_array($scene, $this->scenes(), true)) {
            throw new \RuntimeException("there is no scene \"{$scene}\" in {$this->folder}");
        }
        $this->board = Board::load("{$this->folder}/{$scene}.json");
        $this->scene = $scene;
    }

    /** @param array{rail: string, point: string, load: string, errors: list<string>} $session */
    private function choose(string $scene, array &$session): ?string
    {
        if (!in_array($scene, $this->scenes(), true)) {
            return self::error($session, '-224,"Illegal parameter value"', false);
        }
        $this->play($scene);

        return null;
    }

    /** @param array{rail: string, point: string, load: string, errors: list<string>} $session */
    private static function probe(string $rest, array &$session): ?string
    {
        $words = str_getcsv($rest, ',', '"', '');
        if (count($words) !== 3) {
            return self::error($session, '-109,"Missing parameter"', false);
        }
        [$session['rail'], $session['point'], $session['load']] = array_map(strval(...), $words);

        return null;
    }

    /** @param array{rail: string, point: string, load: string, errors: list<string>} $session */
    private static function forget(array &$session): null
    {
        $session['errors'] = [];

        return null;
    }

    /** @param array{rail: string, point: string, load: string, errors: list<string>} $session */
    private static function error(array &$session, string $error, bool $isQuery): ?string
    {
        $session['errors'][] = $error;

        return $isQuery ? "\0silent" : null;
    }

    /** @param array{rail: string, point: string, load: string, errors: list<string>} $session */
    private function measure(array &$session, ?float $value, float $noise): string
    {
        $does = $this->board->misbehaviour($session['rail']);
        if ($does === 'busy' || $does === 'error') {
            $session['errors'][] = $does === 'busy' ? '-213,"Init ignored"' : '-330,"Self-test failed"';

            return '+9.91E+37';
        }

        return match ($does) {
            'silent' => "\0silent",
            'drops' => "\0drop",
            'garbled' => '#+1?.2E',
            'overload' => self::OVERLOAD,
            default => $value === null ? self::OVERLOAD : sprintf('%+.8E', $value + $noise * $this->normal()),
        };
    }

    /** A standard normal number from the seed: the sum of twelve uniform ones less six. */
    private function normal(): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; ++$i) {
            // Park and Miller, "Random number generators: good ones are hard to find", CACM 31 (1988): a = 16807, m = 2^31 - 1.
            $this->seed = $this->seed * 16807 % 2147483647;
            $sum += $this->seed / 2147483647;
        }

        return $sum;
    }
}
