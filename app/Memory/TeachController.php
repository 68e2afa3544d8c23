<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Body;
use App\Http\Conflict;
use App\Http\Once;
use App\Instruments\SerialPort;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\People\SignedIn;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\Dialect;
use Ash\Memory\LinePattern;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** Teaching the reader a tester's lines: tried on the whole text first, kept with the tester or the machine, put away by a lead. */
final readonly class TeachController
{
    private const FORMAT = 'ash-bench/dialect/1';
    private const SHOWN = 12;
    private const MOST = 500;

    #[OA\Post(
        path: '/memory-sources/{source}/lines',
        operationId: 'teachLine',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'source', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TeachBody')),
        responses: [
            new OA\Response(
                response: 200,
                description: 'what it makes of the text; nothing is kept without an id',
                content: new OA\JsonContent(ref: TaughtCard::class),
            ),
            new OA\Response(response: 201, description: 'kept, and the text is read with it', content: new OA\JsonContent(ref: TaughtCard::class)),
        ],
    )]
    public function teach(Request $request, Source $source): JsonResponse
    {
        $body = Body::as($request, TeachBody::class);
        !$source->state->active() || throw InvalidDocument::at('', 'stop the capture first');
        CompleteMemory::kept($source) === null || throw InvalidDocument::at('', 'is kept in the record: read the text anew');
        $pattern = LinePattern::taught($body->line, $body->sort, $body->byWord());
        $new = $body->id !== null && $this->keep($body, $pattern, $source, SignedIn::person($request)->name);
        [$count, $fits] = self::fits($source, $pattern);
        $before = $source->result ?? new SourceRead();
        $source->trying = $body->id === null ? $pattern : null;
        Sources::read($source);
        $body->id === null || $source->save();
        $after = $source->result ?? new SourceRead();

        return new JsonResponse(new TaughtCard(
            pattern: $pattern->words(),
            lines: $count,
            fits: $fits,
            says: "{$after->located->errors} errors instead of {$before->located->errors}, {$after->leftOver} lines left over instead of {$before->leftOver}",
            source: MemoryCards::source($source),
        ), $new ? 201 : 200);
    }

    private function keep(TeachBody $body, LinePattern $pattern, Source $source, string $author): bool
    {
        $tester = $body->tester === true;
        !$tester || $source->port_id !== null || throw InvalidDocument::at('/tester', 'this text came from no tester: keep it with the machine');
        $json = TaughtLine::json($pattern);

        return Once::made(
            static function () use ($body, $json): ?TaughtLine {
                $known = TaughtLine::query()->find($body->id);

                return $known === null || $known->pattern === $json ? $known : throw Conflict::at('/id', 'another line has this id');
            },
            static fn (): TaughtLine => TaughtLine::query()->create([
                'id' => $body->id, 'pattern' => $json, 'example' => $body->line, 'author' => $author, 'created_at' => now(), 'active' => true,
                'machine_id' => $tester ? null : Job::query()->findOrFail($source->job_id)->machine_id,
                'port_id' => $tester ? $source->port_id : null,
            ]),
        )[1];
    }

    /** @return array{int, list<string>} how many lines of the whole text it fits, and the first */
    private static function fits(Source $source, LinePattern $pattern): array
    {
        $dialect = new Dialect($pattern);
        $count = 0;
        $fits = [];
        $file = fopen($source->file(), 'r') ?: throw new \RuntimeException("{$source->file()} cannot be read");
        while (($line = fgets($file, 4096)) !== false) {
            if ($dialect->read($line) !== null) {
                ++$count;
                count($fits) < self::SHOWN && $fits[] = mb_substr(mb_scrub(trim($line)), 0, 200);
            }
        }
        fclose($file);

        return [$count, $fits];
    }

    #[OA\Get(
        path: '/lines',
        operationId: 'listLines',
        tags: ['memory'],
        responses: [new OA\Response(
            response: 200,
            description: 'what the reader was taught',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: TaughtLineCard::class)),
        )],
    )]
    public function index(): JsonResponse
    {
        $lines = TaughtLine::query()->orderByDesc('created_at')->orderBy('id')->limit(self::MOST)->get();
        $machines = Machine::query()->whereIn('id', $lines->pluck('machine_id')->filter()->unique())->pluck('name', 'id');
        $ports = SerialPort::query()->pluck('name', 'id');

        return new JsonResponse($lines->map(
            static fn (TaughtLine $it): TaughtLineCard => new TaughtLineCard(
                id: $it->id,
                sort: $it->read()->sort,
                pattern: $it->read()->words(),
                example: $it->example,
                of: (string) ($it->port_id === null ? $machines[$it->machine_id] ?? '' : $ports[$it->port_id] ?? ''),
                author: $it->author,
                active: $it->active,
            ),
        )->all());
    }

    #[OA\Delete(
        path: '/lines/{line}',
        operationId: 'putLineAway',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'line', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'no longer used')],
    )]
    public function away(TaughtLine $line): JsonResponse
    {
        $line->update(['active' => false]);

        return new JsonResponse(null, 204);
    }

    /** The dialect of a machine as a document. */
    public function export(Machine $machine): JsonResponse
    {
        $lines = TaughtLine::query()->where('machine_id', $machine->id)->where('active', true)->orderBy('created_at')->orderBy('id')->limit(self::MOST)->get();

        return new JsonResponse(['format' => self::FORMAT, 'lines' => $lines->map(static fn (TaughtLine $it): array => [
            'example' => $it->example, 'pattern' => json_decode($it->pattern),
        ])->all()], 200, ['Content-Disposition' => "attachment; filename=\"{$machine->slug}.dialect.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE);
    }

    #[OA\Post(
        path: '/machines/{machine}/lines',
        operationId: 'importLines',
        tags: ['memory'],
        parameters: [new OA\PathParameter(name: 'machine', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/AnyDocument')),
        responses: [new OA\Response(response: 200, description: 'the lines are known now', content: new OA\JsonContent(
            required: ['taken'],
            properties: [new OA\Property(property: 'taken', type: 'integer')],
        ))],
    )]
    public function import(Request $request, Machine $machine): JsonResponse
    {
        $node = Body::of($request)->only('format', 'lines');
        $node->at('format')->string() === self::FORMAT || $node->at('format')->refuse('must be '.self::FORMAT);
        $lines = array_map(static fn (Node $it): array => [
            $it->only('example', 'pattern')->at('example')->text(400), Shape::of(LinePattern::class)->read($it->at('pattern')),
        ], $node->at('lines')->items(self::MOST));
        $taken = 0;
        Once::transaction(static function () use ($lines, $machine, $request, &$taken): void {
            // One import after the other: the same lines sent twice at once are kept once.
            Machine::query()->lockForUpdate()->findOrFail($machine->id);
            $known = TaughtLine::query()->where('machine_id', $machine->id)->where('active', true)->pluck('pattern')->flip();
            $taken = 0;
            foreach ($lines as [$example, $pattern]) {
                $json = TaughtLine::json($pattern);
                if (!$known->has($json)) {
                    $known[$json] = 1;
                    ++$taken;
                    TaughtLine::query()->create([
                        'id' => (string) \Symfony\Component\Uid\Ulid::generate(), 'pattern' => $json, 'example' => $example, 'machine_id' => $machine->id,
                        'author' => SignedIn::person($request)->name, 'created_at' => now(), 'active' => true,
                    ]);
                }
            }
        });

        return new JsonResponse(['taken' => $taken]);
    }
}
