<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Two runs of one memory side by side: baseline against new part, before against after, cold against warm. */
final readonly class Comparison
{
    /**
     * @return array{
     *     rows: list<array{bank: string, bit: string, ref: string, one: int, other: int, change: string}>,
     *     says: list<string>,
     * } change: gone, new, both
     */
    public static function of(Map $map, Seen $one, Seen $other, Condition $first, Condition $second): array
    {
        $rows = [];
        foreach ($map->banks as $bank) {
            foreach ($bank->chips as $chip) {
                foreach ($chip->bits as $bit) {
                    [$a, $b] = [$one->at($bank->name, $bit), $other->at($bank->name, $bit)];
                    if ($a + $b > 0) {
                        $rows[] = [
                            'bank' => $bank->name,
                            'bit' => SuspectWords::bit($bit),
                            'ref' => $chip->ref,
                            'one' => $a,
                            'other' => $b,
                            'change' => $b === 0 ? 'gone' : ($a === 0 ? 'new' : 'both'),
                        ];
                    }
                }
            }
        }

        return ['rows' => $rows, 'says' => self::says($rows, $first, $second)];
    }

    /**
     * @param list<array{bank: string, bit: string, ref: string, one: int, other: int, change: string}> $rows
     *
     * @return list<string>
     */
    private static function says(array $rows, Condition $first, Condition $second): array
    {
        $refs = static fn (string $change): array => array_values(array_unique(array_map(
            static fn (array $it): string => $it['ref'],
            array_filter($rows, static fn (array $it): bool => $it['change'] === $change),
        )));
        [$gone, $new, $both] = [$refs('gone'), $refs('new'), $refs('both')];
        if ($rows === []) {
            return ['Neither run shows an error.'];
        }
        $differ = $first->against($second);
        $says = array_values(array_filter([
            $both === [] ? null : 'In both: '.implode(', ', $both).'.',
            $gone === [] ? null : 'Only in the first'.($differ === null ? '' : " ({$differ[0]})").': '.implode(', ', $gone).'.',
            $new === [] ? null : 'Only in the second'.($differ === null ? '' : " ({$differ[1]})").': '.implode(', ', $new).'.',
        ]));
        if ($differ !== null && ($gone !== [] || $new !== [])) {
            $says[] = $first->partDiffers($second)
                ? self::partSays($gone, $new, $differ)
                : 'Errors that come only in one condition point to refresh or to a weak cell: repeat both conditions before a part is named.';
        } elseif ($differ === null && ($gone !== [] || $new !== [])) {
            $says[] = 'Both ran under the same condition: what changed was changed by the work between them, or comes and goes by itself. Soak tells.';
        }

        return $says;
    }

    /**
     * @param list<string>          $gone
     * @param list<string>          $new
     * @param array{string, string} $differ
     */
    private static function partSays(array $gone, array $new, array $differ): string
    {
        return match (true) {
            $new === [] => "The errors are gone {$differ[1]}: what was taken out for it was bad, or a contact was.",
            $gone === [] => "The errors came {$differ[1]}: the baseline was good, so look at what was put in.",
            default => 'Some went and some came: the part that was changed is not the whole story.',
        };
    }
}
