<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // The last word on each capacitor of a board, and what the shop has seen of its kind and age. Follows from the record.
        Schema::create('capacitor_tests', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('board_id')->constrained();
            $table->foreignUlid('job_id')->constrained();
            $table->char('entry_id', 26)->charset('ascii')->collation('ascii_bin');
            $table->string('cap_key', 160);
            $table->string('kind', 20);
            $table->unsignedSmallInteger('year')->nullable();
            $table->double('marked_f');
            $table->double('rated_v');
            $table->string('verdict', 8);
            $table->boolean('proven');
            $table->boolean('replaced')->default(false);
            $table->boolean('current')->default(true);
            $table->dateTime('at', 3);
            $table->index(['board_id', 'current', 'cap_key']);
            $table->index(['kind', 'year', 'proven']);
            $table->index(['job_id', 'current']);
            $table->index(['entry_id']);
        });
        Schema::create('shelf_items', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('sku', 60)->unique();
            $table->string('name', 160);
            $table->string('kind', 20)->nullable();
            $table->double('marked_f')->nullable();
            $table->double('rated_v')->nullable();
            // What else a capacitor is chosen by: size, pitch, hours, temperature, ESR, class.
            $table->text('spec');
            $table->unsignedInteger('quantity')->default(0);
            $table->unsignedInteger('low_at')->nullable();
            $table->string('place', 120);
            $table->string('source', 120)->nullable();
            $table->foreignUlid('donor_board_id')->nullable()->constrained('boards');
            $table->boolean('tested')->default(false);
            $table->date('came_on');
            $table->timestamps();
            $table->index(['kind', 'marked_f', 'rated_v', 'quantity']);
            $table->index(['donor_board_id']);
            $table->index(['name']);
        });
        // Every change of a quantity: the quantity is their sum.
        Schema::create('shelf_moves', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignUlid('item_id')->constrained('shelf_items');
            $table->integer('change');
            $table->string('why', 12);
            $table->string('note', 200)->nullable();
            $table->foreignUlid('job_id')->nullable()->constrained();
            $table->char('entry_id', 26)->charset('ascii')->collation('ascii_bin')->nullable();
            $table->string('author', 120);
            $table->dateTime('at', 3);
            $table->index(['item_id', 'at']);
            $table->index(['entry_id']);
        });
        Schema::create('shelf_reservations', static function (Blueprint $table): void {
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
            $table->foreignUlid('item_id')->constrained('shelf_items');
            $table->foreignUlid('job_id')->constrained();
            $table->unsignedInteger('quantity');
            $table->string('author', 120);
            $table->dateTime('at', 3);
            $table->index(['item_id']);
            $table->index(['job_id']);
        });
        Schema::table('open_items', static function (Blueprint $table): void {
            $table->string('ready', 200)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('open_items', static fn (Blueprint $table) => $table->dropColumn('ready'));
        foreach (['shelf_reservations', 'shelf_moves', 'shelf_items', 'capacitor_tests'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
