<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('shows', function (Blueprint $table): void {
            $table->unsignedBigInteger('revision')->default(0);
        });
        Schema::table('edits', function (Blueprint $table): void {
            // The revision that the edit made; 0 for those from before there were any.
            $table->unsignedBigInteger('revision')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('shows', function (Blueprint $table): void {
            $table->dropColumn('revision');
        });
        Schema::table('edits', function (Blueprint $table): void {
            $table->dropColumn('revision');
        });
    }
};
