<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Logbook\Caution;
use Ash\Logbook\SourceNote;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final readonly class MachineController
{
    #[OA\Get(
        path: '/machines',
        operationId: 'listMachines',
        tags: ['logbook'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'machines by name',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MachineCard::class)),
            ),
        ],
    )]
    public function index(): JsonResponse
    {
        $boards = Board::query()->orderBy('slot')->get()->groupBy('machine_id');

        return new JsonResponse(Machine::query()->with('described:id,words')->orderBy('name')->get(['id', 'slug', 'name', 'serial', 'owner', 'kind_id'])
            ->map(static fn (Machine $machine): MachineCard => self::card($machine, $boards->get($machine->id)?->all() ?? []))->all());
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
        SaveProfile::over($machine, $request->getContent(), $request->headers->get('If-Match'), SignedIn::person($request)->name);

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
        $jobs = Cards::jobs()->where('jobs.machine_id', $machine->id)->orderByDesc('opened_at')->limit(30)->get();

        return new JsonResponse(new MachinePage(
            self::card($machine, Board::query()->where('machine_id', $machine->id)->orderBy('slot')->get()->all()),
            $machine->described->revision,
            $machine->described->profile,
            array_map(static fn (SourceNote $note): SourceNoteCard => new SourceNoteCard($note->source, $note->note), $profile->sourceNotes),
            array_map(static fn (Caution $caution): string => $caution->words(), $profile->cautions),
            ChoiceCard::all(Caution::class),
            Cards::jobCards($jobs),
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
        return new MachineCard($machine->id, $machine->slug, $machine->name, $machine->described->words, array_map(
            static fn (Board $board): BoardCard => new BoardCard($board->id, $board->slot, $board->name, $board->serial),
            array_values($boards),
        ), $machine->kind_id, $machine->serial, $machine->owner);
    }
}
