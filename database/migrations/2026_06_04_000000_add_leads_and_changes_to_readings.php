<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('readings', static function (Blueprint $table): void {
            // Resistance is measured through leads; a reading after a repair leaves the earlier ones of its rail out.
            $table->double('lead_ohm')->default(0);
            $table->boolean('changed')->default(false);
        });
    }

    public function down(): void
    {
        Schema::dropColumns('readings', ['lead_ohm', 'changed']);
    }
};
