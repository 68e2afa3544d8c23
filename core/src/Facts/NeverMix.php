<?php

declare(strict_types=1);

namespace Ash\Facts;

/**
 * What two of these make in one vessel, or one after the other on the same part without a rinse between (common practice; safety data
 * sheets say the same).
 */
final readonly class NeverMix
{
    private const ACIDS = [Substance::AceticAcid, Substance::CitricAcid, Substance::PhosphoricAcid];

    /**
     * Each of the first with each of the second.
     *
     * @return list<array{list<Substance>, list<Substance>, string, bool}> what they make, and whether only in a closed vessel
     */
    private static function table(): array
    {
        $bleach = [Substance::ChlorineBleach];
        $peroxide = [Substance::HydrogenPeroxide];
        $lye = [Substance::SodiumHydroxide];

        return [
            [self::ACIDS, $bleach, 'chlorine', false],
            [[Substance::Ammonia], $bleach, 'chloramine', false],
            [[Substance::IsopropylAlcohol, Substance::Acetone, Substance::ContactCleaner], $bleach, 'chloroform and worse', false],
            [$peroxide, $bleach, 'oxygen in bulk, bursting', false],
            [[Substance::AceticAcid], $peroxide, 'peracetic acid', false],
            [[Substance::Acetone], $peroxide, 'explosive peroxides', false],
            [[Substance::IsopropylAlcohol, Substance::ContactCleaner], $peroxide, 'oxygen and heat over a solvent', true],
            [$lye, $peroxide, 'oxygen, heat and spatter', false],
            [
                [Substance::Ammonia, Substance::SodiumCarbonate, Substance::SodiumBicarbonate, Substance::Steel, Substance::Copper],
                $peroxide, 'oxygen, bursting', true,
            ],
            [$lye, [Substance::Aluminium, Substance::Zinc], 'hydrogen', false],
            [[Substance::SodiumCarbonate], [Substance::Aluminium], 'hydrogen', true],
            [self::ACIDS, [Substance::Aluminium, Substance::Zinc, Substance::Steel], 'hydrogen', true],
            [self::ACIDS, [Substance::SodiumCarbonate, Substance::SodiumBicarbonate], 'carbon dioxide', true],
            [self::ACIDS, $lye, 'heat and spatter', false],
        ];
    }

    /**
     * @param list<Substance> $present each once
     *
     * @return list<Clash> by the place of the first of each pair, then of the second
     */
    public static function clashes(array $present): array
    {
        $found = [];
        foreach ($present as $i => $a) {
            foreach (array_slice($present, $i + 1) as $b) {
                $clash = self::between($a, $b);
                if ($clash !== null) {
                    $found[] = $clash;
                }
            }
        }

        return $found;
    }

    private static function between(Substance $a, Substance $b): ?Clash
    {
        foreach (self::table() as [$ones, $others, $makes, $onlyClosed]) {
            if ((in_array($a, $ones, true) && in_array($b, $others, true)) || (in_array($b, $ones, true) && in_array($a, $others, true))) {
                return new Clash($a, $b, $makes, $onlyClosed);
            }
        }

        return null;
    }
}
