<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* Sheets, listings and ROM dumps hang on a kind; what turned out to be the same stands under one name, and loses no record. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('kind_sheets') || Schema::create('kind_sheets', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('kind_id')->constrained();
            $table->string('what', 12);
            $table->string('name', 160);
            $table->string('note', 300)->nullable();
            $table->unsignedBigInteger('bytes');
            $table->char('crc32', 8);
            $table->char('sha256', 64);
            $table->string('author', 120);
            $table->timestamp('created_at', 3);
            $table->index(['kind_id', 'created_at']);
            $table->index('sha256');
        });
        foreach (['kinds', 'machines', 'boards'] as $of) {
            Schema::hasColumn($of, 'merged_into') || Schema::table($of, static function (Blueprint $table): void {
                $table->ulid('merged_into')->nullable()->index();
            });
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('kind_sheets');
        foreach (['kinds', 'machines', 'boards'] as $of) {
            Schema::dropColumns($of, ['merged_into']);
        }
    }
};
