<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\Node;
use Ash\Logbook\Caution;
use Ash\Logbook\Profile;
use Ash\Logbook\ProfileBoard;
use Ash\Logbook\SourceNote;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class MachineController
{
    #[OA\Get(path: '/machines', operationId: 'listMachines', tags: ['logbook'], parameters: [
        new OA\QueryParameter(name: 'search', description: 'in name, serial, owner or kind', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'after', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'machines by name', content: new OA\JsonContent(ref: MachineList::class))])]
    public function index(Request $request): JsonResponse
    {
        $asked = Named::asked(Node::of((object) $request->query->all())->only('search', 'after'));
        [$rows, $next] = $asked->page(self::listed(), 'machines.name', 'machines.id', Named::machines(...));

        return new JsonResponse(new MachineList(self::rows($rows), $next));
    }

    /** @return list<MachineCard> the first whose name, serial, owner or kind holds it */
    public static function found(string $search, int $most): array
    {
        $query = self::listed();
        Named::machines($query, Named::like($search));

        return self::rows(array_values(array_map(static fn (object $it): Row => new Row($it), $query->orderBy('machines.name')->limit($most)->get()->all())));
    }

    private static function listed(): Builder
    {
        return DB::table('machines')->join('kinds', 'kinds.id', '=', 'machines.kind_id')->where('machines.bare', false)->whereNull('machines.merged_into')
            ->select('machines.id', 'machines.slug', 'machines.name', 'machines.serial', 'machines.owner', 'machines.kind_id', 'kinds.words');
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<MachineCard>
     */
    private static function rows(array $rows): array
    {
        $boards = Board::query()->whereIn(
            'machine_id',
            array_map(static fn (Row $it): string => $it->string('id'), $rows),
        )->orderBy('slot')->get()->groupBy('machine_id');

        return array_map(static fn (Row $it): MachineCard => new MachineCard(
            id: $it->string('id'),
            slug: $it->string('slug'),
            name: $it->string('name'),
            kind: $it->string('words'),
            boards: self::boards($boards->get($it->string('id'))?->all() ?? []),
            kind_id: $it->string('kind_id'),
            serial: $it->text('serial'),
            owner: $it->text('owner'),
        ), $rows);
    }

    #[OA\Post(
        path: '/machines',
        operationId: 'importProfile',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 201, description: 'the machine the profile describes', content: new OA\JsonContent(ref: MachineCard::class)),
            new OA\Response(response: 422, description: 'refused whole, with every fault', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        Body::of($request);
        $machine = SaveProfile::asNew($request->getContent(), SignedIn::person($request)->name);

        return new JsonResponse(self::card($machine, Board::query()->where('machine_id', $machine->id)->orderBy('slot')->get()->all()), 201);
    }

    #[OA\Put(
        path: '/machines/{machine}/profile',
        operationId: 'changeProfile',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: MachinePage::class)),
            new OA\Response(response: 409, description: 'someone changed it meanwhile', content: new OA\JsonContent(ref: Errors::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function update(Request $request, Machine $machine): JsonResponse
    {
        Body::of($request);
        SaveProfile::over($machine->described, $request->getContent(), $request->headers->get('If-Match'), SignedIn::person($request)->name);

        return $this->show($machine->refresh());
    }

    #[OA\Get(
        path: '/machines/{machine}',
        operationId: 'showMachine',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the machine', content: new OA\JsonContent(ref: MachinePage::class))],
    )]
    public function show(Machine $machine): JsonResponse
    {
        $profile = $machine->readProfile();
        $all = [$machine->id, ...Machine::query()->where('merged_into', $machine->id)->pluck('id')->all()];
        $jobs = Cards::jobs()->whereIn('jobs.machine_id', $all)->orderByDesc('opened_at')->limit(30)->get();

        return new JsonResponse(new MachinePage(
            machine: self::card($machine, Board::query()->where('machine_id', $machine->id)->orderBy('slot')->get()->all()),
            revision: $machine->described->revision,
            profile: $machine->described->profile,
            source_notes: array_map(static fn (SourceNote $note): SourceNoteCard => new SourceNoteCard($note->source, $note->note), $profile->sourceNotes),
            cautions: array_map(static fn (Caution $caution): string => $caution->words(), $profile->cautions),
            caution_choices: ChoiceCard::all(Caution::class),
            jobs: Cards::jobCards($jobs),
            moves: BoardMoves::of(null, $machine),
            empty: self::empty($machine, $profile),
        ));
    }

    /** @return list<ChoiceCard> places of its kind in which no board sits */
    private static function empty(Machine $machine, Profile $profile): array
    {
        $taken = Board::query()->where('machine_id', $machine->id)->pluck('slot')->all();

        return array_values(array_map(
            static fn (ProfileBoard $it): ChoiceCard => new ChoiceCard($it->key, $it->name),
            array_filter($profile->boards, static fn (ProfileBoard $it): bool => !in_array($it->key, $taken, true)),
        ));
    }

    public function export(Machine $machine): Response
    {
        return new Response(
            $machine->described->profile,
            200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$machine->slug}.profile.json\""],
        );
    }

    public static function with(Machine $machine): MachineCard
    {
        return self::card($machine, self::inOrder($machine));
    }

    /** @return list<Board> as the kind's description lists them, its main one first; others behind */
    public static function inOrder(Machine $machine): array
    {
        $order = array_flip($machine->described->readProfile()->boardKeys());

        return array_values(Board::query()->where('machine_id', $machine->id)->orderBy('slot')->get()
            ->sortBy(static fn (Board $it): int => $order[$it->slot] ?? PHP_INT_MAX)->all());
    }

    /** @param array<Board> $boards */
    private static function card(Machine $machine, array $boards): MachineCard
    {
        return new MachineCard(
            id: $machine->id,
            slug: $machine->slug,
            name: $machine->name,
            kind: $machine->described->words,
            boards: self::boards($boards),
            kind_id: $machine->kind_id,
            serial: $machine->serial,
            owner: $machine->owner,
        );
    }

    /**
     * @param array<Board> $boards
     *
     * @return list<BoardCard>
     */
    private static function boards(array $boards): array
    {
        return array_map(static fn (Board $it): BoardCard => new BoardCard($it->id, $it->slot, $it->name, $it->serial), array_values($boards));
    }
}
