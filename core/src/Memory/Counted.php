<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Quantity\Notation;

/** What a machine counts at start or has free, as it says so: "640K OK", "48082 bytes free", "1 MB"; 1 K is 1024 bytes. */
final readonly class Counted
{
    private const UNITS = [
        'b' => 1,
        'byte' => 1,
        'bytes' => 1,
        'k' => 1024,
        'kb' => 1024,
        'ki' => 1024,
        'kib' => 1024,
        'm' => 1048576,
        'mb' => 1048576,
        'mi' => 1048576,
        'mib' => 1048576,
    ];
    private const MOST = 2 ** 40;

    private function __construct(public float $bytes)
    {
    }

    /** @return self|null null when it names no size with its unit */
    public static function read(string $said): ?self
    {
        if (preg_match('/(?<![\d.,])(\d{1,15}(?:[.,]\d{1,6})?)\s*(bytes?|[kmKM]i?[bB]?|[bB])(?![a-z])/', $said, $m) !== 1) {
            return null;
        }
        $bytes = (float) strtr($m[1], ',', '.') * self::UNITS[strtolower($m[2])];

        return $bytes <= self::MOST ? new self($bytes) : null;
    }

    /**
     * Against what the map says is fitted, after what the firmware keeps for itself.
     *
     * @return list<string> what it means, the verdict first
     */
    public function against(FittedMemory $memory): array
    {
        $modules = array_map(static fn (Bank $it): Module => new Module($it->name, $it->bytes() / 1024), $memory->map->banks);
        $fitted = 1024 * array_sum(array_map(static fn (Module $it): float => $it->kib, $modules));
        $keeps = $memory->firmwareKeepsBytes ?? 0;
        $missing = $fitted - $keeps - $this->bytes;
        $said = Notation::plain($fitted, 12).' bytes fitted'.($keeps > 0 ? ", the firmware keeps {$keeps}" : '').', '
            .Notation::plain($this->bytes, 12).' counted';
        $sum = Sum::of(new SumAsked($modules, ($this->bytes + $keeps) / 1024));
        $without = array_map(static fn (array $names): string => 'as without '.implode(' and ', $names), $sum->explanations);
        $least = 1024 * min(array_map(static fn (Module $it): float => $it->kib, $modules));

        return match (true) {
            abs($missing) < 0.5 => ["{$said}: all of it"],
            $missing < 0 => ["{$said}: ".Notation::plain(-$missing, 12).' more than there should be: is the map right, or is a bank seen twice?'],
            $without !== [] => ["{$said}: ".Notation::plain($missing, 12).' missing', ...$without],
            $missing < $least => ["{$said}: ".Notation::plain($missing, 12).' less than fitted, less than any bank: what the firmware keeps for itself'
                .($memory->firmwareKeepsBytes === null
                    ? '? Compare with a good one, and note it with the map'
                    : ' is noted otherwise: compare with a good one')],
            default => ["{$said}: ".Notation::plain($missing, 12).' missing, and no set of banks explains it'],
        };
    }
}
