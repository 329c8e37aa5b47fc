<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\User;
use App\Shows\ShowStore;
use Illuminate\Support\Facades\Artisan;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Rehearsal\Stage;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\StateFile;
use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;

/** What the commands say when something does not fit: what it was, what is allowed, and the way out. */
final class CommandsTest extends AppTestCase
{
    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function mistakes(): iterable
    {
        yield 'engine: no file' => [
            'junction:engine',
            ['--show' => '/nowhere.json'],
            'There is no file /nowhere.json: give the path of a show document.',
        ];
        yield 'engine: no time' => ['junction:engine', ['--for' => 'ever'], '--for is "ever": give a number of seconds above 0.'];
        yield 'engine: no folder' => [
            'junction:engine',
            ['--show' => __FILE__, '--state' => '/nowhere'],
            'There is no folder /nowhere',
        ];
        yield 'import: no file' => ['junction:import', ['file' => '/nowhere.json'], 'There is no file /nowhere.json'];
        yield 'import: no show' => ['junction:import', ['file' => __FILE__], 'Nothing has changed. The document is wrong here:'];
        yield 'user: no such role' => [
            'junction:user',
            ['name' => 'anna', '--role' => 'king'],
            'There is no role "king": use builder, operator or viewer.',
        ];
        yield 'user: short password' => [
            'junction:user',
            ['name' => 'anna', '--password' => 'short'],
            'use at least 8 characters',
        ];
        yield 'demo: port too low' => ['junction:demo', ['--port' => '80'], '--port is 80: use 1024 to 65533'];
    }

    /** @param array<string, string> $options */
    #[DataProvider('mistakes')]
    public function testMistakesAreExplained(string $command, array $options, string $words): void
    {
        $this->artisan($command, $options)->expectsOutputToContain($words)->assertFailed();
    }

    public function testAPersonIsAddedAndTheirRoleChanged(): void
    {
        $this->artisan(
            'junction:user',
            ['name' => 'anna', '--role' => 'operator', '--password' => 'night-walk-2'],
        )->expectsOutputToContain('anna may log in as operator.')->assertSuccessful();
        $this->postJson(
            '/api/session',
            ['name' => 'anna', 'password' => 'night-walk-2'],
        )->assertOk()->assertJsonPath('user.role', 'operator');
        $this->artisan(
            'junction:user',
            ['name' => 'anna', '--role' => 'viewer', '--password' => 'night-walk-3'],
        )->assertSuccessful();
        self::assertSame(
            [1, Role::Viewer],
            [User::query()->where('name', 'anna')->count(), User::query()->where('name', 'anna')->first()?->role],
        );
        $this->postJson('/api/session', ['name' => 'anna', 'password' => 'night-walk-2'])->assertStatus(422);
    }

