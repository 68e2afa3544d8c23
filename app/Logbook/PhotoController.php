<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\Node;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Ulid;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final readonly class PhotoController
{
    #[OA\Get(path: '/jobs/{job}/photos', operationId: 'listPhotos', tags: ['logbook'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'in time order', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PhotoCard::class)))])]
    public function index(Job $job): JsonResponse
    {
        return new JsonResponse(self::cards($job));
    }

    #[OA\Post(path: '/jobs/{job}/photos', operationId: 'takePhoto', tags: ['logbook'], parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(ref: '#/components/schemas/PhotoBody'))), responses: [
        new OA\Response(response: 201, description: 'in the record', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PhotoCard::class))),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function store(Request $request, Job $job): JsonResponse
    {
        $fields = Node::of((object) array_filter($request->request->all(), is_string(...)))->only('id', 'entry', 'at', 'caption');
        $file = $request->file('file');
        $id = Ulid::read($fields->at('id'));
        $draft = EntryDraft::read(Node::of((object) [
            'id' => $fields->at('entry')->string(), 'at' => $fields->at('at')->string(), 'kind' => 'photo', 'data' => (object) ['photo' => $id],
            ...($fields->has('caption') && trim($fields->at('caption')->string()) !== '' ? ['text' => $fields->at('caption')->text(300)] : []),
        ]));
        TakePhoto::into($job, $id, $draft, $file instanceof UploadedFile ? $file : null, SignedIn::person($request));

        return new JsonResponse(self::cards($job), 201);
    }

    public function picture(Photo $photo): BinaryFileResponse
    {
        return self::send($photo->file());
    }

    public function thumbnail(Photo $photo): BinaryFileResponse
    {
        return self::send($photo->file(true));
    }

    private static function send(string $file): BinaryFileResponse
    {
        abort_unless(is_file($file), 404);

        return new BinaryFileResponse($file, 200, ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    /** @return list<PhotoCard> */
    public static function cards(Job $job): array
    {
        $pins = $captions = [];
        foreach (Entry::query()->where('job_id', $job->id)->whereIn('kind', [EntryKind::Photo, EntryKind::Pin])->orderBy('at')->orderBy('id')->get() as $entry) {
            $photo = Record::word($entry, 'photo');
            if ($entry->kind === EntryKind::Photo) {
                $captions[$photo] = $entry->text;
            } else {
                /** @var array{x: float|int, y: float|int, number: int} $data */
                $data = $entry->data;
                $pins[$photo][] = new PinCard($data['number'], (float) $data['x'], (float) $data['y'], $entry->text);
            }
        }

        return array_map(static fn (Photo $photo): PhotoCard => new PhotoCard(
            $photo->id, $captions[$photo->id] ?? '', $photo->taken_in_at->format(Cards::TIME), $photo->author, $photo->width, $photo->height, "/photos/{$photo->id}", "/photos/{$photo->id}/thumbnail", $pins[$photo->id] ?? [],
        ), array_values(Photo::query()->where('job_id', $job->id)->orderBy('taken_in_at')->orderBy('id')->get()->all()));
    }
}
