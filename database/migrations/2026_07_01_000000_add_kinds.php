<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/*
 * A machine is one specimen; what all of one make share is their kind's. Each step looks at what is there already, so that a migration
 * that was cut off goes on where it stopped. The kind of a machine of before takes the machine's identifier; machines keep theirs.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('kinds') || Schema::create('kinds', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('slug', 60)->unique();
            $table->string('name', 120);
            $table->string('words', 120);
            $table->longText('profile');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps();
            $table->index('name');
        });
        // Every description there ever was, with the job that taught it.
        Schema::hasTable('kind_profiles') || Schema::create('kind_profiles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('kind_id')->constrained();
            $table->unsignedInteger('revision');
            $table->longText('profile');
            $table->string('author', 120);
            $table->foreignUlid('job_id')->nullable();
            $table->timestamp('created_at');
            $table->unique(['kind_id', 'revision']);
        });
        Schema::hasColumn('machines', 'kind_id') || Schema::table('machines', static function (Blueprint $table): void {
            $table->foreignUlid('kind_id')->nullable()->constrained();
            $table->string('serial', 60)->nullable();
            $table->string('owner', 160)->nullable();
            $table->index('name');
        });
        if (Schema::hasTable('machine_profiles')) {
            DB::statement('INSERT IGNORE INTO kinds (id, slug, name, words, profile, revision, created_at, updated_at)
                SELECT id, slug, name, kind, profile, revision, created_at, updated_at FROM machines');
            DB::statement('INSERT IGNORE INTO kind_profiles (kind_id, revision, profile, author, created_at)
                SELECT machine_id, revision, profile, author, created_at FROM machine_profiles ORDER BY id');
            DB::statement('UPDATE machines SET kind_id = id WHERE kind_id IS NULL');
            Schema::drop('machine_profiles');
        }
        foreach (['UPDATE', 'DELETE'] as $event) {
            $name = 'kind_profiles_no_'.strtolower($event);
            DB::unprepared("DROP TRIGGER IF EXISTS {$name}");
            DB::unprepared(
                "CREATE TRIGGER {$name} BEFORE {$event} ON kind_profiles FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = "
                    ."'kind_profiles is append-only'",
            );
        }
        Schema::hasColumn('machines', 'profile') && Schema::dropColumns('machines', ['kind', 'profile', 'revision']);
    }

    public function down(): void
    {
        throw new RuntimeException('kinds are not taken apart again: restore the backup that bin/start made before this upgrade');
    }
};
