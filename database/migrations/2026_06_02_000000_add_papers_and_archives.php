<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('queued', static function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('papers', static function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignUlid('job_id')->constrained();
            // Of everything that is on it: a report of which nothing has changed is made once.
            $table->char('record', 32);
            $table->string('state', 10);
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('total');
            $table->timestamp('created_at', 3);
            $table->timestamp('updated_at', 3)->nullable();
            $table->unique(['job_id', 'record']);
            $table->index('created_at');
        });
        foreach (['photos', 'memory_sources'] as $table) {
            Schema::table($table, static fn (Blueprint $table) => $table->boolean('imported')->default(false));
        }
    }

    public function down(): void
    {
        foreach (['photos', 'memory_sources'] as $table) {
            Schema::table($table, static fn (Blueprint $table) => $table->dropColumn('imported'));
        }
        Schema::drop('papers');
        Schema::drop('queued');
    }
};
