<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\ShowStore;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Edit\Contents;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;

/** A database from before the show document's version 2 becomes one of now, and nothing stored is lost. */
final class MigrationTest extends AppTestCase
{
    public function testAStoredShowOfVersion1IsUpgradedOnce(): void
    {
        Artisan::call('migrate:rollback', ['--step' => 6, '--force' => true]);
        $show = app(ShowStore::class)->current();
        DB::table('show_parts')->where('show_id', $show->id)->delete();
        $parts = [
            'universes' => [
                [
                    'id' => 'palm',
                    'name' => 'Palm House',
                    'swaps' => [['first' => 3, 'with' => 21]],
                    'shapes' => [['first' => 2, 'last' => 4, 'inverted' => true]],
                ],
            ],
            'ports' => [['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['port' => 8000]]],
            'routes' => [
                [
                    'id' => 'lamp',
                    'name' => 'Lamp',
                    'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/lamp'],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 3],
                ],
            ],
            'ranges' => [
                [
                    'id' => 'row',
                    'name' => 'Row',
                    'from' => ['universe' => 'palm', 'first' => 1, 'count' => 2],
                    'to' => ['universe' => 'palm', 'first' => 2],
                    'repeat' => 1,
                ],
            ],
        ];
        foreach ($parts as $kind => $list) {
            foreach ($list as $position => $definition) {
                $show->parts()->create(
                    ['kind' => $kind, 'key' => $definition['id'], 'position' => $position, 'definition' => $definition],
                );
            }
        }
        Artisan::call('migrate', ['--force' => true]);
        $document = app(ShowStore::class)->document();
        self::assertSame(21, $document['routes'][0]['to']['slot'], 'what it set came out at 21');
        self::assertSame(
            [[2, 2], [4, 4], [21, 21]],
            array_map(static fn(array $shape): array => [$shape['first'], $shape['last']], $document['universes'][0]['shapes']),
        );
        self::assertSame(
            [['row', 1, 2], ['row-part-2', 2, 21]],
            array_map(
                static fn(array $copy): array => [$copy['id'], $copy['from']['first'], $copy['to']['first']],
                $document['copies'],
            ),
        );
        self::assertCount(1, ShowReader::fromArray([...$document, 'copies' => []])->routes);
        self::assertSame('Tablet', $document['ports'][0]['name']);
    }

    /** Edits that kept the whole document from before them: what could be undone and done again can be so after. */
    public function testEditsOfBeforeCanStillBeUndoneAndDoneAgain(): void
    {
        Artisan::call('migrate:rollback', ['--step' => 4, '--force' => true]);
        $show = DB::table('shows')->where('is_current', true)->first();
        $document = $this->documentOf($show);
        $renamed = [...$document, 'name' => 'Day Walk'];
        $without = [
            ...$renamed,
            'ports' => array_values(array_filter($renamed['ports'], static fn(array $port): bool => $port['id'] !== 'lily-laser')),
        ];
        // Renamed, a port deleted, and that undone: so it stands now.
        DB::table('shows')->where('id', $show->id)->update(['name' => 'Day Walk', 'revision' => 4]);
        $user = DB::table('users')->where('role', 'builder')->value('id');
        $edit = static fn(
            string $summary,
            array $before,
            int $revision,
            bool $undone,
            ?int $tookBack = null,
        ): int => DB::table('edits')->insertGetId([
            'show_id' => $show->id, 'user_id' => $user, 'summary' => $summary, 'before' => json_encode($before, JSON_THROW_ON_ERROR),
            'revision' => $revision, 'undone' => $undone, 'took_back' => $tookBack, 'created_at' => now(), 'updated_at' => now(),
        ]);
        $edit('rename the show to "Day Walk"', $document, 2, false);
        $deleted = $edit('delete port "lily-laser"', $renamed, 3, true);
        $edit('undo: delete port "lily-laser"', $without, 4, true, $deleted);
        Artisan::call('migrate', ['--force' => true]);
        $store = app(ShowStore::class);
        $builder = \App\Models\User::query()->findOrFail($user);
        $plain = static fn(array $one): array => Contents::ofDocument($one)->document();
        self::assertSame($plain($renamed), $store->document());
        self::assertSame(
            ['rename the show to "Day Walk"', 'delete port "lily-laser"'],
            [$store->lastEdit($builder)?->summary, $store->lastUndone($builder)?->summary],
        );
        $store->redo($builder);
        self::assertSame($plain($without), $store->document());
        $store->undo($builder);
        $store->undo($builder);
        self::assertSame($plain($document), $store->document(), 'and the port stands where it stood');
        self::assertNull($store->undo($builder));
        $store->goBack(3, $builder);
        self::assertSame($plain($without), $store->document());
    }

    /** @return array<string, mixed> */
    private function documentOf(object $show): array
    {
        $document = ['format' => 'nimble-junction/show', 'version' => 2, 'name' => $show->name, 'middleC' => (int) $show->middle_c];
        foreach (array_keys(Show::LISTS) as $list) {
            $rows = DB::table('show_parts')
                ->where('show_id', $show->id)
                ->where('kind', $list)
                ->orderBy('position')
                ->pluck('definition')
                ->all();
            $document[$list] = array_map(static fn(string $row): array => json_decode($row, true, flags: JSON_THROW_ON_ERROR), $rows);
        }

        return $document;
    }
}
