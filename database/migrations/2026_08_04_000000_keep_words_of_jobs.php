<?php

declare(strict_types=1);

use App\Logbook\JobWords;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/* Which job holds which word. It is read out of the record in steps that can be resumed; each search reads what has come in since. */
return new class extends Migration {
    public function up(): void
    {
        Schema::hasTable('job_words') || Schema::create('job_words', static function (Blueprint $table): void {
            $table->string('word', 40)->collation('utf8mb4_bin');
            $table->unsignedInteger('number');
            $table->primary(['word', 'number']);
        });
        Schema::hasTable('words_read') || Schema::create('words_read', static function (Blueprint $table): void {
            $table->dateTime('upto', 3);
            $table->char('id', 26)->charset('ascii')->collation('ascii_bin');
        });
        Schema::hasIndex('entries', ['received_at', 'id']) || Schema::table('entries', static fn (Blueprint $table) => $table->index(['received_at', 'id']));
        DB::table('words_read')->exists() || DB::table('words_read')->insert(['upto' => '1970-01-01', 'id' => '']);
        while (!JobWords::read()) {
        }
    }

    public function down(): void
    {
        Schema::table('entries', static fn (Blueprint $table) => $table->dropIndex(['received_at', 'id']));
        Schema::dropIfExists('words_read');
        Schema::dropIfExists('job_words');
    }
};
