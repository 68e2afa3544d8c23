<?php

declare(strict_types=1);

use Ash\Logbook\EntryKind;
use Ash\Rooms;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/* When a job last learned something, and the minutes since, are kept: counting them took the whole record with every entry. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasColumn('jobs', 'evidence_at') || Schema::table('jobs', static function (Blueprint $table): void {
            $table->dateTime('evidence_at', 3)->nullable();
            $table->unsignedInteger('idle_minutes')->default(0);
        });
        Schema::hasIndex('entries', ['job_id', 'stage']) || Schema::table('entries', static fn (Blueprint $table) => $table->index(['job_id', 'stage']));
        Schema::hasIndex('machines', ['bare', 'name']) || Schema::table('machines', static fn (Blueprint $table) => $table->index(['bare', 'name']));
        Schema::hasColumn('shelf_items', 'runs_low') || Schema::table('shelf_items', static function (Blueprint $table): void {
            $table->boolean('runs_low')->storedAs('low_at IS NOT NULL AND quantity <= low_at');
            $table->index(['runs_low', 'sku']);
        });
        $kinds = Rooms::hall()->kinds->where(static fn (EntryKind $kind): bool => $kind->weight->bringsSomething());
        $marks = implode(', ', array_fill(0, count($kinds), '?'));
        DB::statement(
            "UPDATE jobs JOIN (SELECT job_id, MAX(at) AS at FROM entries WHERE kind IN ({$marks}) GROUP BY job_id) e ON e.job_id = jobs.id "
                .'SET evidence_at = e.at',
            $kinds,
        );
        DB::statement('UPDATE jobs JOIN (SELECT entries.job_id, SUM(entries.minutes) AS minutes FROM entries JOIN jobs ON jobs.id = entries.job_id
            WHERE jobs.evidence_at IS NULL OR entries.at > jobs.evidence_at GROUP BY entries.job_id) e ON e.job_id = jobs.id SET idle_minutes = e.minutes');
    }

    public function down(): void
    {
        Schema::table('entries', static fn (Blueprint $table) => $table->dropIndex(['job_id', 'stage']));
        Schema::table('machines', static fn (Blueprint $table) => $table->dropIndex(['bare', 'name']));
        Schema::dropColumns('shelf_items', 'runs_low');
        Schema::dropColumns('jobs', ['evidence_at', 'idle_minutes']);
    }
};
