<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\Caution;
use Ash\Logbook\Outcome;
use Ash\Logbook\Stage;
use Ash\Logbook\Unproven;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final readonly class JobController
{
    private const PAGE = 50;

    #[OA\Get(path: '/jobs', operationId: 'listJobs', tags: ['logbook'], parameters: [
        new OA\QueryParameter(name: 'state', schema: new OA\Schema(type: 'string', enum: ['open', 'parked', 'closed', 'void'])),
        new OA\QueryParameter(name: 'before', schema: new OA\Schema(type: 'string')),
    ], responses: [new OA\Response(response: 200, description: 'jobs, latest entry first', content: new OA\JsonContent(ref: JobList::class))])]
    public function index(Request $request): JsonResponse
    {
        $query = Node::of((object) $request->query->all())->only('state', 'before');
        $jobs = Cards::jobs()->orderByDesc('last_entry_at')->orderByDesc('jobs.id')->limit(self::PAGE + 1);
        if ($query->has('state')) {
            in_array(
                $query->at('state')->string(),
                ['open', 'parked', 'closed', 'void'],
                true,
            ) || $query->at('state')->refuse('must be one of open, parked, closed, void');
            $jobs->where('state', $query->at('state')->string());
        } else {
            $jobs->where('state', '<>', 'void');
        }
        if ($query->has('before')) {
            [$at, $id] = Cursor::read($query->at('before'));
            $jobs->where(
                static fn ($q) => $q->where('last_entry_at', '<', $at)->orWhere(static fn ($q) => $q->where('last_entry_at', $at)->where('jobs.id', '<', $id)),
            );
        }
        $rows = $jobs->get();
        $last = $rows->count() > self::PAGE ? $rows->get(self::PAGE - 1) : null;

        return new JsonResponse(new JobList(Cards::jobCards($rows->take(self::PAGE)), $last === null ? null : Cursor::of($last, 'last_entry_at')));
    }

    #[OA\Post(
        path: '/jobs',
        operationId: 'openJob',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/JobBody')),
        responses: [
            new OA\Response(response: 201, description: 'taken in', content: new OA\JsonContent(ref: JobCard::class)),
            new OA\Response(response: 200, description: 'the same job was there already', content: new OA\JsonContent(ref: JobCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        $body = Body::as($request, JobBody::class);
        $machine = Machine::query()->find($body->machine) ?? throw InvalidDocument::at('/machine', 'there is no such machine');
        $board = Board::query()->where('machine_id', $machine->id)->find($body->board) ?? throw InvalidDocument::at('/board', 'is not a board of this machine');
        $at = CarbonImmutable::instance($body->at)->utc();
        if ($at->greaterThan(now()->addDay())) {
            throw InvalidDocument::at('/at', 'lies more than a day ahead: check the clock of this device');
        }
        [$job, $created] = OpenJob::with(new Intake(
            id: $body->id,
            board: $board,
            title: $body->title,
            owner: $body->owner,
            at: $at,
            allowanceMinutes: $body->allowanceMinutes,
        ), $machine);

        return new JsonResponse(self::card($job->id), $created ? 201 : 200);
    }

    #[OA\Get(
        path: '/jobs/{job}',
        operationId: 'showJob',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [
            new OA\Response(response: 200, description: 'the job', content: new OA\JsonContent(ref: JobPage::class)),
            new OA\Response(response: 404, description: 'no such job', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function show(string $job): JsonResponse
    {
        $row = Cards::jobs()->leftJoin('kinds', 'kinds.id', '=', 'machines.kind_id')->addSelect('kinds.profile')
            ->selectRaw(Described::WITH_OWN)->where('jobs.id', $job)->first() ?? abort(404);
        $r = new Row($row);
        $profile = Described::joined($r, $r->string('machine_id'), $r->string('board_id'));
        $entries = (new EntryWindow($job))->latest();
        $sheet = json_decode($r->string('sheet'), true);
        $sheetCard = Cards::sheet(is_array($sheet) ? $sheet : []);
        $stage = Stage::from($r->string('stage'));

        return new JsonResponse(new JobPage(
            job: Cards::job($row),
            sheet: $sheetCard,
            stages: self::stages($stage, $sheetCard, self::opened($job)),
            entries: $entries->entries,
            before: $entries->before,
            open_items: Cards::itemCards(Cards::items()->where('job_id', $job)),
            boards: array_values(DB::table('boards')
                ->where('machine_id', $r->string('machine_id'))
                ->orderBy('slot')
                ->get()
                ->map(BoardController::card(...))->all()),
            cautions: array_map(static fn (Caution $caution): string => $caution->words(), $profile->cautionsAt($stage)),
            examples: self::examples(),
            outcomes: array_map(static fn (Outcome $outcome): ChoiceCard => new ChoiceCard($outcome->value, $outcome->words()), Outcome::cases()),
            cold_checks: ColdCheckCard::all($job, $stage),
            otherwise: $r->string('state') === 'open' || !is_array($sheet) ? [] : SheetDocument::otherwise(
                $sheet,
                SheetDocument::of(Gathered::sheet(Job::query()->findOrFail($job), $profile)),
            ),
        ));
    }

    #[OA\Get(path: '/jobs/{job}/entries', operationId: 'listEntries', tags: ['logbook'], parameters: [
        new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'before', description: 'a cursor', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'after', description: 'a cursor', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'around', description: 'an entry', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'from', description: 'a day', schema: new OA\Schema(type: 'string')),
        new OA\QueryParameter(name: 'search', description: 'in what is written and recorded, and in who wrote it', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'part of the job\'s record', content: new OA\JsonContent(ref: EntryList::class)),
    ])]
    public function entries(Request $request, string $job): JsonResponse
    {
        DB::table('jobs')->where('id', $job)->exists() || abort(404);

        return new JsonResponse((new EntryWindow($job))->asked(Node::of((object) $request->query->all())));
    }

    #[OA\Get(
        path: '/jobs/{job}/unproven',
        operationId: 'listUnproven',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'what stands between the board and the claim that it is fixed',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: UnprovenCard::class)),
        )],
    )]
    public function unproven(Job $job): JsonResponse
    {
        $profile = $job->profile();

        return new JsonResponse(array_map(
            static fn (Unproven $it): UnprovenCard => new UnprovenCard($it->text, $it->room, $it->refuses),
            Append::unproven($job, $profile),
        ));
    }

    #[OA\Get(
        path: '/jobs/{job}/minutes',
        operationId: 'minutesOfJob',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'by line of attack, the longest first: asked when the job is closed',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: MinutesSpent::class)),
        )],
    )]
    public function minutes(Job $job): JsonResponse
    {
        $lines = [];
        foreach (DB::table('entries')
            ->where('job_id', $job->id)
            ->where('minutes', '>', 0)
            ->groupBy('kind')
            ->selectRaw('kind, SUM(minutes) AS minutes')->get() as $it) {
            $row = new Row($it);
            $line = House::here()->hall->kinds->all[$row->string('kind')]->attack ?? 'work of no one line';
            $lines[$line] = ($lines[$line] ?? 0) + $row->int('minutes');
        }
        arsort($lines);

        return new JsonResponse(array_map(
            static fn (string $line, int $minutes): MinutesSpent => new MinutesSpent($line, $minutes),
            array_keys($lines),
            $lines,
        ));
    }

    #[OA\Get(
        path: '/jobs/{job}/pulse',
        operationId: 'pulseOfJob',
        tags: ['logbook'],
        parameters: [new OA\PathParameter(name: 'job', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'asked every second or so by other screens of the job',
            content: new OA\JsonContent(ref: PulseCard::class),
        )],
    )]
    public function pulse(string $job): JsonResponse
    {
        $version = DB::table('jobs')->where('id', $job)->value('version');

        return new JsonResponse(new PulseCard(is_numeric($version) ? (int) $version : abort(404)));
    }

    public static function card(string $id): JobCard
    {
        return Cards::job(Cards::jobs()->where('jobs.id', $id)->first() ?? abort(404));
    }

    /** @return list<string> stages that have entries: each is one look into an index, however long the record is */
    private static function opened(string $job): array
    {
        $of = DB::query();
        foreach (Stage::cases() as $stage) {
            $of->selectRaw("EXISTS (SELECT 1 FROM entries WHERE job_id = ? AND stage = ?) AS `{$stage->value}`", [$job, $stage->value]);
        }

        return array_keys(array_filter(get_object_vars($of->first() ?? new \stdClass())));
    }

    /**
     * @param array<mixed> $opened stages that have entries
     *
     * @return list<StageCard>
     */
    private static function stages(Stage $current, SheetCard $sheet, array $opened): array
    {
        $closed = array_values(array_map(
            static fn (GateCard $gate): int => $gate->gate->number(),
            array_filter($sheet->gates, static fn (GateCard $gate): bool => $gate->closed),
        ));

        return array_map(static fn (Stage $stage): StageCard => new StageCard(
            $stage, $stage->words(), $stage->needs(), $stage === $current, in_array($stage->value, $opened, true),
            $stage === Stage::FirstPower ? $closed : [],
        ), Stage::cases());
    }

    /** @return list<ExampleCard> */
    private static function examples(): array
    {
        $examples = [];
        foreach (House::here()->hall->lines->examples() as $word => $example) {
            $examples[] = new ExampleCard($word, $example);
        }

        return $examples;
    }
}
