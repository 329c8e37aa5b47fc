<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Contents;
use NimbleJunction\Core\Edit\FieldOrder;
use NimbleJunction\Core\Edit\Places;
use NimbleJunction\Core\Show\Upgrades;

/**
 * An edit keeps what it changed and no longer the whole document from before it. Parts get places with room between them,
 * and stand with their fields in one order. What can be undone before can be undone after.
 */
return new class () extends Migration {
    public function up(): void
    {
        Schema::table('edits', function (Blueprint $table): void {
            $table->longText('amendment')->default('{}');
            $table->string('kind')->default('edit');
            // The revision that it was made on.
            $table->unsignedBigInteger('base')->default(0);
            // The edit that an undo took back, or a redo did again.
            $table->unsignedBigInteger('of_edit')->nullable();
            // A point of the history that somebody gave a name.
            $table->string('point')->nullable();
            // How many edits were joined in this one, to save room.
            $table->unsignedInteger('joined')->default(1);
            // How long its amendment is.
            $table->unsignedBigInteger('bytes')->default(0);
            $table->index(['show_id', 'revision']);
        });
        DB::table('show_parts')->update(['position' => DB::raw('(position + 1) * '.Places::ROOM)]);
        foreach (DB::table('show_parts')->pluck('id') as $id) {
            $this->order((int) $id);
        }
        foreach (DB::table('shows')->pluck('id') as $show) {
            $this->amend((int) $show);
        }
        Schema::table('edits', function (Blueprint $table): void {
            $table->dropColumn(['before', 'took_back']);
        });
    }

    public function down(): void
    {
        Schema::table('edits', function (Blueprint $table): void {
            $table->json('before')->default('{}');
            $table->unsignedBigInteger('took_back')->nullable();
            $table->dropIndex(['show_id', 'revision']);
            $table->dropColumn(['amendment', 'kind', 'base', 'of_edit', 'point', 'joined', 'bytes']);
        });
        // Without the documents from before them there is nothing that could be undone.
        DB::table('edits')->delete();
    }

    private function order(int $id): void
    {
        $definition = json_decode((string) DB::table('show_parts')->where('id', $id)->value('definition'), true);
        if (is_array($definition)) {
            DB::table('show_parts')->where('id', $id)->update(['definition' => $this->json(FieldOrder::of($definition))]);
        }
    }

    /** From the newest edit to the oldest: each one's document from before it against the one that came of it. */
    private function amend(int $show): void
    {
        $after = $this->contents($show);
        $ids = DB::table('edits')->where('show_id', $show)->orderByDesc('id')->pluck('id');
        foreach ($ids as $place => $id) {
            $edit = DB::table('edits')->find($id);
            $document = json_decode((string) $edit->before, true);
            $before = is_array($document) ? Contents::ofDocument(Upgrades::toNewest($document), $after) : $after;
            $amendment = $this->json(Amendment::between($before, $after)->toArray());
            DB::table('edits')->where('id', $id)->update([
                'amendment' => $amendment,
                'bytes' => strlen($amendment),
                'base' => isset($ids[$place + 1]) ? DB::table('edits')->where('id', $ids[$place + 1])->value('revision') : 0,
                ...$this->kind($edit),
            ]);
            $after = $before;
        }
    }

    /** @return array<string, mixed> */
    private function kind(object $edit): array
    {
        foreach (['undo', 'redo'] as $kind) {
            if (str_starts_with($edit->summary, "{$kind}: ") && $edit->undone) {
                return ['kind' => $kind, 'of_edit' => $edit->took_back, 'undone' => $edit->took_back === null];
            }
        }

        return ['kind' => 'edit'];
    }

    private function contents(int $show): Contents
    {
        $lists = [];
        foreach (DB::table('show_parts')->where('show_id', $show)->orderBy('position')->get() as $part) {
            $definition = json_decode($part->definition, true);
            $lists[$part->kind][$part->key] = new \NimbleJunction\Core\Edit\Entry(
                (int) $part->position,
                is_array($definition) ? $definition : [],
            );
        }
        $row = DB::table('shows')->find($show);

        return new Contents(['name' => $row->name, 'middleC' => (int) $row->middle_c], $lists);
    }

    private function json(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
};
