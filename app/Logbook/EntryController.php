<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\EntryWords;
use Ash\Logbook\QuickLine;
use Ash\Logbook\UnclearLine;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class EntryController
{
    #[OA\Post(path: '/jobs/{job}/entries', operationId: 'addEntry', tags: ['logbook'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/EntryBody')), responses: [
        new OA\Response(response: 201, description: 'taken into the record', content: new OA\JsonContent(ref: EntryStored::class)),
        new OA\Response(response: 200, description: 'the same entry was there already', content: new OA\JsonContent(ref: EntryStored::class)),
        new OA\Response(response: 409, description: 'another entry has this id', content: new OA\JsonContent(ref: Errors::class)),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function store(Request $request, string $job): JsonResponse
    {
        [$entry, $created] = Append::to($job, EntryDraft::read(Body::of($request)), SignedIn::person($request));
        $card = Cards::entries([DB::table('entries')->where('id', $entry->id)->first() ?? abort(404)])[0];

        return new JsonResponse(new EntryStored($card, $created), $created ? 201 : 200);
    }

    #[OA\Post(path: '/logbook/line', operationId: 'previewLine', tags: ['logbook'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/LineBody')), responses: [new OA\Response(response: 200, description: 'what the line would become', content: new OA\JsonContent(ref: LinePreview::class)), new OA\Response(response: 422, description: 'the line is not clear', content: new OA\JsonContent(ref: Errors::class))])]
    public function preview(Request $request): JsonResponse
    {
        $line = Body::of($request)->only('line')->at('line');
        try {
            $quick = QuickLine::parse($line->text(2000));
        } catch (UnclearLine $problem) {
            $line->refuse($problem->getMessage());
        }
        $says = EntryWords::of($quick->kind, $quick->text, [...$quick->data, ...($quick->match === null ? [] : ['what' => $quick->match])]);

        return new JsonResponse(new LinePreview($quick->kind->value, $quick->kind->words(), $says, $quick->minutes));
    }
}
