<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Version 2 of the show document calls copies what version 1 called ranges. Edits keep the documents of their time: those are upgraded on reading. */
return new class () extends Migration {
    public function up(): void
    {
        DB::table('show_parts')->where('kind', 'ranges')->update(['kind' => 'copies']);
    }

    public function down(): void
    {
        DB::table('show_parts')->where('kind', 'copies')->update(['kind' => 'ranges']);
    }
};
