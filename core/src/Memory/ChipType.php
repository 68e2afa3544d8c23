<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Memory chips by their generic numbers (public data sheets, from memory; check against a sheet before use). */
enum ChipType: string
{
    case C4027 = '4027';
    case C4116 = '4116';
    case C4164 = '4164';
    case C41256 = '41256';
    case C411000 = '411000';
    case C4464 = '4464';
    case C44256 = '44256';
    case C2102 = '2102';
    case C2114 = '2114';
    case C6116 = '6116';
    case C6264 = '6264';
    case C62256 = '62256';

    /** Pins that the 16-pin dynamic chips share. */
    private const DRAM16 = [
        2 => 'Din',
        3 => '/WE',
        4 => '/RAS',
        5 => 'A0',
        6 => 'A2',
        7 => 'A1',
        10 => 'A5',
        11 => 'A4',
        12 => 'A3',
        14 => 'Dout',
        15 => '/CAS',
        16 => 'VSS',
    ];

    /** @return array{words: int, bits: int, package: string, dynamic: bool, refresh: int, three_supplies: bool} refresh: cycles, 0 for a static chip */
    public function sheet(): array
    {
        [$words, $bits, $package, $refresh] = match ($this) {
            self::C4027 => [4096, 1, 'DIP-16', 64],
            self::C4116 => [16384, 1, 'DIP-16', 128],
            self::C4164 => [65536, 1, 'DIP-16', 128],
            self::C41256 => [262144, 1, 'DIP-16', 256],
            self::C411000 => [1048576, 1, 'DIP-18', 512],
            self::C4464 => [65536, 4, 'DIP-18', 256],
            self::C44256 => [262144, 4, 'DIP-20', 512],
            self::C2102 => [1024, 1, 'DIP-16', 0],
            self::C2114 => [1024, 4, 'DIP-18', 0],
            self::C6116 => [2048, 8, 'DIP-24', 0],
            self::C6264 => [8192, 8, 'DIP-28', 0],
            self::C62256 => [32768, 8, 'DIP-28', 0],
        };

        return [
            'words' => $words,
            'bits' => $bits,
            'package' => $package,
            'dynamic' => $refresh > 0,
            'refresh' => $refresh,
            'three_supplies' => $this === self::C4027 || $this === self::C4116,
        ];
    }

    /** @return array<int, string> function by pin, of the pins that are known; a supply carries its volts */
    public function pins(): array
    {
        return match ($this) {
            self::C4027 => [1 => 'VBB -5', 8 => 'VDD +12', 9 => 'VCC +5', 13 => '/CS'] + self::DRAM16,
            self::C4116 => [1 => 'VBB -5', 8 => 'VDD +12', 9 => 'VCC +5', 13 => 'A6'] + self::DRAM16,
            self::C4164 => [1 => 'NC', 8 => 'VCC +5', 9 => 'A7', 13 => 'A6'] + self::DRAM16,
            self::C41256 => [1 => 'A8', 8 => 'VCC +5', 9 => 'A7', 13 => 'A6'] + self::DRAM16,
            self::C411000, self::C4464 => [9 => 'VCC +5', 18 => 'VSS'],
            self::C44256 => [10 => 'VCC +5', 20 => 'VSS'],
            self::C2102 => [9 => 'GND', 10 => 'VCC +5'],
            self::C2114 => [9 => 'GND', 18 => 'VCC +5'],
            self::C6116 => [12 => 'GND', 24 => 'VCC +5'],
            self::C6264 => [1 => 'NC', 14 => 'GND', 26 => 'CS2', 28 => 'VCC +5'],
            self::C62256 => [1 => 'A14', 14 => 'GND', 26 => 'A13', 28 => 'VCC +5'],
        };
    }
}
