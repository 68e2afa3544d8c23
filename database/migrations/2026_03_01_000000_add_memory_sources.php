<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // A memory run keeps its errors by bank and bit: more than 64 kB for a wide machine.
        DB::statement('ALTER TABLE entries MODIFY data MEDIUMTEXT NOT NULL');
        Schema::create('serial_ports', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('name', 120)->unique();
            $table->string('host', 45);
            $table->unsignedSmallInteger('port');
            $table->boolean('standin')->default(false);
            $table->boolean('active')->default(true);
            $table->timestamps();
        });
        // What a memory test gave, before anyone keeps it: pasted, from a file, or coming in over a serial port.
        Schema::create('memory_sources', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignUlid('job_id')->constrained();
            $table->string('kind', 8);
            $table->string('state', 8);
            $table->string('why', 300)->nullable();
            // The map as it was then: a run is located by the map of its day.
            $table->longText('memory');
            $table->unsignedTinyInteger('radix');
            $table->string('pattern', 8);
            $table->text('tested')->nullable();
            $table->foreignUlid('port_id')->nullable()->constrained('serial_ports');
            $table->longText('result')->nullable();
            $table->string('author', 120);
            $table->dateTime('started_at', 3);
            $table->dateTime('updated_at', 3);
            $table->dateTime('heard_at', 3)->nullable();
            $table->index(['state']);
            $table->index(['job_id', 'started_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('memory_sources');
        Schema::dropIfExists('serial_ports');
        DB::statement('ALTER TABLE entries MODIFY data TEXT NOT NULL');
    }
};
