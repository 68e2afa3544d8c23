<?php

declare(strict_types=1);

namespace App\People;

use App\Http\Body;
use App\Http\Errors;
use Ash\Document\Node;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final readonly class PeopleController
{
    private const MIN_PASSWORD = 12;

    #[OA\Get(path: '/people', operationId: 'listPeople', tags: ['people'], responses: [new OA\Response(response: 200, description: 'people by name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: PersonCard::class)))])]
    public function index(): JsonResponse
    {
        return new JsonResponse(Person::query()->orderBy('name')->get()->map(self::card(...))->all());
    }

    #[OA\Post(path: '/people', operationId: 'addPerson', tags: ['people'], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PersonBody')), responses: [new OA\Response(response: 201, description: 'added', content: new OA\JsonContent(ref: PersonCard::class)), new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class))])]
    public function store(Request $request): JsonResponse
    {
        $body = Body::of($request);

        return new JsonResponse(self::card(Person::query()->create([...self::read($body, null), 'password' => self::password($body->at('password'))])), 201);
    }

    #[OA\Put(path: '/people/{person}', operationId: 'changePerson', tags: ['people'], parameters: [new OA\PathParameter(name: 'person', schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/PersonBody')), responses: [new OA\Response(response: 200, description: 'changed', content: new OA\JsonContent(ref: PersonCard::class))])]
    public function update(Request $request, Person $person): JsonResponse
    {
        $body = Body::of($request);
        $fields = self::read($body, $person);
        if ($person->is($request->user()) && ($fields['role'] !== Role::Lead || $fields['active'] !== true)) {
            $body->refuse('a lead cannot take the lead away from themselves');
        }
        $person->update([...$fields, ...($body->has('password') ? ['password' => self::password($body->at('password'))] : [])]);

        return new JsonResponse(self::card($person));
    }

    public static function card(Authenticatable $person): PersonCard
    {
        return $person instanceof Person ? new PersonCard($person->id, $person->name, $person->email, $person->role->value, $person->active) : abort(401);
    }

    /** @return array{name: string, email: string, role: Role, active: bool} */
    private static function read(Node $body, ?Person $person): array
    {
        $body->only('name', 'email', 'role', 'active', 'password');
        $email = $body->at('email');
        if (filter_var($email->text(190), FILTER_VALIDATE_EMAIL) === false) {
            $email->refuse('must be an e-mail address');
        }
        if (Person::query()->where('email', $email->text())->whereKeyNot($person->id ?? '')->exists()) {
            $email->refuse('someone has this address already');
        }

        return [
            'name' => $body->at('name')->text(120),
            'email' => $email->text(),
            'role' => $body->at('role')->enum(Role::class),
            'active' => $body->optional('active')?->bool() ?? $person->active ?? true,
        ];
    }

    private static function password(Node $node): string
    {
        $password = $node->string();

        return mb_strlen($password) >= self::MIN_PASSWORD && strlen($password) <= 72
            ? $password
            : $node->refuse('must be '.self::MIN_PASSWORD.' to 72 characters');
    }
}
