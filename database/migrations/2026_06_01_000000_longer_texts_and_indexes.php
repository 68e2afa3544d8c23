<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // 20 000 characters may be 80 000 bytes, and a memory test's matrix is longer than a text column.
        Schema::table('entries', static function (Blueprint $table): void {
            $table->mediumText('text')->change();
            $table->mediumText('data')->change();
            // What comes in from a newer house may be called by a longer word.
            $table->string('kind', 20)->change();
            // A board's entries of one kind, latest first: batteries, capacitors, leaks and maps ask for them on every page.
            $table->index(['board_id', 'kind', 'at', 'id']);
        });
        Schema::table('memory_sources', static fn (Blueprint $table) => $table->mediumText('tested')->nullable()->change());
        // One that listens a port: the database sees to it itself, whoever changes the state.
        Schema::table('memory_sources', static fn (Blueprint $table) => $table->char('listens_at', 26)->nullable()->unique());
        foreach (['INSERT', 'UPDATE'] as $event) {
            DB::unprepared(
                'CREATE TRIGGER memory_sources_listens_'.strtolower($event)." BEFORE {$event} ON memory_sources FOR EACH ROW "
                    ."SET NEW.listens_at = IF(NEW.state IN ('running', 'silent', 'stopping'), NEW.port_id, NULL)",
            );
        }
        Schema::table('shelf_items', static fn (Blueprint $table) => $table->mediumText('spec')->change());
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->index(['last_entry_at', 'id']);
            // Came in with a record that was written elsewhere: what comes in later may add to it, and to no other.
            $table->boolean('imported')->default(false);
        });
        Schema::table('runs', static fn (Blueprint $table) => $table->boolean('imported')->default(false));
        // A board's readings in time order, a page after the other.
        Schema::table('readings', static fn (Blueprint $table) => $table->index(['board_id', 'at', 'entry_id']));
        DB::statement(
            'UPDATE jobs SET imported = 1 WHERE EXISTS (SELECT 1 FROM entries WHERE entries.job_id = jobs.id AND person_id IS NULL) '
                .'AND NOT EXISTS (SELECT 1 FROM entries WHERE entries.job_id = jobs.id AND person_id IS NOT NULL)',
        );
        DB::statement('UPDATE runs JOIN jobs ON jobs.id = runs.job_id SET runs.imported = 1 WHERE jobs.imported = 1');
    }

    public function down(): void
    {
        DB::unprepared('DROP TRIGGER memory_sources_listens_insert');
        DB::unprepared('DROP TRIGGER memory_sources_listens_update');
        Schema::table('memory_sources', static fn (Blueprint $table) => $table->dropColumn('listens_at'));
        Schema::table('runs', static fn (Blueprint $table) => $table->dropColumn('imported'));
        Schema::table('readings', static fn (Blueprint $table) => $table->dropIndex(['board_id', 'at', 'entry_id']));
        Schema::table('jobs', static function (Blueprint $table): void {
            $table->dropIndex(['last_entry_at', 'id']);
            $table->dropColumn('imported');
        });
        Schema::table('entries', static fn (Blueprint $table) => $table->dropIndex(['board_id', 'kind', 'at', 'id']));
    }
};
