<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/* Disks that were copied, drives that damage disks, sources that proved wrong about a setting. All follow from the record. */
return new class extends Migration {
    private const TABLES = ['disk_copies', 'damaging_drives', 'wrong_sources'];

    public function up(): void
    {
        $table = static function (string $name, Closure $columns): void {
            Schema::hasTable($name) || Schema::create($name, static function (Blueprint $table) use ($columns): void {
                $table->char('id', 26)->charset('ascii')->collation('ascii_bin')->primary();
                $table->foreign('id')->references('id')->on('entries');
                $table->ulid('job_id');
                $columns($table);
            });
        };
        $table('disk_copies', static function (Blueprint $table): void {
            $table->dateTime('at', 3);
            $table->unsignedInteger('bad');
            $table->boolean('aside');
            $table->boolean('cleaned');
            $table->index(['job_id', 'at', 'id']);
        });
        $table('damaging_drives', static function (Blueprint $table): void {
            $table->string('drive', 120)->index();
            $table->boolean('ours');
        });
        $table('wrong_sources', static function (Blueprint $table): void {
            $table->string('setting', 130)->index();
            $table->string('words', 500);
        });
    }

    public function down(): void
    {
        foreach (self::TABLES as $name) {
            Schema::dropIfExists($name);
        }
    }
};
