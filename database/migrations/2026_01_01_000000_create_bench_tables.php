<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        $this->signIn();
        $this->machines();
        $this->jobs();
        $this->record();
        $this->projections();
        $this->instruments();
        $this->appendOnly();
    }

    private function signIn(): void
    {
        Schema::create('people', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 120);
            $table->string('email', 190)->unique();
            $table->string('password');
            $table->string('role', 20);
            $table->boolean('active')->default(true);
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('sessions', static function (Blueprint $table): void {
            $table->string('id')->primary();
            $table->ulid('user_id')->nullable()->index();
            $table->string('ip_address', 45)->nullable();
            $table->text('user_agent')->nullable();
            $table->longText('payload');
            $table->integer('last_activity')->index();
        });
        Schema::create('cache', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->mediumText('value');
            $table->integer('expiration')->index();
        });
        Schema::create('cache_locks', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->string('owner');
            $table->integer('expiration');
        });
    }

    private function machines(): void
    {
        Schema::create('machines', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('slug', 60)->unique();
            $table->string('name', 120);
            $table->string('kind', 120);
            $table->longText('profile');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps();
        });
        // Every profile there ever was: a reading is judged by the one of its day, and an edit loses nothing.
        Schema::create('machine_profiles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('machine_id')->constrained();
            $table->unsignedInteger('revision');
            $table->longText('profile');
            $table->string('author', 120);
            $table->timestamp('created_at');
            $table->unique(['machine_id', 'revision']);
        });
        Schema::create('boards', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('machine_id')->constrained();
            $table->string('slot', 40);
            $table->string('name', 120);
            $table->string('serial', 60)->nullable();
            $table->timestamps();
            $table->unique(['machine_id', 'slot']);
        });
    }

    private function jobs(): void
    {
        Schema::create('jobs', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            // For people to say aloud; filled by an auto-increment key so that two intakes never share one.
            $table->unsignedInteger('number');
            $table->foreignUlid('machine_id')->constrained();
            $table->foreignUlid('board_id')->constrained();
            $table->string('title', 160);
            $table->string('owner', 160);
            $table->string('state', 12);
            $table->string('stage', 20);
            $table->string('outcome', 24)->nullable();
            $table->boolean('handed_back')->default(false);
            $table->unsignedInteger('minutes')->default(0);
            $table->unsignedInteger('allowance_minutes')->default(480);
            $table->dateTime('opened_at', 3);
            $table->dateTime('closed_at', 3)->nullable();
            $table->dateTime('last_entry_at', 3);
            // The head of the job as the rules last read it from the record; rewritten with every entry.
            $table->longText('sheet');
            $table->timestamps();
            $table->index(['state', 'last_entry_at', 'id']);
            $table->index(['machine_id', 'opened_at']);
            $table->index(['board_id', 'opened_at']);
        });
        DB::statement('ALTER TABLE jobs MODIFY number INT UNSIGNED NOT NULL AUTO_INCREMENT, ADD UNIQUE KEY jobs_number_unique (number)');
    }

    private function record(): void
    {
        Schema::create('entries', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->char('job_id', 26);
            $table->char('board_id', 26)->nullable();
            $table->string('kind', 12);
            $table->string('stage', 20);
            $table->dateTime('at', 3);
            $table->char('person_id', 26)->nullable();
            // The name is kept with the entry: it must still be readable when it is imported elsewhere.
            $table->string('author', 120);
            $table->unsignedSmallInteger('minutes')->default(0);
            $table->text('text');
            $table->text('data');
            $table->char('corrects_id', 26)->charset('ascii')->collation('ascii_bin')->nullable()->unique();
            $table->char('fingerprint', 64)->charset('ascii');
            $table->dateTime('received_at', 3);
            $table->foreign('job_id')->references('id')->on('jobs');
            $table->foreign('board_id')->references('id')->on('boards');
            $table->index(['job_id', 'at', 'id']);
            $table->index(['board_id', 'at', 'id']);
            $table->index(['job_id', 'kind', 'at']);
        });
    }

    private function projections(): void
    {
        Schema::create('runs', static function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignUlid('job_id')->constrained();
            $table->foreignUlid('board_id')->constrained();
            $table->string('room', 16);
            $table->char('repeats_id', 26)->nullable();
            $table->dateTime('started_at', 3);
            $table->string('author', 120);
            $table->index(['job_id', 'started_at']);
        });
        Schema::create('readings', static function (Blueprint $table): void {
            $table->char('entry_id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->char('run_id', 26);
            $table->char('board_id', 26);
            $table->string('rail', 40);
            $table->string('test_point', 120);
            $table->string('point', 8)->nullable();
            $table->string('load', 8);
            $table->double('volts')->nullable();
            $table->double('ripple_mvpp')->nullable();
            $table->double('amps')->nullable();
            $table->double('ohms_to_ground')->nullable();
            $table->double('reading_pct');
            $table->double('counts');
            $table->double('resolution_v');
            $table->double('limit_low');
            $table->double('limit_high');
            $table->string('verdict', 10)->nullable();
            $table->boolean('superseded')->default(false);
            $table->dateTime('at', 3);
            $table->foreign('run_id')->references('id')->on('runs');
            $table->index(['run_id', 'at', 'entry_id']);
            $table->index(['board_id', 'rail', 'test_point', 'at']);
        });
        Schema::create('open_items', static function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignUlid('job_id')->constrained();
            $table->foreignUlid('board_id')->nullable()->constrained();
            $table->string('kind', 8);
            $table->string('text', 400);
            $table->string('asked', 120)->nullable();
            $table->dateTime('since', 3);
            $table->boolean('open')->default(true);
            $table->char('ended_by', 26)->nullable();
            $table->index(['open', 'kind', 'since']);
            $table->index(['job_id', 'open']);
            $table->index(['board_id', 'open', 'kind']);
        });
        Schema::create('report_links', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('job_id')->constrained();
            $table->string('author', 120);
            $table->timestamp('expires_at')->nullable();
            $table->timestamp('revoked_at')->nullable();
            $table->timestamp('created_at')->nullable();
            $table->index(['job_id', 'created_at']);
        });
    }

    private function instruments(): void
    {
        Schema::create('meters', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 120)->unique();
            $table->string('host', 45);
            $table->unsignedSmallInteger('port');
            $table->double('reading_pct');
            $table->double('counts');
            $table->double('resolution_v');
            $table->boolean('standin')->default(false);
            $table->boolean('active')->default(true);
            $table->timestamps();
        });
    }

    /** The record is append-only, and the database itself holds to it. */
    private function appendOnly(): void
    {
        foreach (['entries', 'machine_profiles'] as $table) {
            foreach (['UPDATE', 'DELETE'] as $event) {
                $name = $table.'_no_'.strtolower($event);
                DB::unprepared(
                    "CREATE TRIGGER {$name} BEFORE {$event} ON {$table} FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = '{$table} is append-only'",
                );
            }
        }
    }

    public function down(): void
    {
        foreach ([
            'meters',
            'report_links',
            'open_items',
            'readings',
            'runs',
            'entries',
            'jobs',
            'boards',
            'machine_profiles',
            'machines',
            'cache_locks',
            'cache',
            'sessions',
            'people',
        ] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
