<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class () extends Migration {
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            // Counted on where everybody who is logged in under this name has to log in again.
            $table->unsignedInteger('logins')->default(1);
        });
        Schema::create('login_tries', function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->unsignedBigInteger('since');
            $table->unsignedInteger('count');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('login_tries');
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn('logins');
        });
    }
};
