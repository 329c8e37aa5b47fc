<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use App\Shows\ShowStore;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\App\AppTestCase;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\StateFolder;
use Symfony\Component\Process\Process;

/** Many who save at once, forms that have become old, a full disk: nothing is lost, and nothing is overwritten unseen. */
final class StoreTest extends AppTestCase
{
    public function testSixtyEditsAtOnceAreSixtyEdits(): void
    {
        $folder = new StateFolder();
        try {
            $folder->database();
            $code = 'require "vendor/autoload.php"; $app = require "bootstrap/app.php"; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();'
                .'for ($i = 0; $i < 10; ++$i) { $id = "u{$argv[1]}-{$i}"; app(App\Shows\ShowStore::class)->change("add {$id}", null, static fn(array $d): array => [...$d, "universes" => [...$d["universes"], ["id" => $id, "name" => $id]]]); }';
            $writers = array_map(
                static fn(int $who): Background => new Background(
                    [PHP_BINARY, '-r', $code, (string) $who],
                    $folder->environment(),
                ),
                range(1, 6),
            );
            Background::until(
                static fn(): bool => array_filter($writers, static fn(Background $one): bool => $one->isRunning()) === [],
                'All having written',
                120,
            );
            self::assertSame('', implode('', array_map(static fn(Background $one): string => $one->output(), $writers)));
            $database = new \PDO("sqlite:{$folder->path}/shows.sqlite");
            self::assertSame(
                60,
                (int) $database->query(
                    "select count(*) from show_parts where kind = 'universes' and key like 'u%-%'",
                )->fetchColumn(),
                'none of them is lost',
            );
            self::assertSame(
                60,
                (int) $database->query('select count(distinct revision) from edits where revision > 1')->fetchColumn(),
                'each has a revision of its own',
            );
        } finally {
            $folder->delete();
        }
    }

    public function testAnOlderFormIsRefusedWithTheDifference(): void
    {
        $this->as(Role::Builder);
        $base = $this->getJson('/api/show')->json('revision');
        $port = $this->port('house-desk');
        $this->save('house-desk', [...$port, 'name' => 'Theirs'], $base)->assertOk();
        $before = app(ShowStore::class)->json();
        $refused = $this->save('house-desk', [...$port, 'name' => 'Mine'], $base)->assertConflict();
        self::assertSame([['field' => 'name', 'was' => '"House desk"', 'is' => '"Theirs"']], $refused->json('differences'));
        self::assertStringContainsString(
            '"House desk" has been changed meanwhile, by builder (change port "Theirs"): name was "House desk" and is "Theirs". Nothing was stored.',
            $refused->json('message'),
        );
        self::assertSame($before, app(ShowStore::class)->json());
        $this->deleteJson('/api/show/ports/house-desk', [], ['X-Base-Revision' => (string) $base])->assertConflict();
        $now = $this->getJson('/api/show')->json('revision');
        $this->save('house-desk', [...$port, 'name' => 'Mine'], $now)->assertOk();
        self::assertSame('Mine', $this->port('house-desk')['name']);
    }

    public function testWhatSomebodyElseChangedElsewhereStandsInNobodysWay(): void
    {
        $this->as(Role::Builder);
        $base = $this->getJson('/api/show')->json('revision');
        $this->save('guest-desk', [...$this->port('guest-desk'), 'name' => 'Another'], $base)->assertOk();
        $this->save('house-desk', [...$this->port('house-desk'), 'name' => 'Mine'], $base)->assertOk();
        $this->patchJson('/api/show', ['name' => 'Renamed'], ['X-Base-Revision' => (string) $base])->assertOk();
        $this->patchJson(
            '/api/show',
            ['name' => 'Renamed again'],
            ['X-Base-Revision' => (string) $base],
        )->assertConflict()->assertJsonPath('differences.0.field', 'name');
        $this->deleteJson('/api/show/ports/canopy-levels', [], ['X-Base-Revision' => 'yesterday'])->assertStatus(422);
    }

    public function testAFormOfSomethingThatIsGoneSaysSo(): void
    {
        $this->as(Role::Builder);
        $base = $this->getJson('/api/show')->json('revision');
        $port = $this->port('balcony-node');
        $this->deleteJson('/api/show/ports/balcony-node')->assertOk();
        $message = $this->save('balcony-node', $port, $base)->assertConflict()->json('message');
        self::assertStringContainsString(
            'has been deleted meanwhile, by builder. Nothing was stored. Undo brings it back.',
            $message,
        );
    }

