<?php

declare(strict_types=1);

namespace App\People;

use App\Http\Body;
use App\Http\Errors;
use Ash\Document\InvalidDocument;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use OpenApi\Attributes as OA;

/** Sign-in by cookie session. */
final readonly class SessionController
{
    #[OA\Get(
        path: '/session',
        operationId: 'whoAmI',
        tags: ['people'],
        responses: [
            new OA\Response(response: 200, description: 'who is signed in', content: new OA\JsonContent(ref: PersonCard::class)),
            new OA\Response(response: 401, description: 'nobody', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(PeopleController::card(SignedIn::person($request)));
    }

    #[OA\Post(
        path: '/session',
        operationId: 'signIn',
        tags: ['people'],
        requestBody: new OA\RequestBody(content: new OA\JsonContent(ref: '#/components/schemas/SignInBody')),
        responses: [
            new OA\Response(response: 200, description: 'signed in', content: new OA\JsonContent(ref: PersonCard::class)),
            new OA\Response(response: 422, description: 'refused', content: new OA\JsonContent(ref: Errors::class)),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        $body = Body::as($request, SignInBody::class);
        if (!$request->hasSession()) {
            throw InvalidDocument::at('', 'sign in from the application\'s own page');
        }
        $person = SignIn::with($body, (string) $request->ip()) ?? throw InvalidDocument::at('/password', 'address and password do not fit together');
        self::guard()->login($person);
        $request->session()->regenerate();

        return new JsonResponse(PeopleController::card($person));
    }

    #[OA\Delete(path: '/session', operationId: 'signOut', tags: ['people'], responses: [new OA\Response(response: 204, description: 'signed out')])]
    public function destroy(Request $request): JsonResponse
    {
        self::guard()->logout();
        if ($request->hasSession()) {
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return new JsonResponse(null, 204);
    }

    private static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');

        return $guard instanceof StatefulGuard ? $guard : throw new \LogicException('the web guard keeps no session');
    }
}
