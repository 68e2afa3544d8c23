<?php

declare(strict_types=1);

return [
    App\Http\BenchServiceProvider::class,
];
