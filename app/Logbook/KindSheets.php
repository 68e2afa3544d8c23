<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Errors;
use App\Http\Once;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Sheets, listings and ROM dumps that hang on a kind: kept to the byte, known by their sums, never shown by the browser as a page. */
final readonly class KindSheets
{
    private const MOST_BYTES = 50_000_000;
    private const LISTED = 200;

    #[OA\Post(
        path: '/kinds/{kind}/sheets',
        operationId: 'keepSheet',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(ref: '#/components/schemas/SheetBody')),
        ),
        responses: [
            new OA\Response(response: 201, description: 'it hangs there', content: new OA\JsonContent(
                type: 'array',
                items: new OA\Items(ref: KindSheetCard::class),
            )),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request, Kind $kind): JsonResponse
    {
        $body = Body::form($request, SheetBody::class);
        $file = $request->file('file');
        if (!$file instanceof UploadedFile || !$file->isValid() || $file->getSize() > self::MOST_BYTES) {
            throw InvalidDocument::at('/file', $file instanceof UploadedFile ? 'did not arrive whole, or is larger than 50 MB' : 'is missing');
        }
        $sha256 = (string) hash_file('sha256', $file->getPathname());
        $known = DB::table('kind_sheets')->where('id', $body->id)->first();
        if ($known !== null) {
            $r = new Row($known);
            $r->string('kind_id') === $kind->id && $r->string('sha256') === $sha256 || throw Conflict::at('/id', 'another sheet has this id');

            return new JsonResponse(self::of($kind), 201);
        }
        $same = DB::table('kind_sheets')->where('kind_id', $kind->id)->where('sha256', $sha256)->value('name');
        !is_string($same) || throw InvalidDocument::at('/file', "hangs there already, as {$same}");
        $who = SignedIn::person($request)->name;
        Once::transaction(static function () use ($body, $kind, $file, $sha256, $who): void {
            DB::table('kind_sheets')->insert([
                'id' => $body->id, 'kind_id' => $kind->id, 'what' => $body->what->value, 'name' => mb_substr($file->getClientOriginalName(), 0, 160),
                'note' => $body->note, 'bytes' => $file->getSize(), 'crc32' => hash_file('crc32b', $file->getPathname()), 'sha256' => $sha256,
                'author' => $who, 'created_at' => now(),
            ]);
            $at = self::file($body->id);
            is_dir(dirname($at)) || mkdir(dirname($at), 0700, true);
            copy($file->getPathname(), $at) || throw new \RuntimeException("{$at} cannot be written");
        });

        return new JsonResponse(self::of($kind), 201);
    }

    public function download(string $sheet): BinaryFileResponse
    {
        $r = new Row(DB::table('kind_sheets')->where('id', $sheet)->first() ?? abort(404));
        $file = self::file($r->string('id'));
        abort_unless(is_file($file), 404);

        return (new BinaryFileResponse($file, 200, ['Content-Type' => 'application/octet-stream', 'X-Content-Type-Options' => 'nosniff']))
            ->setContentDisposition('attachment', $r->string('name'), preg_replace('/[^A-Za-z0-9._-]/', '_', $r->string('name')) ?: 'sheet');
    }

    /** @return list<KindSheetCard> latest first */
    public static function of(Kind $kind): array
    {
        return array_values(DB::table('kind_sheets')->where('kind_id', $kind->id)->orderByDesc('created_at')->limit(self::LISTED)->get()
            ->map(static function (object $row): KindSheetCard {
                $r = new Row($row);

                return new KindSheetCard(
                    id: $r->string('id'), what: SheetSort::from($r->string('what'))->words(), name: $r->string('name'), note: $r->text('note'),
                    bytes: $r->int('bytes'), crc32: $r->string('crc32'),
                    sha256: $r->string('sha256'), author: $r->string('author'), at: Cards::time($r->string('created_at')),
                );
            })->all());
    }

    private static function file(string $id): string
    {
        return storage_path('app/sheets/'.strtolower($id));
    }
}
