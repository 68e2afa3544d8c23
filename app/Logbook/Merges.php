<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\Http\Once;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Merge;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/**
 * Two kinds or two machines that turned out to be one. The record cannot be rewritten, so the other one stays in it and is shown with the
 * first: its entries keep the board that they were written about.
 */
final readonly class Merges
{
    #[OA\Post(
        path: '/kinds/{kind}/merge',
        operationId: 'mergeKinds',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MergeBody')),
        responses: [
            new OA\Response(response: 200, description: 'what it does, or did', content: new OA\JsonContent(ref: MergeCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function kinds(Request $request, Kind $kind): JsonResponse
    {
        $body = Body::as($request, MergeBody::class);
        $who = SignedIn::person($request)->name;

        return new JsonResponse(Once::transaction(static function () use ($kind, $body, $who): MergeCard {
            [$kind, $other] = self::both(Kind::query(), $kind->id, $body->other, 'kind');
            $kind->of_board === $other->of_board
                || throw InvalidDocument::at(
                    '/other',
                    $other->of_board ? 'is a kind of board, this one of machine' : 'is a kind of machine, this one of board',
                );
            $merge = Merge::of(Node::parse($kind->profile)->object(), Node::parse($other->profile)->object());
            $machines = ($other->of_board ? Board::query() : Machine::query())->where('kind_id', $other->id)->orderBy('name')->pluck('name')->map(
                static fn (mixed $it): string => is_string($it) ? $it : '',
            )->all();
            if ($body->done) {
                SaveProfile::reworked($kind, SaveProfile::text($merge->document), "{$who}, merging {$other->name}");
                Machine::query()->where('kind_id', $other->id)->update(['kind_id' => $kind->id]);
                Board::query()->where('kind_id', $other->id)->update(['kind_id' => $kind->id]);
                DB::table('kind_sheets')->where('kind_id', $other->id)->update(['kind_id' => $kind->id]);
                $other->update(['merged_into' => $kind->id]);
            }

            return new MergeCard($body->done, $merge->conflicts, array_values($machines));
        }));
    }

    #[OA\Post(
        path: '/machines/{machine}/merge',
        operationId: 'mergeMachines',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MergeBody')),
        responses: [
            new OA\Response(response: 200, description: 'what it does, or did', content: new OA\JsonContent(ref: MergeCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function machines(Request $request, Machine $machine): JsonResponse
    {
        $body = Body::as($request, MergeBody::class);

        return new JsonResponse(Once::transaction(static function () use ($machine, $body): MergeCard {
            [$machine, $other] = self::both(Machine::query()->where('bare', false), $machine->id, $body->other, 'machine');
            $machine->kind_id === $other->kind_id || throw InvalidDocument::at('/other', 'is of another kind: merge the kinds first');
            $conflicts = $moves = [];
            foreach (['serial', 'owner'] as $field) {
                $one = $machine->getAttribute($field);
                $two = $other->getAttribute($field);
                if (is_string($one) && is_string($two) && $one !== $two) {
                    $conflicts[] = "{$field}: {$one} stays, {$two} goes";
                }
            }
            foreach (Board::query()->where('machine_id', $other->id)->orderBy('slot')->get() as $board) {
                $same = Board::query()->where('machine_id', $machine->id)->where('slot', $board->slot)->first();
                $moves[] = $same === null
                    ? "{$board->name} goes into the place {$board->slot}"
                    : "the record of {$board->name} is shown with that of {$same->name}";
                if ($body->done) {
                    $same === null ? $board->update(['machine_id' => $machine->id]) : $board->update(['merged_into' => $same->id]);
                }
            }
            if ($body->done) {
                $machine->update(['serial' => $machine->serial ?? $other->serial, 'owner' => $machine->owner ?? $other->owner]);
                $other->update(['merged_into' => $machine->id]);
            }

            return new MergeCard($body->done, $conflicts, $moves);
        }));
    }

    #[OA\Post(
        path: '/boards/{board}/merge',
        operationId: 'mergeBoards',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'board', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/MergeBody')),
        responses: [
            new OA\Response(response: 200, description: 'what it does, or did', content: new OA\JsonContent(ref: MergeCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function boards(Request $request, Board $board): JsonResponse
    {
        $body = Body::as($request, MergeBody::class);

        return new JsonResponse(Once::transaction(static function () use ($board, $body): MergeCard {
            [$board, $other] = self::both(Board::query(), $board->id, $body->other, 'board');
            $sits = Machine::query()->findOrFail($other->machine_id);
            // One board cannot sit in two places: the other one has to lie on the shelf, where it has a bare place of its own.
            $sits->bare || throw InvalidDocument::at('/other', "sits in {$sits->name}: take it out there first, or merge the machines");
            $conflicts = $board->serial !== null && $other->serial !== null && $board->serial !== $other->serial
                ? ["serial: {$board->serial} stays, {$other->serial} goes"]
                : [];
            if ($body->done) {
                Board::query()->where('merged_into', $other->id)->update(['merged_into' => $board->id]);
                $board->update(['serial' => $board->serial ?? $other->serial, 'kind_id' => $board->kind_id ?? $other->kind_id]);
                $other->update(['merged_into' => $board->id]);
            }

            return new MergeCard($body->done, $conflicts, ["the record of {$other->name} is shown with that of {$board->name}"]);
        }));
    }

    #[OA\Delete(
        path: '/machines/{machine}/contact',
        operationId: 'eraseContact',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'whose it is stands nowhere but in what was written into the record')],
    )]
    public function erase(Machine $machine): JsonResponse
    {
        Once::transaction(static function () use ($machine): void {
            $all = [$machine->id, ...Machine::query()->where('merged_into', $machine->id)->pluck('id')->all()];
            Machine::query()->whereIn('id', $all)->update(['owner' => null]);
            Job::query()->whereIn('machine_id', $all)->update(['owner' => 'erased']);
        });

        return new JsonResponse(null, 204);
    }

    /**
     * Both of what is merged, as they stand now and held until it is done: two merges of the same two, each into the other, come one after
     * the other.
     *
     * @template T of Kind|Machine|Board
     *
     * @param Builder<T> $of
     *
     * @return array{T, T}
     */
    private static function both(Builder $of, string $id, string $otherId, string $word): array
    {
        $id !== $otherId || throw InvalidDocument::at('/other', 'is the same one already');
        $found = $of->whereIn('id', [$id, $otherId])->orderBy('id')->lockForUpdate()->get();
        $one = $found->find($id) ?? throw InvalidDocument::at('', "there is no such {$word}");
        $other = $found->find($otherId) ?? throw InvalidDocument::at('/other', "there is no such {$word}");
        $one->merged_into === null || throw InvalidDocument::at('', 'was merged into another already: merge with that one');
        $other->merged_into === null || throw InvalidDocument::at('/other', 'was merged into another already');

        return [$one, $other];
    }
}
