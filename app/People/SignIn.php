<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/**
 * Who may sign in. Only failures are counted: one bucket an account, as the database compares addresses (case, accents, spaces at the end),
 * and one a client's address. Someone whose own account is untouched signs in with the right password however often others behind the same
 * address fail. Known, unknown and put-away accounts cost the same time: a password is always compared.
 */
final readonly class SignIn
{
    /** Failures a minute. */
    private const OF_ACCOUNT = 10;
    private const OF_ADDRESS = 60;

    public static function with(SignInBody $body, string $address): ?Person
    {
        $person = Person::query()->where('email', $body->email)->first();
        $account = 'sign-in:'.($person->id ?? hash('sha256', self::folded($body->email)));
        $office = "sign-in:{$address}";
        $failures = RateLimiter::attempts($account);
        if ($failures >= self::OF_ACCOUNT || ($failures > 0 && RateLimiter::tooManyAttempts($office, self::OF_ADDRESS))) {
            $wait = max(RateLimiter::availableIn($account), 1);
            throw new TooManyRequestsHttpException($wait, headers: ['Retry-After' => (string) $wait]);
        }
        $right = Hash::check($body->password, $person->password ?? self::nobody());
        if ($right && $person?->active === true) {
            return $person;
        }
        RateLimiter::hit($account, 60);
        RateLimiter::hit($office, 60);

        return null;
    }

    /** What an address that nobody has is counted under: near enough to the database's own equality. */
    private static function folded(string $email): string
    {
        $plain = \Normalizer::normalize(mb_strtolower(trim($email)), \Normalizer::FORM_KD);

        return (string) preg_replace('/\p{Mn}+|\s+/u', '', $plain === false ? $email : $plain);
    }

    /** A hash as costly as everyone's, of a password that nobody knows. */
    private static function nobody(): string
    {
        return cache()->rememberForever(
            'sign-in.nobody.'.config('hashing.bcrypt.rounds', 12),
            static fn (): string => Hash::make(bin2hex(random_bytes(16))),
        );
    }
}
