<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* What a lead made of a symptom of the library, each time he did: the last one counts; what shipped is revision 0. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('library_revisions') || Schema::create('library_revisions', static function (Blueprint $table): void {
            $table->string('symptom', 80);
            $table->unsignedInteger('revision');
            $table->string('name', 120);
            $table->longText('document');
            $table->string('author', 120);
            $table->string('why', 400);
            $table->dateTime('created_at', 3);
            $table->primary(['symptom', 'revision']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('library_revisions');
    }
};
