<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use Illuminate\Support\Facades\Artisan;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\ShowMode;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\LiveLink;

/** While a show runs everything but the live page and surfaces is locked with a code, for builders too. */
final class ShowModeTest extends AppTestCase
{
    public function testLockedNothingThatIsStoredIsChanged(): void
    {
        $this->as(Role::Viewer)->postJson('/api/show-mode', ['code' => '2604'])->assertForbidden();
        $this->as(Role::Operator);
        foreach (['26', 'abcd', '1234567890123'] as $code) {
            $this->postJson('/api/show-mode', ['code' => $code])->assertStatus(422);
        }
        $this->postJson('/api/show-mode', ['code' => '2604'])->assertOk()->assertJsonPath('showMode', 'operator');
        $kept = (string) file_get_contents("{$this->data}/".ShowMode::FILE);
        self::assertStringNotContainsString('2604', $kept);
        self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->data}/".ShowMode::FILE)), -4));
        self::assertSame('operator', ShowMode::kept($this->data)->by, 'also after a restart');
        $this->postJson('/api/show-mode', ['code' => '9999'])->assertStatus(422);

        $this->as(Role::Builder);
        $before = $this->getJson('/api/show')->assertOk()->json('document');
        foreach ([
            ['PATCH', '/api/show', ['name' => 'x']],
            ['DELETE', '/api/show/ports/house-desk', []],
            ['POST', '/api/show/undo', []],
            ['POST', '/api/show/import', []],
            ['POST', '/api/users', []],
            ['POST', '/api/backups', []],
            ['POST', '/api/backups/brought', []],
            ['POST', '/api/shows', []],
            ['POST', '/api/show/ports/batch', []],
        ] as [$method, $path, $body]) {
            $answer = $this->json($method, $path, $body)->assertStatus(423);
            self::assertStringContainsString('Show mode, by operator', (string) $answer->json('message'), $path);
        }
        $this->postJson('/api/live-token')->assertOk();
        self::assertSame($before, $this->getJson('/api/show')->json('document'));
        $this->deleteJson('/api/show-mode', ['code' => '1111'])->assertStatus(422);
        $this->as(Role::Viewer)->deleteJson('/api/show-mode', ['code' => '2604'])->assertForbidden();
        $this->as(Role::Builder)->deleteJson('/api/show-mode', ['code' => '2604'])->assertOk()->assertJsonPath('showMode', '');
        $this->patchJson('/api/show', ['name' => 'Unlocked'])->assertOk();
        $words = array_column($this->getJson('/api/events?kind=people')->json('events'), 'words');
        self::assertSame(
            ['Show mode is over, by builder.', 'Show mode: everything but the live page and surfaces is locked, by operator.'],
            $words,
        );
    }

    public function testCodesCannotBeTriedOneAfterTheOther(): void
    {
        $this->as(Role::Operator)->postJson('/api/show-mode', ['code' => '2604'])->assertOk();
        $statuses = array_map(
            fn(int $i): int => $this->deleteJson('/api/show-mode', ['code' => (string) (1000 + $i)])->status(),
            range(1, 15),
        );
        self::assertSame(429, end($statuses));
        self::assertSame(0, Artisan::call('junction:show-mode', ['turn' => 'off']));
        self::assertSame('', ShowMode::kept($this->data)->by, 'whoever sits at the machine needs no code');
        self::assertSame(2, Artisan::call('junction:show-mode', ['turn' => 'on']));
    }

    public function testTheEngineRunsTheShowAndNothingElse(): void
    {
        $live = Background::freePort();
        $engine = new Background(
            ['bin/engine-php', 'artisan', 'junction:engine', "--live=127.0.0.1:{$live}", '--for=120'],
            ['JUNCTION_DATA' => $this->data, 'APP_KEY' => (string) config('app.key')],
        );
        try {
            $engine->untilSaid('The engine runs');
            $commands = [
                ['do' => 'hold', 'universe' => 'palm-house', 'slot' => 1, 'level' => 5],
                ['do' => 'check', 'port' => 'house-desk'],
                ['do' => 'set', 'point' => 'look:moss', 'value' => 100],
                ['do' => 'press', 'point' => 'programme:release'],
                ['do' => 'release'],
                ['do' => 'subscribe', 'topics' => ['status']],
            ];
            $ask = static fn(): array => (new LiveLink($live, Role::Builder, $commands, 0.5))->heard();
            self::assertSame(array_fill(0, 6, true), array_column($ask()['answer'], 'ok'));
            $this->as(Role::Operator)->postJson('/api/show-mode', ['code' => '2604'])->assertOk();
            $heard = $ask();
            self::assertSame([false, false, true, true, true, true], array_column($heard['answer'], 'ok'));
            self::assertStringContainsString('Show mode, by operator', $heard['answer'][0]['error']);
            self::assertSame('operator', $heard['status'][0]['engine']['showMode']);
            $this->deleteJson('/api/show-mode', ['code' => '2604'])->assertOk();
            self::assertTrue($ask()['answer'][0]['ok']);
        } finally {
            $engine->stop();
        }
    }
}
