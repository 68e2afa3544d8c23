<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;

/**
 * One item taken out: what, with which fixings, which way round its connectors sat, and what was stuck, broken or missing.
 *
 * @phpstan-type Item array{what: string, fixings?: list<array{kind: string, count: int}>, connectors?: list<array{name: string, orientation: string}>, condition?: list<string>}
 */
final readonly class StripItem
{
    private const CONDITIONS = ['stuck', 'broken', 'missing'];

    /** @return array<string, mixed> */
    public static function read(Node $data): array
    {
        $data->only('what', 'fixings', 'connectors', 'condition');

        return array_filter([
            'what' => $data->at('what')->text(160),
            'fixings' => Fixing::readAll($data->optional('fixings')),
            'connectors' => array_map(static fn (Node $it): array => [
                'name' => $it->only('name', 'orientation')->at('name')->text(60),
                'orientation' => $it->at('orientation')->text(200),
            ], $data->optional('connectors')?->items() ?? []),
            'condition' => array_map(static fn (Node $it): string => in_array($it->string(), self::CONDITIONS, true) ? $it->string() : $it->refuse('must be one of '.implode(', ', self::CONDITIONS)), $data->optional('condition')?->items() ?? []),
        ], static fn (mixed $it): bool => $it !== []);
    }

    /**
     * "lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck": parts are told apart by how they begin.
     *
     * @return Item not checked yet
     */
    public static function fromLine(string $body): array
    {
        $parts = array_values(array_filter(array_map(trim(...), explode(';', $body)), static fn (string $it): bool => $it !== ''));
        $item = ['what' => array_shift($parts) ?? '', 'fixings' => [], 'connectors' => [], 'condition' => []];
        foreach ($parts as $part) {
            if (in_array(mb_strtolower($part), self::CONDITIONS, true)) {
                $item['condition'][] = mb_strtolower($part);
            } elseif (preg_match('/^\d+\s+\S/', $part) === 1) {
                $item['fixings'] = [...$item['fixings'], ...Fixing::fromLine($part)];
            } else {
                [$name, $orientation] = [...explode(' ', $part, 2), ''];
                $item['connectors'][] = ['name' => $name, 'orientation' => $orientation];
            }
        }

        return $item;
    }

    /** @param Item $data */
    public static function words(array $data): string
    {
        $fixings = Fixing::words($data['fixings'] ?? []);
        $connectors = implode(', ', array_map(static fn (array $it): string => "{$it['name']}: {$it['orientation']}", $data['connectors'] ?? []));

        return implode('; ', array_filter([$data['what'], $fixings, $connectors, implode(', ', $data['condition'] ?? [])]));
    }
}
