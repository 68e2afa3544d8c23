<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Counts up with everything that is written on a job, so that another screen need only ask for a number.
        Schema::hasColumn('jobs', 'version') || Schema::table('jobs', static function (Blueprint $table): void {
            $table->unsignedInteger('version')->default(0);
        });
    }

    public function down(): void
    {
        Schema::dropColumns('jobs', ['version']);
    }
};
