<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Show\SwappedSlots;

/**
 * Version 2 of the show document calls copies what version 1 called ranges, and speaks of the slots of the output where
 * slots change places. Edits keep the documents of their time: those are upgraded on reading.
 */
return new class () extends Migration {
    public function up(): void
    {
        DB::table('show_parts')->where('kind', 'ranges')->update(['kind' => 'copies']);
        foreach (DB::table('shows')->pluck('id') as $show) {
            $this->upgrade((int) $show);
        }
    }

    public function down(): void
    {
        DB::table('show_parts')->where('kind', 'copies')->update(['kind' => 'ranges']);
    }

    private function upgrade(int $show): void
    {
        $document = [];
        foreach (DB::table('show_parts')->where('show_id', $show)->orderBy('position')->get() as $part) {
            $document[$part->kind][] = json_decode($part->definition, true, flags: JSON_THROW_ON_ERROR);
        }
        foreach (SwappedSlots::upgraded($document) as $list => $parts) {
            if ($parts === $document[$list]) {
                continue;
            }
            foreach ($parts as $position => $part) {
                DB::table('show_parts')->updateOrInsert(
                    ['show_id' => $show, 'kind' => $list, 'key' => $part['id']],
                    [
                        'position' => $position,
                        'definition' => json_encode($part, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
                        'updated_at' => now(),
                    ],
                );
            }
        }
    }
};
