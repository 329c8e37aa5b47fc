<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::create('shows', function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->boolean('is_current')->default(false);
            $table->timestamps();
        });
        Schema::create('show_parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('show_id')->constrained()->cascadeOnDelete();
            $table->string('kind');
            $table->string('key');
            $table->unsignedInteger('position');
            $table->json('definition');
            $table->timestamps();
            $table->unique(['show_id', 'kind', 'key']);
        });
        Schema::create('edits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('show_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('summary');
            $table->json('before');
            $table->boolean('undone')->default(false);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('edits');
        Schema::dropIfExists('show_parts');
        Schema::dropIfExists('shows');
    }
};
