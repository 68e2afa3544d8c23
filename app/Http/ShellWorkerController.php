<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Response;

/** The worker that keeps the shell of the application in the browser: built with the rest, answered at the root so that it may serve all of it. */
final readonly class ShellWorkerController
{
    private const SOURCE = 'resources/ts/shell-worker.ts';

    public function show(): Response
    {
        $text = @file_get_contents(public_path('build/manifest.json'));
        $manifest = $text === false ? null : json_decode($text, true);
        $entry = is_array($manifest) ? $manifest[self::SOURCE] ?? null : null;
        $file = is_array($entry) && is_string($entry['file'] ?? null) ? public_path("build/{$entry['file']}") : '';
        $file !== '' && is_file($file) || abort(404);

        // With the sum of the build, so that a browser sees a new worker with every one.
        return new Response(file_get_contents($file)."\n// ".hash('sha256', (string) $text)."\n", 200, [
            'Content-Type' => 'text/javascript; charset=utf-8', 'Cache-Control' => 'no-cache',
        ]);
    }
}
