<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* What runs by itself, where, and whether it wants somebody; steps of treatments with what is in their vessel. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasColumn('open_items', 'occupies') || Schema::table('open_items', static function (Blueprint $table): void {
            $table->string('occupies', 120)->nullable();
            $table->boolean('hands')->default(false);
        });
        Schema::hasTable('treatment_steps') || Schema::create('treatment_steps', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreign('id')->references('id')->on('entries');
            $table->ulid('job_id');
            $table->string('vessel', 120)->nullable()->index();
            $table->string('part', 120);
            $table->string('author', 120);
            $table->json('substances');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('treatment_steps');
        Schema::table('open_items', static function (Blueprint $table): void {
            $table->dropColumn(['occupies', 'hands']);
        });
    }
};
