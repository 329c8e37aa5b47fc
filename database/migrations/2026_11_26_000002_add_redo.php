<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('edits', function (Blueprint $table): void {
            // The edit that this one took back, as long as it can be done again.
            $table->unsignedBigInteger('took_back')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('edits', function (Blueprint $table): void {
            $table->dropColumn('took_back');
        });
    }
};
