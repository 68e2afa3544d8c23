<?php

declare(strict_types=1);

namespace App\Memory;

use App\Bench\ChoiceCard;
use App\Http\Body;
use App\Http\Errors;
use Ash\Document\Node;
use Ash\Memory\ChipType;
use Ash\Memory\Coverage;
use Ash\Memory\Fit;
use Ash\Memory\FitAsked;
use Ash\Memory\MapCheck;
use Ash\Memory\MarchTest;
use Ash\Memory\RowsLine;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Seen;
use Ash\Memory\Soak;
use Ash\Memory\SoakAsked;
use Ash\Memory\Sum;
use Ash\Memory\SumAsked;
use Ash\Memory\Technology;
use Ash\Quantity\Notation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What belongs to no job: chips, tests, sums, and maps while they are drawn. */
final readonly class TablesController
{
    #[OA\Get(
        path: '/memory/tables',
        operationId: 'showMemoryTables',
        tags: ['memory'],
        responses: [new OA\Response(response: 200, description: 'chips and march tests', content: new OA\JsonContent(ref: TablesPage::class))],
    )]
    public function show(): JsonResponse
    {
        return new JsonResponse(new TablesPage(
            array_map(static function (ChipType $it): ChipCard {
                $sheet = $it->sheet();

                return new ChipCard(
                    $it->value,
                    "{$sheet['words']} x {$sheet['bits']}, {$sheet['package']}, ".($sheet['three_supplies'] ? '-5 +5 +12 V' : '+5 V')
                        .($sheet['dynamic'] ? ", {$sheet['refresh']} refresh cycles" : ', static'),
                );
            }, ChipType::cases()),
            array_map(
                static fn (string $name, string $march): MarchCard => new MarchCard(
                    $name,
                    $march,
                    MarchTest::read(Node::of($name))->operationsPerWord(),
                    implode(', ', MarchTest::COVERS[$name]),
                ),
                array_keys(MarchTest::NAMED),
                MarchTest::NAMED,
            ),
            ChoiceCard::all(Technology::class),
            MemoryCards::radices(),
            'A. J. van de Goor, IEEE Design & Test of Computers 10(1), 1993; public data sheets, from memory: check against a sheet before use',
        ));
    }

    #[OA\Post(
        path: '/memory/fit',
        operationId: 'fitChip',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/FitBody')),
        responses: [
            new OA\Response(response: 200, description: 'verdict, pin by pin', content: new OA\JsonContent(ref: FitCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function fit(Request $request): JsonResponse
    {
        $body = Body::as($request, FitAsked::class);
        $fit = Fit::asked($body);
        [$fitted, $candidate] = [$body->fitted, $body->candidate];

        return new JsonResponse(new FitCard($fit->verdict, match ($fit->verdict) {
            'drop_in' => "A {$candidate->value} goes into the socket of a {$fitted->value} as it is",
            'needs_rework' => "A {$candidate->value} goes into the socket of a {$fitted->value} only with rework",
            default => "A {$candidate->value} does not go into the socket of a {$fitted->value}",
        }, $fit->reasons,
            array_map(
                static fn (array $it): ChipPinCard => new ChipPinCard(
                    $it['pin'],
                    $it['side'],
                    $it['fitted'],
                    $it['candidate'],
                    $it['meets'],
                    match ($it['meets']) {
                        'hazard' => 'destroys something',
                        'conflict' => 'lift it or tie it',
                        default => null,
                    },
                ),
                $fit->pins($fitted, $candidate),
            ), $fitted->sheet()['package']));
    }

    #[OA\Post(
        path: '/memory/sum',
        operationId: 'sumModules',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SumBody')),
        responses: [
            new OA\Response(response: 200, description: 'the difference and what explains it', content: new OA\JsonContent(ref: SumCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function sum(Request $request): JsonResponse
    {
        $sum = Sum::of(Body::as($request, SumAsked::class));
        $kib = static fn (float $it): string => Notation::plain(abs($it), 6).' KiB';

        return new JsonResponse(new SumCard("{$kib($sum->expectedKib)} fitted".match (true) {
            $sum->differenceKib > 0 => ", {$kib($sum->differenceKib)} missing",
            $sum->differenceKib < 0 => ", and the machine counts {$kib($sum->differenceKib)} more: is a module larger than it says, or counted twice?",
            default => ', and the machine counts them all',
        }.($sum->differenceKib > 0 && $sum->explanations === [] ? ': no set of modules explains it' : ''),
            array_map(static fn (array $names): string => 'without '.implode(' and ', $names), $sum->explanations)));
    }

    #[OA\Post(
        path: '/memory/coverage',
        operationId: 'coverMarch',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/CoverageBody')),
        responses: [
            new OA\Response(response: 200, description: 'every fault of every class, one at a time', content: new OA\JsonContent(ref: CoverageCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function coverage(Request $request): JsonResponse
    {
        $body = Body::as($request, CoverageBody::class);
        $test = MarchTest::read(Node::of($body->test, '/test'));

        return new JsonResponse(new CoverageCard(
            array_map(
                static fn (array $it): CoverageRow => new CoverageRow(
                    strtoupper($it['type']),
                    $it['faults'],
                    $it['detected'],
                    $it['pct'] === null ? 'no such fault' : Notation::plain($it['pct'], 4).' %',
                ),
                Coverage::of($test, $body->words),
            ),
            $test->operationsPerWord(),
        ));
    }

    #[OA\Post(
        path: '/memory/time',
        operationId: 'timeMarch',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TestTimeBody')),
        responses: [
            new OA\Response(response: 200, description: 'test time', content: new OA\JsonContent(ref: TimeCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function time(Request $request): JsonResponse
    {
        $body = Body::as($request, TestTimeBody::class);
        $seconds = MarchTest::read(Node::of($body->test, '/test'))->seconds($body->words, $body->cycleS);

        return new JsonResponse(new TimeCard($seconds, Soak::duration($seconds)));
    }

    #[OA\Post(
        path: '/memory/soak',
        operationId: 'boundSoak',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SoakBody')),
        responses: [
            new OA\Response(response: 200, description: 'bound, curve and what more passes buy', content: new OA\JsonContent(ref: SoakCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function soak(Request $request): JsonResponse
    {
        $it = Body::as($request, SoakAsked::class);

        return new JsonResponse(MemoryOfJob::bound($it->passes, $it->errors, $it->confidence, $it->targetRate, $it->secondsPerPass));
    }

    #[OA\Post(
        path: '/memory/rows',
        operationId: 'mapRows',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/RowsBody')),
        responses: [
            new OA\Response(response: 200, description: 'the map of rows of chips', content: new OA\JsonContent(ref: MapDraft::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function rows(Request $request): JsonResponse
    {
        $body = Body::as($request, RowsBody::class);
        $rows = Node::of($body->rows, '/rows');
        $chip = $rows->filled('chip')?->raw();

        return new JsonResponse(self::draft(json_encode([
            'key' => 'draft', 'name' => $body->name, ...($chip === null ? [] : ['chip' => $chip]), 'map' => RowsOfChips::map($rows),
        ], JSON_THROW_ON_ERROR)));
    }

    #[OA\Get(path: '/memory/line', operationId: 'readRowsLine', tags: ['memory'], parameters: [
        new OA\QueryParameter(name: 'line', required: true, description: 'rows of chips: 2 x 8 4116 U20 at 0', schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'its sockets, drawn before anything is kept', content: new OA\JsonContent(ref: MapDraft::class)),
        new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
    ])]
    public function line(Request $request): JsonResponse
    {
        $line = Node::of((object) $request->query->all())->only('line')->at('line')->text(120);

        return new JsonResponse(self::draft(json_encode(RowsLine::read($line, '/line')->memory('main', '/line'), JSON_THROW_ON_ERROR)));
    }

    #[OA\Post(
        path: '/memory/check',
        operationId: 'checkMap',
        tags: ['memory'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [
            new OA\Response(response: 200, description: 'a memory of a profile, drawn and looked at', content: new OA\JsonContent(ref: MapDraft::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function check(Request $request): JsonResponse
    {
        Body::of($request);

        return new JsonResponse(self::draft($request->getContent()));
    }

    private static function draft(string $json): MapDraft
    {
        $memory = MemoryCards::fitted($json);

        return new MapDraft(
            json_encode(Node::parse($json)->at('map')->raw(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
            MemoryCards::sockets($memory, Seen::of($memory->map, []), []), MemoryCards::mapWords($memory), MapCheck::of($memory),
            $memory->needsBias() ? "{$memory->chip?->value} have three supplies: the profile needs a -5 V rail that protects +12 V and +5 V" : null,
        );
    }
}
