<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * The date codes of a memory's chips through its history: a code goes with its chip when it is exchanged, and ends with it when the chip
 * is replaced (common practice, no source). An empty code stands for a chip whose code nobody wrote down.
 *
 * @phpstan-type Event array{at: \DateTimeInterface, codes?: array<array-key, string>, exchanged?: array{string, string}, replaced?: string, code?: string}
 */
final readonly class ChipCodes
{
    /** @param list<Event> $events in time order: codes that were read, two chips that were exchanged, or one that was replaced, by designator */
    public function __construct(private array $events)
    {
    }

    /**
     * @param ?\DateTimeInterface $when as the chips sat then; null for now
     *
     * @return array<array-key, string> by designator
     */
    public function at(?\DateTimeInterface $when): array
    {
        $then = $now = [];
        foreach ($this->events as $event) {
            $now = self::after($event, $now);
            $then = $when === null || $event['at'] <= $when ? $now : $then;
        }
        // What was read off later was there before, where the chip sat then.
        foreach ($when === null ? [] : array_reverse($this->events) as $event) {
            $now = $event['at'] <= $when ? $now : self::before($event, $now);
        }

        return array_filter($then + $now, static fn (string $code): bool => $code !== '');
    }

    /**
     * @param Event                    $event
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private static function after(array $event, array $codes): array
    {
        return match (true) {
            isset($event['exchanged']) => self::exchanged($event['exchanged'], $codes),
            isset($event['replaced']) => [$event['replaced'] => DateCode::isOne($event['code'] ?? '') ? $event['code'] ?? '' : ''] + $codes,
            default => ($event['codes'] ?? []) + $codes,
        };
    }

    /**
     * @param Event                    $event
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private static function before(array $event, array $codes): array
    {
        return match (true) {
            isset($event['exchanged']) => self::exchanged($event['exchanged'], $codes),
            isset($event['replaced']) => array_diff_key($codes, [$event['replaced'] => '']),
            default => $codes,
        };
    }

    /**
     * @param array{string, string}    $chips
     * @param array<array-key, string> $codes
     *
     * @return array<array-key, string>
     */
    private static function exchanged(array $chips, array $codes): array
    {
        return [$chips[0] => $codes[$chips[1]] ?? '', $chips[1] => $codes[$chips[0]] ?? ''] + $codes;
    }
}
