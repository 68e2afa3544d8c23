<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* Which jobs tried which board in a set of swaps: a card that works in one machine and fails in another is one card. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('swap_boards') || Schema::create('swap_boards', static function (Blueprint $table): void {
            $table->ulid('board_id');
            $table->ulid('job_id');
            $table->primary(['board_id', 'job_id']);
            $table->foreign('board_id')->references('id')->on('boards');
            $table->foreign('job_id')->references('id')->on('jobs');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('swap_boards');
    }
};
