<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Batteries\BatteriesRoom;
use Ash\Batteries\BatteryState;
use Ash\Batteries\BoardNeeds;
use Ash\Batteries\Chemistry;
use Ash\Batteries\ClockCircuit;
use Ash\Batteries\ClockRead;
use Ash\Batteries\Option;
use Ash\Batteries\Suitability;
use Ash\Batteries\VoltSpan;
use Ash\Document\Node;
use Ash\Logbook\Caution;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class BatteryController
{
    #[OA\Get(
        path: '/jobs/{job}/battery',
        operationId: 'showBattery',
        tags: ['batteries'],
        parameters: [
            new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'board', description: 'another of the machine', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new OA\Response(response: 200, description: 'the board\'s battery', content: new OA\JsonContent(ref: BatteryPage::class))],
    )]
    public function show(Request $request, Job $job): JsonResponse
    {
        $job = $job->atHand(Node::of((object) $request->query->all())->only('board'));
        $profile = $job->profile();
        $read = Entry::query()->where('board_id', $job->board_id)->where('kind', ClockRead::KIND)->orderByDesc('at')->limit(10)->get();

        return new JsonResponse(new BatteryPage(
            job: Cards::job(Cards::jobs()->where('jobs.id', $job->id)->first() ?? abort(404)),
            notes: array_map(static fn (Entry $note): string => $note->at->format('j M Y').': '.$note->data->sentence(''), CompleteBattery::notes($job)),
            positive_towards: CompleteBattery::polarity($job),
            board: self::numbers($profile->section(BoardNeeds::class)),
            source: $profile->section(BoardNeeds::class)?->source,
            circuits: CircuitCard::all(),
            charging: new BoardNumbers('', '', '', Notation::plain(ClockCircuit::CHARGE_V), Notation::plain(ClockCircuit::CHARGE_OHM), ''),
            states: array_map(static fn (BatteryState $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), BatteryState::found()),
            chemistries: ChoiceCard::all(Chemistry::class),
            options: ChoiceCard::all(Option::class),
            tests: Cards::itemCards(Cards::items()->where('open_items.board_id', $job->board_id)->where('kind', 'clock')),
            read: array_values($read->map(static fn (Entry $it): string => $it->at->format('j M Y').': '.$it->data->sentence(''))->all()),
            cautions: array_map(static fn (Caution $it): string => $it->words(), $profile->cautionsAt(Stage::Battery)),
        ));
    }

    #[OA\Post(
        path: '/jobs/{job}/battery-options',
        operationId: 'compareBatteries',
        tags: ['batteries'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: BoardNumbers::class)),
        responses: [
            new OA\Response(response: 200, description: 'best first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: OptionCard::class))),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function options(Request $request, Job $job): JsonResponse
    {
        $board = self::board(Body::of($request)->only('retention_min_v', 'retention_max_v', 'standby_a', 'supply_v', 'series_ohm', 'diode_drop_v'));
        $ranked = BatteriesRoom::ranked($board, Option::cases());
        $best = BatteriesRoom::recommended($ranked);

        return new JsonResponse(array_map(static fn (Suitability $it): OptionCard => self::card($it, $board, $it === $best), $ranked));
    }

    private static function numbers(?BoardNeeds $needs): BoardNumbers
    {
        $text = static fn (?float $value): string => $value === null ? '' : Notation::plain($value, 6);

        return new BoardNumbers(
            $text($needs?->minV),
            $text($needs?->maxV),
            $needs === null ? '' : Notation::plain($needs->standbyA * 1e6, 4).'u',
            $text($needs?->supplyV),
            $text($needs?->seriesOhm),
            $text($needs->diodeV ?? 0.3),
        );
    }

    private static function board(Node $body): BoardNeeds
    {
        $value = static function (string $field, Unit $unit) use ($body): ?float {
            $node = $body->at($field);
            if (trim($node->string()) === '') {
                return null;
            }

            return Typed::from($node, $unit);
        };
        $charge = ['supply_v' => $value('supply_v', Unit::Volt), 'series_ohm' => $value('series_ohm', Unit::Ohm)];
        $fields = array_filter([
            'retention_min_v' => $value('retention_min_v', Unit::Volt), 'retention_max_v' => $value('retention_max_v', Unit::Volt),
            'standby_a' => $value('standby_a', Unit::Ampere),
            'diode_drop_v' => $value('diode_drop_v', Unit::Volt),
        ], static fn (?float $it): bool => $it !== null);
        if (($charge['supply_v'] === null) !== ($charge['series_ohm'] === null)) {
            $body->at($charge['supply_v'] === null ? 'supply_v' : 'series_ohm')->refuse('supply and resistor come together: a board that charges has both');
        }

        return BoardNeeds::read(Node::of((object) [...$fields, ...($charge['supply_v'] === null ? [] : ['charge' => (object) $charge])]));
    }

    private static function card(Suitability $it, BoardNeeds $board, bool $recommended): OptionCard
    {
        $volts = $it->freshV === null || $it->endV === null
            ? null
            : Notation::print($it->freshV, Unit::Volt, 3).' to '.Notation::print($it->endV, Unit::Volt, 3);
        $recheck = now()->addDays((int) (365.25 * $it->recheckYears()));

        $resistor = static fn (): string => $it->resistorOhm === null ? 'resistor' : 'a resistor of '.Notation::print($it->resistorOhm, Unit::Ohm, 3).' in all';

        return new OptionCard(
            id: $it->option,
            words: $it->option->words(),
            school: $it->option->school(),
            volts: $volts,
            years: self::lasting($it),
            charge: self::charge($it),
            needs: array_map(static fn (string $need): string => $need === 'resistor' ? $resistor() : strtr($need, '_', ' '), $it->needs),
            confirm: $it->confirm(),
            leaks: $it->leakOnBoard(),
            verdict: $it->verdict,
            verdict_words: $it->verdict->words(),
            reasons: $it->reasons,
            span: self::span($it, $board),
            recommended: $recommended,
            because: $recommended ? BatteriesRoom::because($it) : null,
            recheck_at: $recheck->format(Cards::TIME),
        );
    }

    /** What the board charges with, against what the chemistry takes for good. */
    private static function charge(Suitability $it): ?string
    {
        $allowed = $it->option->isNickel() ? ' of '.Notation::print($it->option->chargeLimit(), Unit::Ampere, 3).' allowed' : ' at first';

        return $it->chargeA === null ? null : Notation::print($it->chargeA, Unit::Ampere, 3).$allowed;
    }

    private static function lasting(Suitability $it): string
    {
        return match (true) {
            $it->years === null => '',
            $it->holdS !== null && is_finite($it->holdS) => Notation::plain($it->holdS / 86400, 3).' days from full',
            default => Notation::plain($it->years, 2).' years',
        };
    }

    private static function span(Suitability $it, BoardNeeds $board): ?SpanCard
    {
        $span = VoltSpan::of($it, $board);

        return $span === null ? null : new SpanCard($span->low, $span->high, $span->end, $span->fresh);
    }
}
