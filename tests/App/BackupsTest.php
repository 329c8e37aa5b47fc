<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Backups\BackupFile;
use App\Backups\Backups;
use App\Backups\Machine;
use App\Models\Edit;
use App\Models\Show;
use App\Models\SurfaceCode;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use NimbleJunction\Engine\LiveLink\Role;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\Process\Process;

/** One file with everything: made while others write, put back while everything runs, with people or without. */
final class BackupsTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        mkdir("{$this->data}/tapes");
        file_put_contents("{$this->data}/identity", str_repeat('ab', 16));
        file_put_contents("{$this->data}/tapes/night.pcapng", 'a tape');
        file_put_contents("{$this->data}/tapes/night.json", '{}');
    }

    public function testWhatWasThereIsThereAgain(): void
    {
        $this->as(Role::Builder);
        $this->patchJson('/api/show', ['name' => 'This evening'])->assertOk();
        $before = $this->getJson('/api/show')->json('document');
        $edits = Edit::query()->count();
        $file = $this->backup();
        $this->patchJson('/api/show', ['name' => 'Another evening'])->assertOk();
        $this->deleteJson('/api/show/ports/house-desk')->assertOk();
        User::query()->where('name', 'viewer')->delete();
        User::query()->create(['name' => 'Late', 'role' => Role::Builder, 'password' => 'fern-and-moss']);
        file_put_contents("{$this->data}/identity", str_repeat('cd', 16));
        unlink("{$this->data}/tapes/night.pcapng");
        $revision = (int) Show::query()->max('revision');

        $said = $this->does('junction:restore', ['file' => $file, '--yes' => true]);
        self::assertStringContainsString('and so are the people who may log in', $said);
        self::assertStringContainsString('never run both at once', $said);
        self::assertStringContainsString('The engine is not running', $said);
        $show = Show::query()->where('is_current', true)->firstOrFail();
        self::assertSame([$revision + 1, $revision + 1], [$show->revision, $show->opened], 'for pages it is another show that was opened');
        self::assertSame($edits, Edit::query()->count(), 'with its history');
        self::assertSame(['builder', 'operator', 'viewer'], User::query()->orderBy('name')->pluck('name')->all());
        self::assertGreaterThan(1, User::query()->where('name', 'builder')->firstOrFail()->logins, 'everybody logs in again');
        self::assertSame(
            [str_repeat('ab', 16), 'a tape'],
            [trim((string) file_get_contents("{$this->data}/identity")), (string) file_get_contents("{$this->data}/tapes/night.pcapng")],
        );
        self::assertSame('builder', Edit::query()->whereNotNull('user_id')->firstOrFail()->author());
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        self::assertEquals($before, $this->as(Role::Builder)->getJson('/api/show')->json('document'));
        self::assertCount(1, glob("{$this->data}/backups/*-before-restore.sqlite") ?: [], 'what was there is kept');
        self::assertSame([], glob("{$this->data}/brought-*") ?: []);
    }

    public function testPeopleStayOutWhereThatIsWished(): void
    {
        $show = Show::query()->where('is_current', true)->firstOrFail();
        SurfaceCode::query()->forceCreate(['show_id' => $show->id, 'surface' => 'rope', 'hash' => 'of a code']);
        $file = $this->backup(['--without-users' => true, '--without-tapes' => true]);
        $bytes = (string) file_get_contents($file);
        BackupFile::takeDatabase($file, "{$this->data}/looked-at.sqlite");
        $hash = (string) User::query()->where('name', 'builder')->value('password');
        self::assertStringNotContainsString(
            $hash,
            (string) file_get_contents("{$this->data}/looked-at.sqlite"),
            'also not in what was deleted',
        );
        self::assertStringNotContainsString('of a code', (string) file_get_contents("{$this->data}/looked-at.sqlite"));
        self::assertStringNotContainsString('night.pcapng', $bytes);
        $logins = User::query()->pluck('logins', 'name')->all();
        self::assertStringContainsString(
            'people and their passwords stay as they are here',
            $this->does('junction:restore', ['file' => $file, '--yes' => true]),
        );
        self::assertSame($logins, User::query()->pluck('logins', 'name')->all());
        self::assertNotSame(0, SurfaceCode::query()->where('surface', 'rope')->count(), 'codes of here stay too');
    }

    /** An upgrade makes its backup before the database has the new form. */
    public function testADatabaseOfAnOlderFormIsBackedUpAndPutBackInTheNewOne(): void
    {
        $db = new \PDO("sqlite:{$this->data}/shows.sqlite", null, null, [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
        $db->exec(
            "DROP TABLE login_tries; DROP TABLE surface_codes; ALTER TABLE users DROP COLUMN logins; DELETE FROM migrations WHERE migration LIKE '2026_11_28%' OR migration LIKE '2026_11_29%'",
        );
        foreach ([[], ['--without-users' => true]] as $options) {
            $file = $this->backup($options);
        }
        Artisan::call('migrate', ['--force' => true]);
        $names = User::query()->pluck('name')->all();
        $this->does('junction:restore', ['file' => $this->backup(), '--yes' => true]);
        $this->does('junction:restore', ['file' => $file ?? '', '--yes' => true]);
        self::assertSame($names, User::query()->pluck('name')->all());
    }

    /** A plain copy of the file misses what lies in its log; another program writes all the time. */
    public function testItIsOfOneMomentWhileOthersWrite(): void
    {
        $writer = new Process([PHP_BINARY, '-r', <<<'PHP'
            $p = new PDO('sqlite:'.$argv[1], null, null, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
            $p->exec('PRAGMA journal_mode = WAL; PRAGMA busy_timeout = 30000; PRAGMA wal_autocheckpoint = 0; CREATE TABLE IF NOT EXISTS pairs (n INTEGER)');
            for ($i = 1, $end = microtime(true) + 30; microtime(true) < $end; ++$i) {
                $p->exec("BEGIN IMMEDIATE; INSERT INTO pairs VALUES ({$i}); INSERT INTO pairs VALUES (-{$i}); COMMIT");
                if ($i === 50) { echo "begun\n"; }
            }
            PHP, "{$this->data}/shows.sqlite"]);
        $writer->start();
        try {
            $writer->waitUntil(static fn(string $type, string $words): bool => str_contains($words, 'begun'));
            for ($i = 0; $i < 5; ++$i) {
                BackupFile::make("{$this->data}/one.zip", Machine::here(), new \App\Backups\Wanted());
                BackupFile::takeDatabase("{$this->data}/one.zip", "{$this->data}/one.sqlite");
                $copy = new \PDO("sqlite:{$this->data}/one.sqlite");
                self::assertSame('ok', $copy->query('PRAGMA integrity_check')->fetchColumn());
                [$sum, $count] = $copy->query('SELECT SUM(n), COUNT(*) FROM pairs')->fetch(\PDO::FETCH_NUM);
                self::assertSame(0, (int) $sum, 'both of a pair, or none');
                self::assertGreaterThanOrEqual(100, (int) $count, 'the last edits too');
            }
        } finally {
            $writer->stop(5);
        }
    }

    public function testWhatIsNoBackupChangesNothing(): void
    {
        $file = $this->backup();
        $count = Edit::query()->count();
        file_put_contents("{$this->data}/wrong.zip", 'PK but no zip');
        $zip = new \ZipArchive();
        $zip->open("{$this->data}/other.zip", \ZipArchive::CREATE);
        $zip->addFromString('backup.json', '{"kind": "something else"}');
        $zip->close();
        copy($file, "{$this->data}/newer.zip");
        BackupFile::takeDatabase($file, "{$this->data}/newer.sqlite");
        (new \PDO("sqlite:{$this->data}/newer.sqlite"))->exec(
            "INSERT INTO migrations (migration, batch) VALUES ('2099_01_01_000001_of_tomorrow', 9)",
        );
        $zip->open("{$this->data}/newer.zip");
        $zip->addFile("{$this->data}/newer.sqlite", 'shows.sqlite');
        $zip->close();
        copy($file, "{$this->data}/torn.zip");
        $zip->open("{$this->data}/torn.zip");
        $zip->addFromString('shows.sqlite', str_repeat('torn', 5000));
        $zip->close();
        copy($file, "{$this->data}/unsound.zip");
        BackupFile::takeDatabase($file, "{$this->data}/unsound.sqlite");
        (new \PDO("sqlite:{$this->data}/unsound.sqlite"))->exec(
            "UPDATE show_parts SET definition = '{\"name\": 7}' WHERE kind = 'universes'",
        );
        $zip->open("{$this->data}/unsound.zip");
        $zip->addFile("{$this->data}/unsound.sqlite", 'shows.sqlite');
        $zip->close();
        foreach ([
            'unsound' => 'The show that is open in it cannot run',
            'wrong' => 'is no backup that can be read',
            'other' => 'is no backup of this program',
            'none' => 'is no backup that can be read',
            'newer' => 'newer than this one: upgrade this machine first',
            'torn' => 'the backup is damaged',
        ] as $name => $words) {
            self::assertSame(
                1,
                Artisan::call('junction:restore', ['file' => "{$this->data}/{$name}.zip", '--yes' => true], $said = new BufferedOutput()),
                $name,
            );
            self::assertStringContainsString($words, $said->fetch());
        }
        self::assertSame([$count, 3], [Edit::query()->count(), User::query()->count()]);
        self::assertSame(1, Artisan::call('junction:backup', ['file' => '/proc/none/there.zip']));
        self::assertSame(2, Artisan::call('junction:backup', ['--keep' => 'all']));
    }

    public function testOldOnesGoAndTheNewestStays(): void
    {
        $backups = new Backups(Machine::here());
        foreach ([40, 20, 16, 3] as $days) {
            $name = "{$this->data}/kept/".gmdate('Y-m-d-His', time() - $days * 86_400).'.zip';
            @mkdir("{$this->data}/kept");
            touch($name, time() - $days * 86_400);
        }
        touch("{$this->data}/kept/mine.zip", 1000);
        self::assertSame(2, $backups->prune(17));
        self::assertCount(2, $backups->all());
        self::assertSame(1, $backups->prune(1));
        self::assertCount(1, $backups->all(), 'the newest stays, however old');
        self::assertSame(0, $backups->prune(1));
        self::assertFileExists("{$this->data}/kept/mine.zip", 'what is not ours is left alone');
        $this->does('junction:backup', ['--keep' => '14']);
        self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->data}/kept/".$backups->all()[0]['name'])), -4));
    }

    public function testABuilderMakesTakesAlongAndPutsBackOnThePage(): void
    {
        foreach ([Role::Viewer, Role::Operator] as $role) {
            $this->as($role)->getJson('/api/backups')->assertForbidden();
            $this->postJson('/api/backups/brought', [])->assertForbidden();
        }
        $this->as(Role::Builder);
        $name = $this->postJson('/api/backups')->assertOk()->json('backups.0.name');
        $fresh = $this->get('/api/backups/fresh?users=0&tapes=0')->assertOk();
        $bytes = (string) file_get_contents($fresh->baseResponse->getFile()->getPathname());
        self::assertSame('PK', substr($bytes, 0, 2));
        self::assertSame("PK\x03\x04", substr((string) $this->get("/api/backups/{$name}")->assertOk()->streamedContent(), 0, 4));
        foreach (['/api/backups/..%2Fshows.sqlite', '/api/backups/shows.sqlite', '/api/backups/2026-01-01-000000.zip'] as $other) {
            $this->get($other)->assertNotFound();
        }
        $this->patchJson('/api/show', ['name' => 'Another evening'])->assertOk();
        $done = $this->postJson("/api/backups/{$name}/restore", ['users' => false])->assertOk()->json('done');
        self::assertStringContainsString('people and their passwords stay', implode(' ', $done));
        self::assertNotSame('Another evening', Show::query()->where('is_current', true)->firstOrFail()->name);
        $this->patchJson('/api/show', ['name' => 'Another evening'])->assertOk();
        $this->call('POST', '/api/backups/brought', server: ['HTTP_ACCEPT' => 'application/json'], content: $bytes)->assertOk();
        self::assertNotSame('Another evening', Show::query()->where('is_current', true)->firstOrFail()->name);
        self::assertStringContainsString(
            'is no backup',
            (string) $this->call('POST', '/api/backups/brought', server: ['HTTP_ACCEPT' => 'application/json'], content: 'x')
                ->assertStatus(422)
                ->json('message'),
        );
        self::assertSame([], glob("{$this->data}/brought-*") ?: []);
    }

    public function testFactoryReset(): void
    {
        self::assertStringContainsString('Nobody may log in', $this->does('junction:factory-reset', ['--yes' => true]));
        self::assertSame([0, 1], [User::query()->count(), Show::query()->count()]);
        self::assertSame('New show', Show::query()->firstOrFail()->name);
        self::assertFileDoesNotExist("{$this->data}/tapes/night.pcapng");
        $kept = (new Backups(Machine::here()))->all();
        self::assertCount(1, $kept);
        $this->does('junction:restore', ['file' => "{$this->data}/kept/{$kept[0]['name']}", '--yes' => true]);
        self::assertSame(3, User::query()->count());
        self::assertFileExists("{$this->data}/tapes/night.pcapng");
    }

    /** @param array<string, mixed> $options */
    private function backup(array $options = []): string
    {
        $this->does('junction:backup', ['file' => "{$this->data}/one.zip", ...$options]);

        return "{$this->data}/one.zip";
    }

    /** @param array<string, mixed> $options */
    private function does(string $command, array $options): string
    {
        $said = new BufferedOutput();
        self::assertSame(0, Artisan::call($command, $options, $said));

        return $said->fetch();
    }
}
