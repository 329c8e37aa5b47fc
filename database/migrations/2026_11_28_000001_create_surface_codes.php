<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        // Beside the show document, and never in it: a file that is handed on opens nothing.
        Schema::create('surface_codes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('show_id')->constrained()->cascadeOnDelete();
            $table->string('surface', 60);
            $table->string('hash');
            $table->timestamps();
            $table->unique(['show_id', 'surface']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('surface_codes');
    }
};
