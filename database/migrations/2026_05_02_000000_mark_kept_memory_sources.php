<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('memory_sources', static function (Blueprint $table): void {
            // An entry came from it, also when that entry was withdrawn later. What is not kept is taken away after a while.
            $table->boolean('kept')->default(false);
            $table->index(['kept', 'updated_at']);
        });
        DB::statement(
            "UPDATE memory_sources JOIN entries ON entries.job_id = memory_sources.job_id AND entries.kind IN ('memory', 'soak') AND "
                ."JSON_VALUE(entries.data, '$.source') = memory_sources.id SET memory_sources.kept = 1",
        );
    }

    public function down(): void
    {
        Schema::table('memory_sources', static function (Blueprint $table): void {
            $table->dropIndex(['kept', 'updated_at']);
            $table->dropColumn('kept');
        });
    }
};
