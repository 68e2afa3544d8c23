<?php

declare(strict_types=1);

return [
    'name' => 'Ash Bench',
    'version' => '0.10.0',
    'env' => env('APP_ENV', 'production'),

    // Bytes free that are pretended, in tests.
    'disk_free' => env('DISK_FREE_PRETENDED'),

    // Shows stack traces to whoever meets an error: never outside development.
    'debug' => (bool) env('APP_DEBUG', false),

    // Requests a minute that one session may make of the API.
    'rate_per_minute' => (int) env('API_RATE_PER_MINUTE', 1200),

    // Addresses of the proxies before the web server, with commas between them, whose word on where a request came from is taken.
    'trusted_proxies' => env('TRUSTED_PROXIES', ''),

    'url' => env('APP_URL', 'http://localhost'),

    // Built files are named from the root of whatever host the page came from.
    'asset_url' => '/',

    // Times are kept in UTC; the browser shows them in its own zone.
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'cipher' => 'AES-256-CBC',
    'key' => env('APP_KEY'),
    'previous_keys' => array_filter(explode(',', (string) env('APP_PREVIOUS_KEYS', ''))),
    'maintenance' => ['driver' => 'file'],
];
