<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('meters', static function (Blueprint $table): void {
            // SCPI has no instruction for a capacitor's losses: each maker has its own, so a lead writes down what the meter's manual says.
            $table->string('esr_query', 60)->nullable();
            $table->string('tan_delta_query', 60)->nullable();
            $table->double('loss_hz')->nullable();
        });
        DB::table('meters')->where('standin', true)->update(['esr_query' => 'MEAS:CAP:ESR?', 'tan_delta_query' => 'MEAS:CAP:LOSS?', 'loss_hz' => 120]);
    }

    public function down(): void
    {
        Schema::table('meters', static fn (Blueprint $table) => $table->dropColumn(['esr_query', 'tan_delta_query', 'loss_hz']));
    }
};
