<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* The causes of symptoms that closed jobs found: one row a job, counted by symptom. Older jobs name none. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('found_causes') || Schema::create('found_causes', static function (Blueprint $table): void {
            $table->ulid('job_id')->primary();
            $table->foreign('job_id')->references('id')->on('jobs');
            $table->ulid('kind_id')->nullable();
            $table->string('symptom', 80);
            $table->string('cause', 80);
            $table->boolean('proven')->default(false);
            $table->index(['symptom', 'proven', 'kind_id', 'cause']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('found_causes');
    }
};
