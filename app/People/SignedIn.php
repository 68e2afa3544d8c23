<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;

/** Who is asking. Behind the sign-in there is always someone. */
final readonly class SignedIn
{
    public static function person(Request $request): Person
    {
        $person = $request->user();

        return $person instanceof Person ? $person : abort(401);
    }
}
