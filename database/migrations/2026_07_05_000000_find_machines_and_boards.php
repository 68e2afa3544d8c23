<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/*
 * What machines, boards and kinds are found by, in lower case and compared byte by byte: a search within words reads every row, and the
 * rules of a language's letters cost ten times the reading.
 */
return new class extends Migration {
    private const FOUND_BY = [
        'kinds' => ['name', 'words'],
        'machines' => ['name', 'serial', 'owner'],
        'boards' => ['name', 'serial'],
    ];

    public function up(): void
    {
        foreach (self::FOUND_BY as $of => $columns) {
            Schema::hasColumn($of, 'found_by') || Schema::table($of, static function (Blueprint $table) use ($columns): void {
                $table->string('found_by', 400)->collation('utf8mb4_bin')->storedAs("LOWER(CONCAT_WS(' ', ".implode(', ', $columns).'))')->index();
            });
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::FOUND_BY) as $of) {
            Schema::dropColumns($of, ['found_by']);
        }
    }
};
