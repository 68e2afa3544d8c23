<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Body;
use App\Http\Errors;
use App\People\SignedIn;
use Ash\Logbook\IntakeLine;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** A machine is taken in from one line, known or not. */
final readonly class IntakeController
{
    private const OFFERED = 6;

    #[OA\Post(
        path: '/intake/read',
        operationId: 'readIntake',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/LineBody')),
        responses: [
            new OA\Response(response: 200, description: 'what the line was understood as', content: new OA\JsonContent(ref: IntakeRead::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function read(Request $request): JsonResponse
    {
        $line = IntakeLine::read(Body::as($request, LineBody::class)->line);
        $like = '%'.addcslashes($line->machine, '%_\\').'%';
        $machines = $line->machine === '' ? [] : Machine::query()->with('described')
            ->where(static fn (Builder $query) => $query->where('name', 'like', $like)->orWhere('serial', $line->machine)
                ->when($line->serial !== null, static fn (Builder $query) => $query->orWhere('serial', $line->serial)))
            ->whereNull('merged_into')->orderBy('name')->limit(self::OFFERED)->get()->all();
        $kinds = $line->machine === ''
            ? []
            : Kind::query()->whereNull('merged_into')->where('name', 'like', $like)->orderBy('name')->limit(self::OFFERED)->get()->all();

        return new JsonResponse(new IntakeRead(
            machine: $line->machine,
            serial: $line->serial,
            owner: $line->owner,
            symptom: $line->symptom,
            machines: array_values(array_map(MachineController::with(...), $machines)),
            kinds: array_values(array_map(KindController::card(...), $kinds)),
            meant: self::meant($line, $machines)?->id,
            ambiguous: count(array_filter($machines, static fn (Machine $it): bool => mb_strtolower($it->name) === mb_strtolower($line->machine))) > 1,
            alone: $line->alone,
        ));
    }

    #[OA\Post(
        path: '/intake',
        operationId: 'takeIn',
        tags: ['logbook'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/TakeInBody')),
        responses: [
            new OA\Response(response: 201, description: 'taken in', content: new OA\JsonContent(ref: JobCard::class)),
            new OA\Response(response: 200, description: 'the same intake was there already', content: new OA\JsonContent(ref: JobCard::class)),
            new OA\Response(response: 409, description: 'another job has this id', content: new OA\JsonContent(ref: Errors::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        [$job, $created] = TakeIn::with(Body::as($request, TakeInBody::class), SignedIn::person($request));

        return new JsonResponse(JobController::card($job->id), $created ? 201 : 200);
    }

    /**
     * The one whose serial is said; else the one that is called so; else the only one that begins so.
     *
     * @param array<Machine> $machines
     */
    private static function meant(IntakeLine $line, array $machines): ?Machine
    {
        $name = mb_strtolower($line->machine);
        $only = static function (\Closure $is) use ($machines): ?Machine {
            $found = array_values(array_filter($machines, $is));

            return count($found) === 1 ? $found[0] : null;
        };
        if ($line->serial !== null) {
            return $only(static fn (Machine $it): bool => $it->serial === $line->serial);
        }

        return $only(static fn (Machine $it): bool => mb_strtolower($it->name) === $name || mb_strtolower((string) $it->serial) === $name)
            ?? $only(static fn (Machine $it): bool => str_starts_with(mb_strtolower($it->name), $name));
    }
}
