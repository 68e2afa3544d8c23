<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Json;
use Ash\Document\Node;
use Illuminate\Support\Collection;

/**
 * A board's record as one JSON document. It is signed with the key of this installation, so that what comes back here is known from what
 * somebody else wrote (ImportRecord).
 */
final readonly class BoardRecord
{
    public const FORMAT = 'ash-bench/board-record/1';
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    /** @param bool $archived with what has a file beside it */
    public static function export(Board $board, bool $archived = false): string
    {
        $machine = Machine::query()->findOrFail($board->machine_id);
        $entries = Entry::query()->where('board_id', $board->id)->orderBy('at')->orderByRaw('corrects_id IS NOT NULL')->orderBy('id')->get();
        $jobs = Job::query()->where('board_id', $board->id)->orWhereIn('id', $entries->pluck('job_id')->unique())->orderBy('opened_at')->orderBy('id')->get();

        $document = [
            'format' => self::FORMAT,
            'machine' => Node::parse($machine->described->profile)->object(),
            'board' => ['id' => $board->id, 'slot' => $board->slot, 'machine' => $machine->id],
            'jobs' => $jobs->map(static fn (Job $job): array => [
                'id' => $job->id, 'board' => $job->board_id, 'board_slot' => Board::query()->findOrFail($job->board_id)->slot,
                'title' => $job->title, 'owner' => $job->owner,
                'allowance_minutes' => $job->allowance_minutes, 'opened_at' => $job->opened_at->format(Cards::TIME),
            ])->all(),
            ...self::parts($board, $archived),
            'entries' => self::entries($board, $entries),
        ];
        $text = json_encode($document, self::FLAGS);

        return json_encode([...$document, 'signature' => self::sign(Json::canonical(Node::parse($text)->object()))], self::FLAGS)."\n";
    }

    /** Whether this installation, under its key or an earlier one, wrote the document as it stands. */
    public static function isOwn(\stdClass $document): bool
    {
        $given = $document->signature ?? null;
        $rest = clone $document;
        unset($rest->signature);

        return is_string($given) && self::signed(Json::canonical($rest), $given);
    }

    public static function sign(string $text): string
    {
        return hash_hmac('sha256', $text, self::keys()[0]);
    }

    public static function signed(string $text, string $signature): bool
    {
        return array_filter(self::keys(), static fn (string $key): bool => hash_equals(hash_hmac('sha256', $text, $key), $signature)) !== [];
    }

    /** @return non-empty-list<string> the key of today first */
    private static function keys(): array
    {
        $earlier = config('app.previous_keys');
        $key = config('app.key');

        return [is_string($key) ? $key : '', ...array_values(array_filter(is_array($earlier) ? $earlier : [], is_string(...)))];
    }

    /** @return array<string, mixed> what the rooms put beside the entries */
    private static function parts(Board $board, bool $archived): array
    {
        return array_merge(...array_map(
            static fn (Exchange $it): array => [...$it->document($board), ...($archived ? $it->filed($board) : [])],
            self::exchanges(),
        ));
    }

    /**
     * @param Collection<int, Entry> $entries
     *
     * @return list<array<string, mixed>>
     */
    private static function entries(Board $board, Collection $entries): array
    {
        $more = array_map(static fn (Exchange $it): array => $it->entries($board, $entries), self::exchanges());

        return array_values($entries->map(static fn (Entry $entry): array => array_merge([
            'id' => $entry->id, 'job' => $entry->job_id, 'kind' => $entry->kind, 'stage' => $entry->stage->value, 'at' => $entry->at->format(Cards::TIME),
            'author' => $entry->author, 'minutes' => $entry->minutes, 'text' => $entry->text, 'data' => $entry->stored(),
            'corrects' => $entry->corrects_id,
        ], ...array_map(static fn (array $of): array => $of[$entry->id] ?? [], $more)))->all());
    }

    /** @return list<Exchange> */
    public static function exchanges(): array
    {
        return array_values(array_filter(array_map(static fn (Room $room): ?Exchange => $room->exchange(), House::here()->rooms)));
    }
}
