<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Document\Node;
use Ash\Logbook\BatteryState;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Quantity\UnreadableQuantity;

/** What is written down of a battery: as found, removed, or fitted. */
final readonly class BatteryNote
{
    private const FIELDS = ['state', 'chemistry', 'cells', 'where', 'positive_towards', 'volts', 'option', 'override', 'recheck_at'];

    /** @return array<string, mixed> with the verdict on its voltage; null where nothing was said */
    public static function read(Node $data): array
    {
        $data->only(...self::FIELDS);
        $state = $data->at('state')->enum(BatteryState::class);
        $fitted = $state === BatteryState::Fitted;
        $option = $fitted ? $data->at('option')->enum(Option::class) : null;
        if (!$fitted && $data->has('option')) {
            $data->at('option')->refuse('belongs to a battery that is fitted');
        }
        if ($fitted && !$data->has('positive_towards')) {
            $data->at('positive_towards');
        }
        $chemistry = $option === null ? $data->optional('chemistry')?->enum(Chemistry::class) : ($option === Option::Supercap1F ? null : $option->chemistry());
        $cells = $option === null ? $data->optional('cells')?->integer(1, 100) : $option->cells();
        $volts = self::volts($data->optional('volts'));

        return [
            'state' => $state->value,
            'chemistry' => $chemistry?->value,
            'cells' => $cells,
            'where' => $data->optional('where')?->text(160),
            'positive_towards' => $data->optional('positive_towards')?->text(120),
            'volts' => $volts,
            'option' => $option?->value,
            'override' => $data->optional('override')?->text(300),
            'recheck_at' => $data->optional('recheck_at')?->instant()->format('Y-m-d\TH:i:sP'),
            ...self::judged($data, $chemistry, $cells, $volts, $option),
        ];
    }

    /** The positive end is written down in words ("the keyboard plug"); words agree when they differ in case and blanks only. */
    public static function agrees(string $recorded, string $given): bool
    {
        $plain = static fn (string $text): string => mb_strtolower(preg_replace('/\s+/', ' ', trim($text)) ?? '');

        return $plain($recorded) === $plain($given);
    }

    /** @param array<string, mixed> $data */
    public static function words(array $data): string
    {
        $word = static fn (string $key): string => is_string($data[$key] ?? null) ? $data[$key] : '';
        $kind = Option::tryFrom($word('option'))?->words() ?? Chemistry::tryFrom($word('chemistry'))?->words();
        $cells = is_int($data['cells'] ?? null) && $word('option') === '' ? ($data['cells'] === 1 ? ', one cell' : ", {$data['cells']} cells") : '';

        return "Battery {$word('state')}".($kind === null ? '' : ": {$kind}").$cells
            .($word('where') === '' ? '' : ", {$word('where')}")
            .($word('positive_towards') === '' ? '' : ", positive end towards {$word('positive_towards')}")
            .(is_numeric($data['volts'] ?? null) ? ', '.Notation::print((float) $data['volts'], Unit::Volt) : '')
            .($word('cell_state') === '' ? '' : " ({$word('cell_state')})")
            .($word('override') === '' ? '' : "; polarity differs from the record, because {$word('override')}");
    }

    private static function volts(?Node $node): ?float
    {
        try {
            return $node === null ? null : (is_string($node->raw()) ? Notation::read($node->string(), Unit::Volt) : $node->number());
        } catch (UnreadableQuantity $problem) {
            $node->refuse($problem->getMessage());
        }
    }

    /** @return array<string, mixed> */
    private static function judged(Node $data, ?Chemistry $chemistry, ?int $cells, ?float $volts, ?Option $option): array
    {
        if ($volts === null || $option === Option::Supercap1F) {
            return [];
        }
        if ($chemistry === null || $cells === null) {
            $data->at('volts')->refuse('say chemistry and cells with it, so that it can be judged');
        }
        $pack = Pack::judge($chemistry, $cells, $volts);

        return $pack->question === null ? ['cell_state' => $pack->state->value, 'reasons' => $pack->reasons] : $data->at('volts')->refuse($pack->question);
    }
}
