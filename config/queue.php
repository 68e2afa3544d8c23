<?php

declare(strict_types=1);

// What takes longer than a request may: made by `artisan queue:work`, which bin/start keeps running.
return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => ['driver' => 'database', 'connection' => null, 'table' => 'queued', 'queue' => 'default', 'retry_after' => 300, 'after_commit' => true],
    ],
    'failed' => ['driver' => 'null'],
];