    public function testUndoSaysWhoseEditItTakesBackAndTakesNoOther(): void
    {
        $this->as(Role::Builder);
        $seen = $this->patchJson('/api/show', ['name' => 'Mine'])->assertOk();
        self::assertSame(['rename the show to "Mine"', 'builder'], [$seen->json('undo'), $seen->json('undoBy')]);
        app(ShowStore::class)->change(
            'change something',
            null,
            static fn(array $document): array => [...$document, 'name' => 'Theirs'],
        );
        $refused = $this->postJson(
            '/api/show/undo',
            [],
            ['X-Base-Revision' => (string) $seen->json('revision')],
        )->assertConflict();
        self::assertSame(
            'The last edit is another one now: change something, by the command line. Nothing was undone. Press undo again to take that one back.',
            $refused->json('message'),
        );
        $undone = $this->postJson('/api/show/undo')->assertOk();
        self::assertSame(['change something', 'the command line'], [$undone->json('undone'), $undone->json('undoneBy')]);
        self::assertSame('Mine', app(ShowStore::class)->current()->name);
    }

    public function testAFullDiskIsSaidAndChangesNothing(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        \Illuminate\Support\Facades\DB::statement(
            'pragma max_page_count = '.\Illuminate\Support\Facades\DB::selectOne('pragma page_count')->page_count,
        );
        $name = str_repeat('N', 100);
        $failed = null;
        for ($i = 0; $i < 40 && $failed === null; ++$i) {
            $answer = $this->postJson('/api/show/universes', ['name' => "{$name} {$i}"]);
            $failed = $answer->status() === 200 ? null : $answer;
            $before = $failed === null ? app(ShowStore::class)->json() : $before;
        }
        self::assertNotNull($failed, 'there was room for all');
        self::assertSame(507, $failed->status(), (string) $failed->getContent());
        self::assertStringContainsString('Nothing was stored: the disk with the data folder is full', $failed->json('message'));
        self::assertSame($before, app(ShowStore::class)->json());
    }

