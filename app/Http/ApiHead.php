<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** The head of the API's description, and what has no shape of its own. Request bodies are made from the shapes that read them. */
#[OA\OpenApi(
    openapi: '3.1.0',
    info: new OA\Info(
        version: '1.1.0',
        title: 'Ash Bench',
        description: 'The record and the rules of a repair bench. Signed in by cookie session; writing needs the XSRF-TOKEN cookie sent back as X-XSRF-TOKEN.',
        license: new OA\License(name: 'MIT', identifier: 'MIT'),
    ),
    servers: [new OA\Server(url: '/api')],
    security: [['session' => []]],
)]
#[OA\SecurityScheme(securityScheme: 'session', type: 'apiKey', in: 'cookie', name: 'ash_bench', description: 'cookie session, opened by POST /session')]
#[OA\Schema(schema: 'FileBody', required: ['file'], properties: [
    new OA\Property(property: 'file', type: 'string', format: 'binary'),
])]
#[OA\Schema(schema: 'AnyDocument', type: 'object', additionalProperties: true)]
final readonly class ApiHead
{
}
