<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Batteries\Chemistry;
use Ash\Document\InvalidDocument;
use Ash\Facts\Clash;
use Ash\Facts\NeverMix;
use Ash\Facts\Substance;

/** The work list after a leak, in its order: neutralise, rinse, clean, dry, test, repair. */
final readonly class CleaningPlan
{
    /**
     * @param list<array{step: string, text: string, caution: ?string}> $steps
     * @param list<string>                                              $told  what is said beside the list
     */
    private function __construct(public array $steps, public bool $wholeBoard, public string $drying, public string $school, public array $told)
    {
    }

    /**
     * @param list<SurveyPlace>      $places
     * @param ?list<ForbidsWater>    $onBoard what the board carries; null: nobody has looked, so no bath is offered
     * @param list<Substance|string> $also    further substances that the bench means to use; words: what is in no list
     *
     * @throws InvalidDocument when two of them must never come together
     */
    public static function for(Chemistry $chemistry, array $places, ?array $onBoard, array $also = []): self
    {
        $leak = Leak::of($chemistry);
        $dry = $chemistry === Chemistry::LithiumThionyl;
        $known = array_values(array_filter($also, static fn (Substance|string $it): bool => $it instanceof Substance));
        $clashes = NeverMix::clashes(
            array_values(array_unique([...Leak::agents($chemistry), ...($dry ? [] : [Substance::IsopropylAlcohol]), ...$known], SORT_REGULAR)),
        );
        $never = array_filter($clashes, static fn (Clash $it): bool => !$it->onlyClosed);
        if ($never !== []) {
            throw InvalidDocument::at('/also', 'never mix '.implode('; ', array_map(static fn (Clash $it): string => $it->words(), $never)));
        }
        $spread = $leak['neutralise'] !== null && self::reaches($places, 2) > 3;
        $whole = $spread && $onBoard === [];
        // What carries nothing cannot fail: it is cleaned, and in no list of what to test or mend.
        $touched = array_values(array_filter(
            SurveyPlace::ordered($places),
            static fn (SurveyPlace $it): bool => $it->grade > 0 && $it->carries !== Carries::Nothing,
        ));

        return new self(
            [...self::cleaning($leak, $whole, $dry), ...self::testing($touched), ...self::repairing($touched)],
            $whole,
            $dry
                ? 'no drying: it was not wetted'
                : ($whole ? '24 to 48 hours, warm and in moving air, parts with cavities upside down' : '2 hours, warm and in moving air'),
            $leak['neutralise'] === null
                ? "No neutralising: {$leak['why']}."
                : "Neutralise first, then alcohol; not alcohol alone: {$leak['why']}.".self::bath($spread, $onBoard),
            [
                ...array_map(static fn (Clash $it): string => ucfirst($it->words()).': keep the vessel open', array_values(array_diff_key($clashes, $never))),
                ...array_map(
                    static fn (string $it): string => "{$it}: not judged: read its safety data sheet",
                    array_values(array_filter($also, is_string(...))),
                ),
            ],
        );
    }

    /** @param ?list<ForbidsWater> $onBoard */
    private static function bath(bool $spread, ?array $onBoard): string
    {
        return match (true) {
            $onBoard === null => $spread ? ' Say what is on the board before a bath of the whole is thought of.' : '',
            $onBoard === [] => '',
            default => ' No bath of the whole board: it carries '.implode(
                ', ',
                array_map(static fn (ForbidsWater $it): string => strtr($it->value, '_', ' '), $onBoard),
            ).'.',
        };
    }

    /** @param list<SurveyPlace> $places */
    private static function reaches(array $places, int $grade): int
    {
        return count(array_filter($places, static fn (SurveyPlace $it): bool => $it->grade >= $grade));
    }

    /**
     * @param array{left: string, neutralise: ?string, amount: string, then: string, why: string} $leak
     *
     * @return list<array{step: string, text: string, caution: ?string}>
     */
    private static function cleaning(array $leak, bool $whole, bool $dry): array
    {
        if ($dry) {
            return [
                [
                    'step' => 'clean',
                    'text' => "It left {$leak['left']}: {$leak['then']}.",
                    'caution' => 'No water. Air the room first. Gloves and eyes. A safety data sheet goes before this list.',
                ],
            ];
        }
        $steps = $leak['neutralise'] === null ? [] : [
            [
                'step' => 'neutralise',
                'text' => ucfirst($leak['amount']).'. It left '.$leak['left'].'.',
                'caution' => 'Gloves, eyes, air. Never with bleach or peroxide.',
            ],
            [
                'step' => 'rinse',
                'text' => $whole ? 'The whole board in demineralised water, twice.' : 'Demineralised water on a swab, three times, only where it was touched.',
                'caution' => null,
            ],
        ];

        return [...$steps,
            ['step' => 'clean', 'text' => 'Isopropyl alcohol of 90 % or more with a soft brush.', 'caution' => 'No flame, no hot iron, air.'],
            ['step' => 'dry', 'text' => $whole ? '24 to 48 hours, warm and in moving air.' : '2 hours, warm and in moving air.', 'caution' => null],
        ];
    }

    /**
     * @param list<SurveyPlace> $touched
     *
     * @return list<array{step: string, text: string, caution: ?string}>
     */
    private static function testing(array $touched): array
    {
        return array_map(
            static fn (SurveyPlace $it): array => [
                'step' => 'test',
                'text' => "Continuity of {$it->place} (grade {$it->grade}, carries {$it->carries->value}).",
                'caution' => null,
            ],
            $touched,
        );
    }

    /**
     * @param list<SurveyPlace> $touched
     *
     * @return list<array{step: string, text: string, caution: ?string}>
     */
    private static function repairing(array $touched): array
    {
        $eaten = array_values(array_filter($touched, static fn (SurveyPlace $it): bool => $it->grade >= 3));

        return array_map(
            static fn (SurveyPlace $it): array => [
                'step' => 'repair',
                'text' => $it->grade === 4 ? "Rebuild {$it->place}." : "Replace or retin {$it->place}; look under the mask around it.",
                'caution' => 'Solder: lead and flux fumes. Wash hands.',
            ],
            $eaten,
        );
    }
}
