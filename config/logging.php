<?php

declare(strict_types=1);

return [
    'default' => 'file',
    'deprecations' => ['channel' => 'null', 'trace' => false],
    'channels' => [
        'file' => ['driver' => 'daily', 'path' => storage_path('logs/ash.log'), 'level' => 'warning', 'days' => 14, 'tap' => [App\Http\LogLine::class]],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
        'emergency' => ['path' => storage_path('logs/ash.log')],
    ],
];
