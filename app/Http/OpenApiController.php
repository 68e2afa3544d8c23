<?php

declare(strict_types=1);

namespace App\Http;

use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The description of the API. It is generated from the code by `artisan ash:openapi`; a test fails when the file has drifted. */
final readonly class OpenApiController
{
    public function show(): BinaryFileResponse
    {
        return new BinaryFileResponse(base_path('docs/openapi.json'), 200, ['Content-Type' => 'application/json']);
    }
}
