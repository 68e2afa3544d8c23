<?php

declare(strict_types=1);

namespace App\Instruments;

use Ash\Document\InvalidDocument;

/** What a stand-in plays, and where the probe of the stand-in meter touches. Real devices never get these commands. */
final readonly class Scene
{
    public static function probe(string $rail, string $testPoint, string $load): string
    {
        return 'SIM:PROBE '.implode(',', array_map(self::quoted(...), [$rail, $testPoint, $load]));
    }

    public static function read(Meter $meter): SceneCard
    {
        return self::at($meter->address(), null);
    }

    public static function choose(Meter $meter, string $scene): SceneCard
    {
        return self::at($meter->address(), $scene);
    }

    /** @param string|null $scene to be played from now on; null only asks */
    public static function at(Address $address, ?string $scene): SceneCard
    {
        $known = self::talk($address, []);
        if ($scene === null) {
            return $known;
        }
        if (!in_array($scene, $known->scenes, true)) {
            throw InvalidDocument::at('/scene', 'must be one of '.implode(', ', $known->scenes));
        }

        return self::talk($address, ['SIM:SCENE '.self::quoted($scene)]);
    }

    /** @param list<string> $commands */
    private static function talk(Address $address, array $commands): SceneCard
    {
        try {
            $line = ScpiLine::open($address, 1.0, 1.0);
            foreach ($commands as $command) {
                $line->say($command);
            }
            $card = new SceneCard($line->ask('SIM:SCENE?'), array_values(array_filter(explode(',', $line->ask('SIM:SCENES?')))));
            $line->close();

            return $card;
        } catch (MeterLost $lost) {
            throw InvalidDocument::at('', $lost->getMessage());
        }
    }

    private static function quoted(string $text): string
    {
        return '"'.str_replace(['"', "\n", "\r"], ['""', ' ', ' '], $text).'"';
    }
}
