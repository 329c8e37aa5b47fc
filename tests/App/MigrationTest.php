<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\ShowStore;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use NimbleJunction\Core\Show\ShowReader;

/** A database from before the show document's version 2 becomes one of now, and nothing stored is lost. */
final class MigrationTest extends AppTestCase
{
    public function testAStoredShowOfVersion1IsUpgradedOnce(): void
    {
        Artisan::call('migrate:rollback', ['--step' => 4, '--force' => true]);
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
}
