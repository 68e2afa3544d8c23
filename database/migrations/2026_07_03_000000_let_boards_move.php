<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/*
 * A board that is in no machine has a bare place of its own: a row among the machines that no list of machines shows. Each step looks at
 * what is there already, so that a migration that was cut off goes on where it stopped.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasColumn('machines', 'bare') || Schema::table('machines', static function (Blueprint $table): void {
            $table->boolean('bare')->default(false);
            $table->index(['bare', 'name', 'id']);
            $table->index('serial');
        });
        Schema::hasTable('board_moves') || Schema::create('board_moves', static function (Blueprint $table): void {
            $table->ulid('entry_id')->primary();
            $table->foreignUlid('board_id')->constrained();
            $table->foreignUlid('from_id')->constrained('machines');
            $table->string('from_place', 40);
            $table->foreignUlid('to_id')->constrained('machines');
            $table->string('to_place', 40);
            $table->boolean('lent')->default(false);
            $table->timestamp('at', 3);
            $table->string('author', 120);
            $table->boolean('undone')->default(false);
            $table->index(['board_id', 'at']);
            $table->index(['from_id', 'at']);
            $table->index(['to_id', 'at']);
        });
        Schema::hasIndex('boards', ['name', 'id']) || Schema::table('boards', static function (Blueprint $table): void {
            $table->index(['name', 'id']);
            $table->index('serial');
        });
    }

    public function down(): void
    {
        throw new RuntimeException('a board that moved cannot be put back by a migration: restore the backup that bin/start made before this upgrade');
    }
};
