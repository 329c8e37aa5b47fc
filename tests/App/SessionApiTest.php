<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Live\Secret;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use PHPUnit\Framework\Attributes\DataProvider;

/** Logging in and out, and the token that opens the live link. */
final class SessionApiTest extends AppTestCase
{
    /** @return iterable<string, array{Role}> */
    public static function roles(): iterable
    {
        foreach ([Role::Builder, Role::Operator, Role::Viewer] as $role) {
            yield $role->value => [$role];
        }
    }

    #[DataProvider('roles')]
    public function testTheTokenCarriesTheRole(Role $role): void
    {
        $answer = $this->as($role)->postJson('/api/live-token')->assertOk();
        $token = Token::verify((string) $answer->json('token'), Secret::derive((string) config('app.key')), time());
        self::assertSame([$role->value, $role], [$token?->user, $token?->role]);
        self::assertSame('/live', $answer->json('live'));
        self::assertNull($answer->json('standIns'), 'a real installation has none');
    }

    public function testBehindAProxyTheLinkIsWhereTheSettingsSay(): void
    {
        config(['junction.live_url' => 'wss://junction.example/live', 'junction.stand_ins' => '127.0.0.1:8082']);
        $this->as(Role::Viewer)->postJson('/api/live-token')->assertOk()
            ->assertJsonPath('live', 'wss://junction.example/live')
            ->assertJsonPath('standIns', ':8082');
    }

    public function testStrangersGetNoTokenAndNoShow(): void
    {
        foreach ([
            ['post', '/api/live-token'],
            ['get', '/api/show'],
            ['get', '/api/show/export'],
            ['post', '/api/show/undo'],
            ['get', '/api/packets/formats'],
        ] as [$method, $path]) {
            $this->json($method, $path)->assertStatus(401);
        }
        $this->getJson('/api/session')->assertOk()->assertJsonPath('user', null);
    }

    public function testLoggingOutEndsIt(): void
    {
        $this->postJson(
            '/api/session',
            ['name' => 'viewer', 'password' => 'night-walk'],
        )
            ->assertOk()
            ->assertJsonPath(
                'user',
                ['name' => 'viewer', 'role' => 'viewer', 'version' => trim((string) file_get_contents(base_path('VERSION')))],
            );
        $this->getJson('/api/session')->assertJsonPath('user.name', 'viewer');
        $this->deleteJson('/api/session')->assertOk()->assertJsonPath('user', null);
        $this->app['auth']->forgetGuards();
        $this->getJson('/api/show')->assertStatus(401);
    }

    public function testWhatIsLeftOutIsNamed(): void
    {
        $this->postJson('/api/session', ['name' => 'viewer'])->assertStatus(422)->assertJsonValidationErrors(['password']);
        $this->postJson(
            '/api/session',
            ['name' => 'nobody', 'password' => 'x'],
        )->assertStatus(422)->assertJsonPath('message', 'Name or password is wrong.');
    }

    /** The same words for a name that does not exist and for a wrong password: nobody learns who there is. */
    public function testAPasswordIsNeverStoredAsItIs(): void
    {
        $user = \App\Models\User::query()->where('name', 'builder')->firstOrFail();
        self::assertStringNotContainsString('night-walk', (string) $user->getRawOriginal('password'));
        self::assertArrayNotHasKey('password', $user->toArray());
    }

    public function testABrowserMayRunOurScriptsAloneAndShowsUsInNoFrame(): void
    {
        config(['junction.live' => '127.0.0.1:8081', 'junction.stand_ins' => '127.0.0.1:8082']);
        foreach (['/', '/s/guide', '/api/session', '/api/nowhere'] as $path) {
            $headers = $this->get($path)->headers;
            $policy = (string) $headers->get('Content-Security-Policy');
            self::assertStringContainsString("default-src 'self';", $policy, $path);
            self::assertStringNotContainsString('script-src', $policy, 'scripts are ours alone, and none stands in a page');
            self::assertStringContainsString("connect-src 'self' ws://127.0.0.1:8080 ws://127.0.0.1:8082;", $policy);
            self::assertStringContainsString("frame-ancestors 'none'", $policy);
            self::assertSame(
                ['nosniff', 'DENY', 'same-origin'],
                [$headers->get('X-Content-Type-Options'), $headers->get('X-Frame-Options'), $headers->get('Referrer-Policy')],
            );
        }
        foreach (['/', '/s/guide'] as $path) {
            self::assertDoesNotMatchRegularExpression(
                '#<script(?![^>]*\ssrc=)|\son\w+=|javascript:#i',
                (string) $this->get($path)->getContent(),
            );
        }
        config(['junction.live_url' => 'wss://junction.example/live', 'junction.stand_ins' => '']);
        self::assertStringContainsString(
            "connect-src 'self' wss://junction.example;",
            (string) $this->get('/')->headers->get('Content-Security-Policy'),
        );
    }

    public function testTheAddressesOfThePageAreThePage(): void
    {
        foreach (['/', '/ports/house-desk', '/packets?hex=00'] as $path) {
            $this->get($path)->assertOk()->assertSee('<div id="app">', false);
        }
        $this->getJson('/api/nowhere')->assertNotFound();
    }
}
