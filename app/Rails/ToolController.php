<?php

declare(strict_types=1);

namespace App\Rails;

use App\Http\Errors;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Discharge;
use Ash\Rails\DischargeVerdict;
use Ash\Rails\LabelLine;
use Ash\Rails\Logic;
use Ash\Rails\LogicFamily;
use Ash\Rails\LogicLevel;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Two small computations beside the probes: a capacitor that must be empty, and a pin's level. Nothing of them is kept. */
final readonly class ToolController
{
    #[OA\Get(
        path: '/rails/discharge',
        operationId: 'discharge',
        tags: ['rails'],
        parameters: [
            new OA\QueryParameter(name: 'capacitance', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'start', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'resistor', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'rated', description: 'volts the resistor is rated for', schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(response: 200, description: 'how long, and whether this resistor may do it', content: new OA\JsonContent(ref: ToldCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function discharge(Request $request): JsonResponse
    {
        $asked = Shape::of(DischargeAsked::class)->read(Node::of((object) $request->query->all()));
        $it = Discharge::of($asked->capacitance, $asked->start, $asked->resistor, resistorV: $asked->rated);
        $time = Notation::print($it->timeToSafeS, Unit::Second, 3);

        return new JsonResponse(match ($it->verdict) {
            DischargeVerdict::Ok => new ToldCard('good', "Hold it for {$time}, then measure", $it->reasons),
            DischargeVerdict::Care => new ToldCard('care', "With care: {$time}, then measure", $it->reasons),
            DischargeVerdict::No => new ToldCard('bad', 'Not with this resistor', $it->reasons),
        });
    }

    #[OA\Get(path: '/rails/families', operationId: 'listFamilies', tags: ['rails'], responses: [
        new OA\Response(response: 200, description: 'what a supply that nobody has described may be', content: new OA\JsonContent(
            type: 'array',
            items: new OA\Items(ref: FamilyCard::class),
        )),
    ])]
    public function families(): JsonResponse
    {
        return new JsonResponse(FamilyCard::all());
    }

    #[OA\Get(path: '/rails/label', operationId: 'readLabel', tags: ['rails'], parameters: [
        new OA\QueryParameter(
            name: 'line',
            required: true,
            description: 'as it stands on the label: +5 6A, +12 1.5A, -12 0.3A',
            schema: new OA\Schema(type: 'string'),
        ),
    ], responses: [
        new OA\Response(response: 200, description: 'its parts, those that cannot be read with what is wrong', content: new OA\JsonContent(
            type: 'array',
            items: new OA\Items(ref: LabelPart::class),
        )),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function label(Request $request): JsonResponse
    {
        $line = Node::of((object) $request->query->all())->only('line')->at('line')->text(400);

        return new JsonResponse(array_map(static fn (array $it): LabelPart => new LabelPart($it['text'], $it['wrong']), LabelLine::read($line)->parts));
    }

    #[OA\Get(
        path: '/rails/level',
        operationId: 'logicLevel',
        tags: ['rails'],
        parameters: [
            new OA\QueryParameter(name: 'family', required: true, schema: new OA\Schema(type: 'string', enum: LogicFamily::class)),
            new OA\QueryParameter(name: 'supply', required: true, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'volts', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(response: 200, description: 'the level of a pin', content: new OA\JsonContent(ref: ToldCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function level(Request $request): JsonResponse
    {
        $asked = Shape::of(LevelAsked::class)->read(Node::of((object) $request->query->all()));
        $it = Logic::steady($asked->volts, $asked->supply, $asked->family->thresholds($asked->supply));
        $tone = match ($it->level) {
            LogicLevel::Low, LogicLevel::High => 'good',
            LogicLevel::AboveSupply => 'bad',
            default => 'care',
        };

        return new JsonResponse(new ToldCard($tone, $it->level->words().($it->mayToggle ? ', may be moving' : ''), $it->reasons));
    }
}
