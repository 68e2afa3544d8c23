<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Caution;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class KindController
{
    private const LISTED = 100;
    private const LESSONS = 50;

    #[OA\Get(path: '/kinds', operationId: 'listKinds', tags: ['logbook'], parameters: [
        new OA\QueryParameter(name: 'search', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'of_board', description: '1: only kinds of board', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'kinds by name', content: new OA\JsonContent(
        type: 'array',
        items: new OA\Items(ref: KindCard::class),
    ))])]
    public function index(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('search', 'of_board');
        $search = $query->has('search') && !$query->at('search')->isNull() ? $query->at('search')->string() : '';
        $kinds = Kind::query()->whereNull('merged_into')->when($query->filled('of_board') !== null, static fn ($q) => $q->where('of_board', true))
            ->when($search !== '', static fn ($q) => $q->where('found_by', 'like', Named::like($search)))
            ->orderBy('name')->limit(self::LISTED)->get(['id', 'slug', 'name', 'words', 'of_board']);
        $count = static fn (Builder $of): Collection => $of->whereIn('kind_id', $kinds->pluck('id'))->groupBy('kind_id')
            ->selectRaw('kind_id, COUNT(*) AS of_it')->pluck('of_it', 'kind_id');
        $machines = $count(Machine::query()->where('bare', false));
        $boards = $count(Board::query());

        return new JsonResponse(array_values($kinds->map(
            static fn (Kind $it): KindCard => self::of($it, self::count(($it->of_board ? $boards : $machines)->get($it->id))),
        )->all()));
    }

    #[OA\Get(
        path: '/kinds/{kind}',
        operationId: 'showKind',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the kind', content: new OA\JsonContent(ref: KindPage::class))],
    )]
    public function show(Kind $kind): JsonResponse
    {
        $machines = Machine::query()->with('described')->where('kind_id', $kind->id)->where('bare', false)->orderBy('name')->limit(self::LISTED)->get();
        $profile = $kind->readProfile();
        $hall = House::here()->hall;

        return new JsonResponse(new KindPage(
            kind: self::card($kind),
            revision: $kind->revision,
            profile: $kind->profile,
            caution_choices: ChoiceCard::all(Caution::class),
            known: array_slice($hall->sections->words($profile), $kind->of_board ? 1 : 0),
            machines: array_values(array_map(MachineController::with(...), $machines->all())),
            boards: BoardKindController::boards($kind),
            places: BoardKindController::places($kind, $profile),
            lessons: self::lessons($kind),
            sheets: KindSheets::of($kind),
            sheet_choices: array_map(static fn (SheetSort $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), SheetSort::cases()),
            merged_into: $kind->merged_into,
        ));
    }

    #[OA\Put(
        path: '/kinds/{kind}/profile',
        operationId: 'changeKind',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: KindPage::class)),
            new OA\Response(response: 409, description: 'someone changed it meanwhile', content: new OA\JsonContent(ref: Errors::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function update(Request $request, Kind $kind): JsonResponse
    {
        Body::of($request);
        $kind->merged_into === null || throw InvalidDocument::at('', 'was merged into another kind: change that one');
        SaveProfile::over($kind, $request->getContent(), $request->headers->get('If-Match'), SignedIn::person($request)->name);

        return $this->show($kind->refresh());
    }

    public function export(Kind $kind): Response
    {
        return new Response(
            $kind->profile,
            200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename=\"{$kind->slug}.profile.json\""],
        );
    }

    #[OA\Delete(
        path: '/kinds/{kind}/lessons/{job}',
        operationId: 'takeBackLessons',
        tags: ['logbook'],
        parameters: [
            new OA\PathParameter(name: 'kind', schema: new OA\Schema(type: 'string')),
            new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        ],
        responses: [
            new OA\Response(response: 200, description: 'what the job taught is taken back', content: new OA\JsonContent(ref: KindPage::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function takeBack(Request $request, Kind $kind, Job $job): JsonResponse
    {
        SaveProfile::without($kind, $job, SignedIn::person($request)->name);

        return $this->show($kind->refresh());
    }

    public static function card(Kind $kind): KindCard
    {
        return self::of($kind, ($kind->of_board ? Board::query() : Machine::query()->where('bare', false))->where('kind_id', $kind->id)->count());
    }

    private static function of(Kind $kind, int $count): KindCard
    {
        return new KindCard($kind->id, $kind->slug, $kind->name, $kind->words, $count, $kind->of_board);
    }

    private static function count(mixed $it): int
    {
        return is_numeric($it) ? (int) $it : 0;
    }

    /** @return list<LessonCard> */
    private static function lessons(Kind $kind): array
    {
        $rows = DB::table('kind_profiles')->leftJoin('jobs', 'jobs.id', '=', 'kind_profiles.job_id')->where('kind_id', $kind->id)
            ->orderByDesc('revision')->limit(self::LESSONS + 1)->get(['kind_profiles.*', 'jobs.number'])->all();
        $lessons = [];
        foreach (array_slice($rows, 0, self::LESSONS) as $i => $row) {
            $r = new Row($row);
            $before = isset($rows[$i + 1]) ? (new Row($rows[$i + 1]))->string('profile') : null;
            $job = $r->text('job_id');
            $card = new LessonCard(
                $r->int('revision'), Cards::time($r->string('created_at').'.000'), $r->string('author'), $job,
                $job === null ? null : sprintf('J-%04d', $r->int('number')), self::changed($before, $r->string('profile')),
            );
            $last = array_key_last($lessons);
            $sitting = $last === null ? null : $lessons[$last]->inOneSittingWith($card);
            $sitting === null ? $lessons[] = $card : $lessons[(int) $last] = $sitting;
        }

        return array_values($lessons);
    }

    /** @return list<string> */
    private static function changed(?string $before, string $after): array
    {
        if ($before === null) {
            return [];
        }
        [$one, $other] = [(array) Node::parse($before)->object(), (array) Node::parse($after)->object()];

        return array_values(array_filter(
            array_map(strval(...), array_keys($one + $other)),
            static fn (string $field): bool => ($one[$field] ?? null) != ($other[$field] ?? null),
        ));
    }
}
