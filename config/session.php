<?php

declare(strict_types=1);

return [
    // In the database, so that several application servers share sign-ins.
    'driver' => env('SESSION_DRIVER', 'database'),
    'connection' => null,
    'table' => 'sessions',

    // Minutes without a request: a working day at the bench.
    'lifetime' => 600,
    'expire_on_close' => false,
    'encrypt' => false,
    'files' => storage_path('framework/sessions'),
    'store' => null,
    'lottery' => [1, 1000],
    'cookie' => 'ash_bench',
    'path' => '/',
    'domain' => null,

    // Production sits behind TLS and sets this; the loopback start command serves plain HTTP.
    'secure' => (bool) env('SESSION_SECURE_COOKIE', false),
    'http_only' => true,
    'same_site' => 'lax',
    'partitioned' => false,
];
