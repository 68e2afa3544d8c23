<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        // Nothing in it is served: what people may see goes through a route with a policy.
        'local' => ['driver' => 'local', 'root' => storage_path('app'), 'serve' => false, 'throw' => true],
    ],
];