    public function testAShowGoesOutAndInAgainByCommand(): void
    {
        $file = "{$this->data}/out.json";
        $this->artisan('junction:export', ['file' => $file])
            ->expectsOutputToContain('"Fernhall Glasshouse, Night Walk" is in')
            ->assertSuccessful();
        $document = json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR);
        file_put_contents($file, json_encode([...$document, 'name' => 'Dress rehearsal', 'routes' => []], JSON_THROW_ON_ERROR));
        $this->artisan('junction:import', ['file' => $file])
            ->expectsOutputToContain('"Dress rehearsal" is the current show.')
            ->expectsOutputToContain('The engine is not running')
            ->assertSuccessful();
        $shows = app(ShowStore::class);
        self::assertSame(['Dress rehearsal', []], [$shows->current()->name, $shows->document()['routes']]);
        self::assertSame('import "Dress rehearsal"', $shows->undo()?->summary);
        self::assertSame($document['routes'], $shows->document()['routes']);
        $this->artisan(
            'junction:export',
            ['file' => '/nowhere/out.json'],
        )->expectsOutputToContain('/nowhere/out.json cannot be written')->assertFailed();
    }

    public function testAShowIsRehearsedWithoutDevices(): void
    {
        $folder = Background::root().'/tests/Golden/to-change';
        $rehearse = static fn(array $options): Process => new Process(
            [PHP_BINARY, 'artisan', 'junction:rehearse', ...$options],
            Background::root(),
            null,
            null,
            120,
        );
        $process = $rehearse([
            "--show={$folder}/show.json",
            "--input={$folder}/in.jsonl",
            "--input={$folder}/in.jsonl",
            '--points=slot:palm/5',
            '--until=2',
        ]);
        $process->mustRun();
        $lines = array_map(
            static fn(string $line): array => json_decode($line, true, flags: JSON_THROW_ON_ERROR),
            explode("\n", trim($process->getOutput())),
        );
        $half = intdiv(\count($lines), 2);
        self::assertSame(
            \array_slice($lines, 0, $half),
            \array_slice($lines, $half),
            'two inputs are played one after another, each from the beginning',
        );
        self::assertSame([255, 229, 255], array_slice(array_values(array_filter(array_column($lines, 'value'))), 0, 3));
        foreach ([
            [["--show={$folder}/nowhere.json"], 'There is no file'],
            [["--show={$folder}/in.jsonl", "--input={$folder}/in.jsonl"], 'it is not JSON'],
            [["--show={$folder}/show.json", "--input={$folder}/show.json"], '/1: it is no JSON object'],
            [["--show={$folder}/show.json", "--input={$folder}/in.jsonl", '--points=look:doors'], '"look:doors" is not known'],
            [["--show={$folder}/show.json", "--input={$folder}/in.jsonl", '--until=soon'], '--until is "soon"'],
        ] as [$options, $words]) {
            $refused = $rehearse($options);
            self::assertSame(1, $refused->run());
            self::assertStringContainsString($words, $refused->getErrorOutput());
            self::assertSame('', $refused->getOutput());
        }
    }

    public function testARehearsalBeginsWithWhatAnEngineHasWrittenDown(): void
    {
        $file = Background::root().'/tests/Golden/to-change/show.json';
        $begin = Stage::nanos(0.0);
        $before = new Stage(
            new Compiler(new Identity('engine-before---')),
            ShowReader::fromJson((string) file_get_contents($file)),
        );
        $before->junction->hold('palm', [new Hold(6, 99, 'anna', $begin + 1_000_000_000)], $begin);
        (new StateFile("{$this->data}/engine-state"))->write($before->junction->rooms()->state($begin));
        $script = "{$this->data}/in.jsonl";
        file_put_contents($script, '');
        $options = [
            '--show' => $file,
            '--input' => [$script],
            '--state' => "{$this->data}/engine-state",
            '--until' => '3',
            '--points' => 'slot:palm/7',
        ];
        self::assertSame(0, Artisan::call('junction:rehearse', $options));
        preg_match_all('/"at":([\d.]+),"point":"slot:palm\/7","value":(\d+)/', Artisan::output(), $found);
        self::assertSame(['99', '0'], $found[2], 'it is held, and a second later no longer');
        self::assertSame('1', $found[1][1]);

        file_put_contents("{$this->data}/engine-state", '{}', FILE_APPEND);
        $refused = new Process(
            [PHP_BINARY, 'artisan', 'junction:rehearse', "--show={$file}", "--input={$script}", "--state={$this->data}/engine-state"],
            Background::root(),
            null,
            null,
            120,
        );
        self::assertSame(1, $refused->run());
        self::assertStringContainsString("is no whole file of an engine's state", $refused->getErrorOutput());
        self::assertFileExists("{$this->data}/engine-state", 'and is left alone');
    }

    public function testADocumentWithAnUnknownFieldOrReferenceIsToldWhere(): void
    {
        $file = "{$this->data}/wrong.json";
        $document = app(ShowStore::class)->document();
        $document['ports'][0]['receive']['feeds'][0]['universe'] = 'rose-garden';
        $document['ports'][1]['speed'] = 9;
        file_put_contents($file, json_encode($document, JSON_THROW_ON_ERROR));
        self::assertSame(1, Artisan::call('junction:import', ['file' => $file]));
        self::assertStringContainsString('/ports/1/speed: this field is not known here.', Artisan::output());
        self::assertSame(1, Artisan::call('junction:import', ['file' => $file]));
        self::assertStringContainsString(
            '/ports/0/receive/feeds/0/universe: there is no universe "rose-garden". Universes are: palm-house, fern-gallery, canopy, lily-pond, pond-wall-1, pond-wall-2.',
            Artisan::output(),
        );
        self::assertNull(app(ShowStore::class)->lastEdit(), 'nothing has changed');
    }
}
