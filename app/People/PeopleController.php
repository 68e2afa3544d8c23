<?php

declare(strict_types=1);

namespace App\People;

use App\Http\Body;
use App\Http\Errors;
use App\Http\Once;
use Ash\Document\InvalidDocument;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use OpenApi\Attributes as OA;

final readonly class PeopleController
{
    #[OA\Get(
        path: '/people',
        operationId: 'listPeople',
        tags: ['people'],
        responses: [
            new OA\Response(
                response: 200,
                description: 'people by name',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PersonCard::class)),
            ),
        ],
    )]
    public function index(): JsonResponse
    {
        return new JsonResponse(Person::query()->orderBy('name')->get()->map(self::card(...))->all());
    }

    #[OA\Post(
        path: '/people',
        operationId: 'addPerson',
        tags: ['people'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PersonBody')),
        responses: [
            new OA\Response(response: 201, description: 'added', content: new OA\JsonContent(ref: PersonCard::class)),
            new OA\Response(response: 200, description: 'the same person was there already', content: new OA\JsonContent(ref: PersonCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        $body = Body::as($request, PersonBody::class);
        $password = $body->password ?? throw InvalidDocument::at('/password', 'is missing');

        [$person, $new] = Once::made(
            static function () use ($body, $password): ?Person {
                $known = Person::query()->where('email', $body->email)->where('name', $body->name)->where('role', $body->role)->first();

                return $known !== null && Hash::check($password, $known->password) ? $known : null;
            },
            static fn (): Person => Person::query()->create([...self::fields($body, null), 'password' => $password]),
        );

        return new JsonResponse(self::card($person), $new ? 201 : 200);
    }

    #[OA\Put(
        path: '/people/{person}',
        operationId: 'changePerson',
        tags: ['people'],
        parameters: [new OA\PathParameter(name: 'person', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PersonBody')),
        responses: [new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: PersonCard::class))],
    )]
    public function update(Request $request, Person $person): JsonResponse
    {
        $body = Body::as($request, PersonBody::class);
        $fields = self::fields($body, $person);
        if ($person->is($request->user()) && ($fields['role'] !== Role::Lead || $fields['active'] !== true)) {
            throw InvalidDocument::at('', 'a lead cannot take the lead away from themselves');
        }
        $person->update([...$fields, ...($body->password === null ? [] : ['password' => $body->password])]);

        return new JsonResponse(self::card($person));
    }

    public static function card(Authenticatable $person): PersonCard
    {
        return $person instanceof Person ? new PersonCard($person->id, $person->name, $person->email, $person->role, $person->active) : abort(401);
    }

    /** @return array{name: string, email: string, role: Role, active: bool} */
    private static function fields(PersonBody $body, ?Person $person): array
    {
        if (Person::query()->where('email', $body->email)->whereKeyNot($person->id ?? '')->exists()) {
            throw InvalidDocument::at('/email', 'someone has this address already');
        }

        return ['name' => $body->name, 'email' => $body->email, 'role' => $body->role, 'active' => $body->active ?? $person->active ?? true];
    }
}
