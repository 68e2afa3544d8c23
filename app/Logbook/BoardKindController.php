<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\Http\Once;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\IntakeLine;
use Ash\Logbook\Profile;
use Ash\Logbook\ProfileBoard;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** Boards get a kind of their own: what names them in their machine's description goes there, and what is learned of them from then on. */
final readonly class BoardKindController
{
    private const LISTED = 100;

    #[OA\Post(
        path: '/kinds/{kind}/split',
        operationId: 'splitKind',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SplitBody')),
        responses: [
            new OA\Response(response: 200, description: 'what it does, or did', content: new OA\JsonContent(ref: SplitCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function split(Request $request, Kind $kind): JsonResponse
    {
        $body = Body::as($request, SplitBody::class);
        $who = SignedIn::person($request)->name;

        return new JsonResponse(Once::transaction(static function () use ($kind, $body, $who): SplitCard {
            $now = Kind::query()->lockForUpdate()->findOrFail($kind->id);
            $now->merged_into === null || throw InvalidDocument::at('', 'was merged into another kind: take that one apart');
            !$now->of_board || throw InvalidDocument::at('', 'is a kind of board already');
            $place = self::place($now->readProfile(), $body->place);
            $name = $body->name ?? mb_substr("{$now->name}, {$place->name}", 0, 110);
            !Kind::query()->whereNull('merged_into')->where('name', $name)->exists()
                || throw InvalidDocument::at('/name', "there is a kind \"{$name}\" already");
            $hall = House::here()->hall;
            $parts = $hall->sections->boardKinds()->split(Node::parse($now->profile)->object(), $place->key, TakeIn::free(IntakeLine::slug($name)), $name);
            $json = SaveProfile::text($parts['board']);
            $profile = $hall->profile(Node::parse($json));
            $boards = Board::query()->with('sits:id,name')->whereNull('kind_id')->whereNull('merged_into')->where('slot', $place->key)
                ->whereIn('machine_id', Machine::query()->where('kind_id', $now->id)->select('id'));
            $names = self::names($boards->clone());
            $new = $body->done ? SaveProfile::kind($profile, $json, "{$who}, from {$now->name}", true) : null;
            if ($new !== null) {
                $boards->update(['kind_id' => $new->id]);
                $parts['machine'] == Node::parse($now->profile)->object()
                    || SaveProfile::reworked($now, SaveProfile::text($parts['machine']), "{$who}, giving {$place->name} a kind of its own");
            }

            return new SplitCard($body->done, $name, array_slice($hall->sections->words($profile), 1), $names, $new?->id);
        }));
    }

    #[OA\Put(
        path: '/boards/{board}/kind',
        operationId: 'kindOfBoard',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/BoardKindBody')),
        responses: [
            new OA\Response(response: 204, description: 'it is of that kind'),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function assign(Request $request, Board $board): JsonResponse
    {
        $body = Body::as($request, BoardKindBody::class);
        // Held, so that a merge at the same moment takes this board along.
        Once::transaction(static function () use ($body, $board): void {
            $kind = Kind::query()->lockForUpdate()->find($body->kind) ?? throw InvalidDocument::at('/kind', 'there is no such kind');
            $kind->of_board || throw InvalidDocument::at('/kind', 'is a kind of machine: choose a kind of board');
            $kind->merged_into === null || throw InvalidDocument::at('/kind', 'was merged into another kind: choose that one');
            $board->update(['kind_id' => $kind->id]);
        });

        return new JsonResponse(null, 204);
    }

    #[OA\Delete(
        path: '/boards/{board}/kind',
        operationId: 'noKindOfBoard',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'it is of no kind of its own: its machine\'s is all that is known')],
    )]
    public function unassign(Board $board): JsonResponse
    {
        $board->update(['kind_id' => null]);

        return new JsonResponse(null, 204);
    }

    /** @return list<PlaceOfKind> of a kind of machine */
    public static function places(Kind $kind, Profile $profile): array
    {
        if ($kind->of_board) {
            return [];
        }
        $kinds = self::sitting($kind);
        $document = Node::parse($kind->profile)->object();
        $naming = House::here()->hall->sections->boardKinds();

        return array_map(static function (ProfileBoard $it) use ($kinds, $document, $naming): PlaceOfKind {
            $names = $naming->naming($document, $it->key);
            $of = $kinds[$it->key] ?? null;

            return new PlaceOfKind(
                $it->key, $it->name,
                $names === [] ? null : implode(', ', array_map(static fn (string $list, int $n): string => "{$list} ({$n})", array_keys($names), $names)),
                $of?->string('id'), $of?->string('name'),
            );
        }, $profile->boards);
    }

    /** @return list<BoardRow> of a kind of board */
    public static function boards(Kind $kind): array
    {
        return $kind->of_board ? BoardController::rows(array_values(array_map(
            static fn (object $it): Row => new Row($it),
            BoardController::listed()->where('boards.kind_id', $kind->id)->orderBy('boards.name')->orderBy('boards.id')->limit(self::LISTED)->get()->all(),
        ))) : [];
    }

    /** @return array<array-key, Row> the kind that most boards in a place of this kind's latest machines are of, by place */
    private static function sitting(Kind $kind): array
    {
        $some = DB::table('machines')->where('kind_id', $kind->id)->where('bare', false)->orderByDesc('id')->limit(self::LISTED)->select('id');
        $rows = DB::query()->fromSub($some, 'machines')
            ->join('boards', 'boards.machine_id', '=', 'machines.id')
            ->join('kinds', 'kinds.id', '=', 'boards.kind_id')
            ->whereNull('boards.merged_into')->groupBy('boards.slot', 'kinds.id', 'kinds.name')
            ->orderByRaw('COUNT(*), kinds.id')->get(['boards.slot', 'kinds.id', 'kinds.name']);
        $by = [];
        foreach ($rows as $row) {
            $r = new Row($row);
            $by[$r->string('slot')] = $r;
        }

        return $by;
    }

    private static function place(Profile $profile, string $key): ProfileBoard
    {
        foreach ($profile->boards as $board) {
            if ($board->key === $key) {
                return $board;
            }
        }
        throw InvalidDocument::at('/place', 'is no place of this kind: '.implode(', ', $profile->boardKeys()));
    }

    /**
     * @param Builder<Board> $boards
     *
     * @return list<string>
     */
    private static function names(Builder $boards): array
    {
        $count = $boards->count();
        $names = $boards->orderBy('name')->orderBy('id')->limit(self::LISTED)->get()->map(
            static fn (Board $it): string => $it->name.($it->serial === null ? '' : ", serial {$it->serial}").", in {$it->sits->name}",
        )->all();

        return array_values($count > self::LISTED ? [...$names, 'and '.($count - self::LISTED).' more'] : $names);
    }
}
