<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Lines that the reader was taught, of one tester or one machine.
        Schema::create('line_patterns', static function (Blueprint $table): void {
            $table->char('id', 26)->primary();
            $table->foreignUlid('machine_id')->nullable()->constrained();
            $table->foreignUlid('port_id')->nullable()->constrained('serial_ports');
            $table->text('pattern');
            $table->string('example', 400);
            $table->string('author', 120);
            $table->timestamp('created_at', 3);
            $table->boolean('active')->default(true);
            $table->index(['machine_id', 'active']);
            $table->index(['port_id', 'active']);
        });
    }

    public function down(): void
    {
        Schema::drop('line_patterns');
    }
};
