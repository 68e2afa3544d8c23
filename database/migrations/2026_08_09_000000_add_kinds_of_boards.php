<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/*
 * Boards may have a kind of their own beside that of their machine. A kind of which there are only boards that came alone is one of boards
 * already. Nothing of what is described is changed: a lead takes descriptions apart when he has seen what that does.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasColumn('kinds', 'of_board') || Schema::table('kinds', static function (Blueprint $table): void {
            $table->boolean('of_board')->default(false);
        });
        Schema::hasColumn('boards', 'kind_id') || Schema::table('boards', static function (Blueprint $table): void {
            $table->foreignUlid('kind_id')->nullable()->constrained();
        });
        Schema::hasIndex('machines', ['kind_id', 'bare']) || Schema::table('machines', static function (Blueprint $table): void {
            $table->index(['kind_id', 'bare']);
        });
        DB::statement('UPDATE kinds SET of_board = 1 WHERE of_board = 0 AND EXISTS (SELECT 1 FROM machines WHERE machines.kind_id = kinds.id AND bare = 1)
            AND NOT EXISTS (SELECT 1 FROM machines WHERE machines.kind_id = kinds.id AND bare = 0)');
        DB::statement('UPDATE boards INNER JOIN machines ON machines.id = boards.machine_id INNER JOIN kinds ON kinds.id = machines.kind_id
            SET boards.kind_id = machines.kind_id WHERE kinds.of_board = 1 AND boards.kind_id IS NULL');
        // One that was fitted somewhere since is of the kind that it came as.
        DB::statement('UPDATE boards INNER JOIN board_moves ON board_moves.board_id = boards.id
                AND board_moves.at = (SELECT MIN(first.at) FROM board_moves AS first WHERE first.board_id = boards.id)
            INNER JOIN machines ON machines.id = board_moves.from_id INNER JOIN kinds ON kinds.id = machines.kind_id
            SET boards.kind_id = machines.kind_id WHERE kinds.of_board = 1 AND boards.kind_id IS NULL');
    }

    public function down(): void
    {
        throw new RuntimeException('kinds of boards are not put together again: restore the backup that bin/start made before this upgrade');
    }
};
