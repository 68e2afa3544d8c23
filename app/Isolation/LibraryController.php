<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Http\Body;
use App\Http\Errors;
use App\Logbook\Cards;
use App\Logbook\Row;
use App\Logbook\Schema;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Isolation\SymptomLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** The library of symptoms: read by everybody, changed by a lead, as a file or on the screen by the same door. */
#[OA\Schema(schema: 'Likelihoods', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'number'))]
#[OA\Schema(schema: 'LibraryDocument', required: ['id', 'name', 'first', 'causes', 'tests'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'first', type: 'string', description: 'what to look at first'),
    new OA\Property(property: 'causes', type: 'array', items: new OA\Items(required: ['id', 'weight', 'shows'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'weight', type: 'number', description: "beside the symptom's other causes"),
        new OA\Property(property: 'shows', type: 'string'),
        new OA\Property(property: 'part', type: 'string', nullable: true),
    ], type: 'object')),
    new OA\Property(property: 'tests', type: 'array', items: new OA\Items(required: ['id', 'minutes', 'outcomes', 'likelihood'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'minutes', type: 'number'),
        new OA\Property(property: 'danger', type: 'string', nullable: true),
        new OA\Property(property: 'how', type: 'string', nullable: true),
        new OA\Property(property: 'room', type: 'string', nullable: true),
        new OA\Property(property: 'outcomes', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'needs', type: 'array', items: new OA\Items(type: 'string')),
        new OA\Property(
            property: 'likelihood',
            type: 'object',
            description: 'of each outcome, by cause',
            additionalProperties: new OA\AdditionalProperties(ref: '#/components/schemas/Likelihoods'),
        ),
        new OA\Property(property: 'from', type: 'array', items: new OA\Items(ref: '#/components/schemas/AnyDocument')),
    ], type: 'object')),
])]
final readonly class LibraryController
{
    private const REVISIONS = 50;

    #[OA\Get(path: '/library', operationId: 'listLibrary', tags: ['isolation'], responses: [
        new OA\Response(response: 200, description: 'its symptoms', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: LibraryRow::class))),
    ])]
    public function index(): JsonResponse
    {
        $revisions = Library::latest()->pluck('revision', 'symptom');
        $documents = Library::documents();

        return new JsonResponse(array_map(static function (array $it) use ($revisions, $documents): LibraryRow {
            $document = $documents["\0{$it[0]}"];
            $revision = $revisions->get($it[0]);
            $count = static fn (mixed $list): int => is_array($list) ? count($list) : 0;

            return new LibraryRow(
                $it[0], $it[1], $count($document->causes ?? null), $count($document->tests ?? null), is_numeric($revision) ? (int) $revision : 0,
            );
        }, Library::names()));
    }

    #[OA\Get(path: '/library/{symptom}', operationId: 'showLibrary', tags: ['isolation'], parameters: [
        new OA\PathParameter(name: 'symptom', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'revision', description: 'an older one; 0: as it ships', schema: new OA\Schema(type: 'integer')),
    ], responses: [
        new OA\Response(response: 200, description: 'causes, tests, likelihoods', content: new OA\JsonContent(ref: LibraryPage::class)),
        new OA\Response(response: 404, description: 'not in the library', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function show(Request $request, string $symptom): JsonResponse
    {
        $asked = Node::of((object) $request->query->all())->only('revision')->filled('revision');
        preg_match('/^\d{1,6}$/D', $asked?->string() ?? '0') === 1 || $asked?->refuse('is not the number of a revision');
        $stands = Library::revision($symptom);
        $shown = $asked === null ? $stands : (int) $asked->string();
        $document = Library::document($symptom, $asked === null ? null : $shown);
        $document !== null || ($asked === null ? abort(404) : $asked->refuse('there is no such revision'));

        return new JsonResponse(new LibraryPage($document->object(), $stands, $shown, array_values(array_map(static function (object $it): LibraryRevision {
            $row = new Row($it);

            return new LibraryRevision($row->int('revision'), $row->string('author'), Cards::time($row->string('created_at')), $row->string('why'));
        }, DB::table('library_revisions')->where('symptom', $symptom)->orderByDesc('revision')->limit(self::REVISIONS)->get()->all()))));
    }

    #[OA\Post(path: '/library', operationId: 'changeLibrary', tags: ['isolation'], parameters: [
        new OA\QueryParameter(name: 'why', required: true, description: 'kept with the revision', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'normalise', description: '1: rows that do not sum to one are made to', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'over', description: 'the revision that was edited, of a file with one symptom', schema: new OA\Schema(type: 'integer')),
    ], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')), responses: [
        new OA\Response(response: 200, description: 'what it changed', content: new OA\JsonContent(ref: LibraryChanged::class)),
        new OA\Response(response: 409, description: 'someone changed it meanwhile', content: new OA\JsonContent(ref: Errors::class)),
        new OA\Response(response: 422, description: 'refused whole', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function store(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('why', 'normalise', 'over');
        $why = $query->filled('why')?->text(400) ?? throw InvalidDocument::at('/why', 'say why, in a word or two: it is kept with the revision');
        $over = $query->filled('over');
        preg_match('/^\d{1,6}$/D', $over?->string() ?? '0') === 1 || $over?->refuse('is not the number of a revision');
        $body = Body::of($request);
        Schema::check($request->getContent(), 'symptom-library');

        return new JsonResponse(LibraryEdit::made(
            $body,
            $why,
            SignedIn::person($request)->name,
            ($query->filled('normalise')?->string() ?? '0') === '1',
            $over === null ? null : (int) $over->string(),
        ));
    }

    /** The whole library as it stands, as a file that comes in again. */
    public function download(): Response
    {
        $symptoms = array_values(Library::documents());
        $text = json_encode(
            ['format' => SymptomLibrary::FORMAT, 'note' => 'Weights and likelihoods are bench estimates.', 'symptoms' => $symptoms],
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );

        return new Response("{$text}\n", 200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="symptom-library.json"']);
    }
}
