<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Spoken;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class EntryController
{
    #[OA\Post(
        path: '/jobs/{job}/entries',
        operationId: 'addEntry',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/EntryBody')),
        responses: [
            new OA\Response(response: 201, description: 'taken into the record', content: new OA\JsonContent(ref: EntryStored::class)),
            new OA\Response(response: 200, description: 'the same entry was there already', content: new OA\JsonContent(ref: EntryStored::class)),
            new OA\Response(response: 409, description: 'another entry has this id', content: new OA\JsonContent(ref: Errors::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request, string $job): JsonResponse
    {
        [$draft, $entry, $created] = SaidInALine::taken($job, Body::of($request), SignedIn::person($request));
        // Nothing can have corrected what has just come in.
        $card = Cards::entries(
            [$created ? (object) $entry->getAttributes() : DB::table('entries')->where('id', $entry->id)->first() ?? abort(404)],
            $created,
        )[0];

        return new JsonResponse(new EntryStored($card, $created, $draft->doubt, $draft->also?->id), $created ? 201 : 200);
    }

    #[OA\Post(
        path: '/logbook/line',
        operationId: 'previewLine',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/LineBody')),
        responses: [
            new OA\Response(response: 200, description: 'what the line would become', content: new OA\JsonContent(ref: LinePreview::class)),
        ],
    )]
    public function preview(Request $request): JsonResponse
    {
        return new JsonResponse(SaidInALine::previewed(Body::as($request, LineBody::class), SignedIn::person($request)));
    }

    #[OA\Get(path: '/entry-kinds', operationId: 'listEntryKinds', tags: ['logbook'], responses: [
        new OA\Response(response: 200, description: 'the kinds of entries', content: new OA\JsonContent(
            type: 'array',
            items: new OA\Items(ref: EntryKindCard::class),
        )),
    ])]
    public function kinds(): JsonResponse
    {
        return new JsonResponse(array_values(array_map(static fn (EntryKind $it): EntryKindCard => new EntryKindCard(
            $it->name,
            $it->words,
            $it->spoken === Spoken::Needed,
            array_map(static fn (string $field, string $label): ChoiceCard => new ChoiceCard($field, $label), array_keys($it->saidAnew), $it->saidAnew),
            $it->keptAsSaid,
        ), House::here()->hall->kinds->all)));
    }
}