    /** Sessions and logs are on that disk too: whoever is logged in stays so, is told, and sees the show. */
    public function testAWholeMachineWithAFullDiskStillAnswers(): void
    {
        $folder = new StateFolder();
        mkdir("{$folder->path}/disk");
        $port = Background::freePort();
        $script = 'mount -t tmpfs -o size=12m tmpfs "$1/disk" && mkdir -p "$1/disk/framework/sessions" "$1/disk/framework/views" "$1/disk/framework/cache/data" "$1/disk/logs" && touch "$1/disk/shows.sqlite"'
            .' && php artisan migrate --force --quiet && php artisan db:seed --force --quiet && echo ready && cd public && exec php -S "127.0.0.1:$2" ../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php';
        $environment = [
            ...$folder->environment(),
            'JUNCTION_DATA' => "{$folder->path}/disk",
            'LARAVEL_STORAGE_PATH' => "{$folder->path}/disk",
            'SESSION_DRIVER' => 'file',
            'CACHE_STORE' => 'file',
            'LOG_CHANNEL' => 'stack',
            'APP_URL' => "http://127.0.0.1:{$port}",
        ];
        $web = new Background(['unshare', '-m', 'bash', '-c', $script, 'bash', $folder->path, (string) $port], $environment);
        try {
            $web->untilSaid('ready');
            Background::until(static fn(): bool => @fsockopen('127.0.0.1', $port) !== false, 'The web server listening');
            $this->ask($port, $folder, 'GET', '/api/session');
            $login = $this->ask($port, $folder, 'POST', '/api/session', ['name' => 'builder', 'password' => 'night-walk']);
            self::assertSame(
                200,
                $login[0],
                json_encode($login, JSON_THROW_ON_ERROR).@file_get_contents("/proc/{$web->pid()}/root{$folder->path}/disk/logs/laravel.log")
                    .$web->output(),
            );
            self::assertSame(200, $this->ask($port, $folder, 'PATCH', '/api/show', ['name' => 'Before'])[0]);
            // To the last byte, through the eyes of the one process that sees this disk.
            $there = ['nsenter', '-t', (string) $web->pid(), '-m', 'sh', '-c'];
            (new Process([...$there, "head -c 16000000 /dev/zero > {$folder->path}/disk/filler"]))->run();
            // The journal of the database has room of its own for a while.
            for ($i = 0, $status = 200; $i < 300 && $status === 200; ++$i) {
                [$status, $answer] = $this->ask($port, $folder, 'POST', '/api/show/universes', ['name' => str_repeat('N', 100)]);
            }
            self::assertSame(507, $status, json_encode($answer, JSON_THROW_ON_ERROR));
            self::assertStringContainsString('Make room there, then try again. The show goes on.', $answer['message']);
            // SQLite needs a little room even to read; then that is said, and nobody is thrown out.
            self::assertContains($this->ask($port, $folder, 'GET', '/api/show')[0], [200, 507]);
            (new Process([...$there, "rm {$folder->path}/disk/filler"]))->mustRun();
            self::assertSame(
                200,
                $this->ask($port, $folder, 'PATCH', '/api/show', ['name' => 'After'])[0],
                'still logged in, and all is well',
            );
        } finally {
            $web->stop();
            $folder->delete();
        }
    }

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array{int, array<string, mixed>}
     */
    private function ask(int $port, StateFolder $folder, string $method, string $path, ?array $body = null): array
    {
        $jar = "{$folder->path}/cookies";
        $token = preg_match('/XSRF-TOKEN\s+(\S+)/', (string) @file_get_contents($jar), $found) === 1 ? urldecode($found[1]) : '';
        $request = curl_init("http://127.0.0.1:{$port}{$path}");
        curl_setopt_array(
            $request,
            [CURLOPT_RETURNTRANSFER => true, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_COOKIEJAR => $jar, CURLOPT_COOKIEFILE => $jar, CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json', "X-XSRF-TOKEN: {$token}"], CURLOPT_POSTFIELDS => $body === null ? null : json_encode($body, JSON_THROW_ON_ERROR), CURLOPT_TIMEOUT => 60],
        );
        $answer = (string) curl_exec($request);
        $status = (int) curl_getinfo($request, CURLINFO_RESPONSE_CODE);
        curl_close($request);

        return [$status, (array) json_decode($answer, true)];
    }

    public function testAnEngineWhoseDiskIsFullGoesOnAndSaysSo(): void
    {
        $folder = new StateFolder();
        $document = json_encode(\NimbleJunction\Tests\Support\EngineProcess::document('127.78.44'), JSON_THROW_ON_ERROR);
        file_put_contents("{$folder->path}/show.json", $document);
        // A disk of its own, that is full but for a little, and seen by this engine alone.
        $script = 'mount -t tmpfs -o size=128k tmpfs "$1/disk" && head -c 120000 /dev/zero > "$1/disk/filler"; exec bin/engine-php artisan junction:engine --show="$1/show.json" --state="$1/disk" --for=100';
        mkdir("{$folder->path}/disk");
        $engine = new Background(
            ['unshare', '-m', 'bash', '-c', $script, 'bash', $folder->path],
            ['JUNCTION_DATA' => '/nonexistent'],
        );
        $line = new \NimbleJunction\Tests\Support\Udp('127.78.44.2', 5120);
        $desk = new \NimbleJunction\Tests\Support\Udp('127.78.44.11', 6454);
        try {
            $engine->untilSaid('The engine runs');
            $desk->send((new \NimbleJunction\Core\Wire\ArtNet\Dmx(1, random_bytes(512)))->encode(), '127.78.44.1:6454');
            $engine->untilSaid('cannot be kept for a restart');
            $desk->send((new \NimbleJunction\Core\Wire\ArtNet\Dmx(1, str_repeat("\7", 512)))->encode(), '127.78.44.1:6454');
            $line->until(static fn(string $bytes): bool => $bytes[1] === "\7");
            self::assertTrue($engine->isRunning());
        } finally {
            $engine->stop();
            $line->close();
            $desk->close();
            $folder->delete();
        }
    }

    /** @param array<string, mixed> $port */
    private function save(string $id, array $port, int $base): \Illuminate\Testing\TestResponse
    {
        return $this->putJson("/api/show/ports/{$id}", array_diff_key($port, ['id' => 0]), ['X-Base-Revision' => (string) $base]);
    }

    /** @return array<string, mixed> */
    private function port(string $id): array
    {
        return array_column(app(ShowStore::class)->document()['ports'], null, 'id')[$id];
    }
}
