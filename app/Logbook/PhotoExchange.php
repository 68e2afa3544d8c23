<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/** The pictures of a board's jobs. Those that come in are drawn anew, as those that are sent from a camera. */
final class PhotoExchange extends Exchange
{
    private const MOST = 5000;

    public function filed(Board $board): array
    {
        return ['photos' => array_values(self::of($board)->map(static fn (Photo $it): array => [
            'id' => $it->id, 'job' => $it->job_id, 'author' => $it->author, 'taken_in_at' => $it->taken_in_at->format(Cards::TIME), 'sha256' => $it->sha256,
        ])->all())];
    }

    public function files(Board $board): array
    {
        return self::of($board)->mapWithKeys(static fn (Photo $it): array => [self::name($it->id) => $it->file()])->all();
    }

    public function prepare(Node $document, BroughtFiles $files): void
    {
        foreach ($document->optional('photos')?->items(self::MOST) ?? [] as $node) {
            $name = self::name(Ulid::read($node->at('id')));
            $path = $files->path($name);
            if ($path !== null) {
                try {
                    $files->keep($name, TakePhoto::drawn($path));
                } catch (InvalidDocument $fault) {
                    throw InvalidDocument::at("/{$name}", $fault->detail);
                }
            }
        }
    }

    public function bring(Node $document, Board $board, array $jobs, BroughtFiles $files): void
    {
        foreach ($document->optional('photos')?->items(self::MOST) ?? [] as $node) {
            $job = $jobs[Ulid::read($node->at('job'))] ?? $node->at('job')->refuse('is not a job of this document');
            $id = Ulid::read($node->at('id'));
            $known = Photo::query()->where('id', $id)->first();
            if ($known !== null && $known->job_id !== $job->id) {
                throw Conflict::at($node->at('id')->pointer, 'a photo of another job has this id');
            }
            $drawn = $files->ready(self::name($id), DrawnPhoto::class);
            if ($drawn === null || ($known !== null && is_file($known->file()))) {
                continue;
            }
            if (!$job->imported && !$files->own) {
                throw Conflict::at($node->at('job')->pointer, 'is a job of this workshop: only its own export adds to it');
            }
            $at = CarbonImmutable::instance($node->at('taken_in_at')->instant())->utc();
            $at->greaterThan(now()->addDay()) && $node->at('taken_in_at')->refuse('lies more than a day ahead');
            $known ??= Photo::query()->create([
                'id' => $id, 'job_id' => $job->id, 'board_id' => $job->board_id, 'author' => $node->at('author')->text(120),
                'width' => $drawn->width, 'height' => $drawn->height,
                'bytes' => $drawn->bytes, 'sha256' => $node->at('sha256')->text(64), 'taken_in_at' => $at, 'imported' => !$files->own,
            ]);
            $files->land($drawn->file, $known->file());
            $files->land($drawn->thumbnail, $known->file(true));
        }
    }

    private static function name(string $id): string
    {
        return "photos/{$id}.jpg";
    }

    /** @return Collection<int, Photo> */
    private static function of(Board $board): Collection
    {
        return Photo::query()->where('board_id', $board->id)->orderBy('taken_in_at')->orderBy('id')->get();
    }
}
