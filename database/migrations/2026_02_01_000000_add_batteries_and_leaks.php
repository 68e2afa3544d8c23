<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('open_items', static function (Blueprint $table): void {
            // When a clock test or a re-check of a cell has its time; null for what has none.
            $table->dateTime('due', 3)->nullable();
            $table->index(['open', 'due']);
        });
        Schema::table('people', static function (Blueprint $table): void {
            // SHA-256 of the secret in the address of a person's calendar; null while there is none.
            $table->char('calendar_hash', 64)->charset('ascii')->nullable()->unique();
        });
        Schema::create('photos', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignUlid('job_id')->constrained();
            $table->string('author', 120);
            $table->unsignedSmallInteger('width');
            $table->unsignedSmallInteger('height');
            $table->unsignedInteger('bytes');
            $table->char('sha256', 64)->charset('ascii');
            $table->dateTime('taken_in_at', 3);
            $table->index(['job_id', 'taken_in_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('photos');
        Schema::table('people', static fn (Blueprint $table) => $table->dropColumn('calendar_hash'));
        Schema::table('open_items', static function (Blueprint $table): void {
            $table->dropIndex(['open', 'due']);
            $table->dropColumn('due');
        });
    }
};
