<?php

declare(strict_types=1);

return [
    // Rate limits and meter locks live here. With several application servers set "database".
    'default' => env('CACHE_STORE', 'file'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'file' => ['driver' => 'file', 'path' => storage_path('framework/cache'), 'lock_path' => storage_path('framework/cache')],
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'cache', 'lock_connection' => null, 'lock_table' => 'cache_locks'],
    ],
    'prefix' => 'ash',
];
