<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/* A board's latest pictures, and what was said about each, are found without reading the others: one board may have thousands. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasColumn('photos', 'board_id')
            || Schema::table('photos', static fn (Blueprint $table) => $table->ulid('board_id')->nullable()->after('job_id'));
        DB::statement('UPDATE photos JOIN jobs ON jobs.id = photos.job_id SET photos.board_id = jobs.board_id WHERE photos.board_id IS NULL');
        Schema::hasIndex('photos', ['board_id', 'taken_in_at', 'id']) || Schema::table('photos', static function (Blueprint $table): void {
            $table->foreign('board_id')->references('id')->on('boards');
            $table->index(['board_id', 'taken_in_at', 'id']);
        });
        Schema::hasColumn('entries', 'photo') || Schema::table('entries', static function (Blueprint $table): void {
            $table->char('photo', 26)->charset('ascii')->collation('ascii_bin')->virtualAs("IF(kind IN ('photo', 'pin'), JSON_VALUE(data, '$.photo'), NULL)");
            $table->index(['photo', 'kind']);
        });
        Schema::hasIndex('kinds', ['merged_into', 'name']) || Schema::table('kinds', static fn (Blueprint $table) => $table->index(['merged_into', 'name']));
    }

    public function down(): void
    {
        Schema::table('kinds', static fn (Blueprint $table) => $table->dropIndex(['merged_into', 'name']));
        Schema::table('entries', static function (Blueprint $table): void {
            $table->dropIndex(['photo', 'kind']);
            $table->dropColumn('photo');
        });
        Schema::table('photos', static function (Blueprint $table): void {
            $table->dropForeign(['board_id']);
            $table->dropIndex(['board_id', 'taken_in_at', 'id']);
            $table->dropColumn('board_id');
        });
    }
};
