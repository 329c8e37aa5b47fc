<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('shows', function (Blueprint $table): void {
            $table->timestamp('archived_at')->nullable();
            $table->timestamp('deleted_at')->nullable();
            // The revision that it was opened with: a form from before that is one of another show.
            $table->unsignedBigInteger('opened')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('shows', function (Blueprint $table): void {
            $table->dropColumn(['archived_at', 'deleted_at', 'opened']);
        });
    }
};
