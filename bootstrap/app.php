<?php

declare(strict_types=1);

use App\Http\ApiErrors;
use App\Http\Disk;
use App\Http\PlainText;
use App\Http\SecurityHeaders;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Routing\Middleware\ValidateSignature;

// Everything that is written at run time lives under one folder, so that several instances can stand side by side.
$var = getenv('ASH_VAR') ?: dirname(__DIR__).'/var';
foreach (['CONFIG', 'ROUTES', 'EVENTS', 'SERVICES', 'PACKAGES'] as $cache) {
    $_SERVER["APP_{$cache}_CACHE"] ??= "{$var}/cache/".strtolower($cache).'.php';
}

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
    )
    ->withCommands([__DIR__.'/../app'])
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        // Before anything takes white space off or reads a field; the headers stand around all of it.
        $middleware->prepend([SecurityHeaders::class, PlainText::class, Disk::class]);
        $middleware->statefulApi();
        // Nobody has a session before signing in; a foreign page cannot send JSON here without being asked first.
        $middleware->validateCsrfTokens(except: ['api/session']);
        $middleware->throttleApi();
        // A link that was not signed here tells nobody what there is.
        $middleware->prependToPriorityList(SubstituteBindings::class, ValidateSignature::class);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(static fn (Exceptions $exceptions) => ApiErrors::register($exceptions))
    ->create()
    ->useEnvironmentPath($var)
    ->useStoragePath("{$var}/storage");
