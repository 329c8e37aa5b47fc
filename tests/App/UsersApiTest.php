<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Models\User;
use App\Users\DemoPassword;
use App\Users\LoginTries;
use App\Users\Users;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use NimbleJunction\Engine\LiveLink\Role;
use PHPUnit\Framework\Attributes\DataProvider;

/** Who may log in: added, changed, removed, by the page and by whoever sits at the machine; and what becomes of those who are in. */
final class UsersApiTest extends AppTestCase
{
    public function testABuilderAddsChangesAndRemovesPeople(): void
    {
        $this->as(Role::Builder);
        $names = fn(string $method, string $path, array $body = []): array => array_column(
            $this->json($method, $path, $body)->assertOk()->json('users'),
            'role',
            'name',
        );
        self::assertSame(['builder' => 'builder', 'operator' => 'operator', 'viewer' => 'viewer'], $names('GET', '/api/users'));
        self::assertSame(
            'operator',
            $names('POST', '/api/users', ['name' => 'Ada ', 'role' => 'operator', 'password' => 'fern-and-moss'])['Ada'],
        );
        $ada = User::query()->where('name', 'Ada')->firstOrFail();
        self::assertSame('viewer', $names('PATCH', "/api/users/{$ada->id}", ['role' => 'viewer'])['Ada']);
        self::assertTrue(Hash::check('fern-and-moss', $ada->refresh()->password), 'another role is no other password');
        self::assertSame(
            'viewer',
            $names('PATCH', "/api/users/{$ada->id}", ['password' => 'moss-and-fern'])['Ada'],
            'nor the other way round',
        );
        self::assertTrue(Hash::check('moss-and-fern', $ada->refresh()->password));
        self::assertArrayNotHasKey('Ada', $names('DELETE', "/api/users/{$ada->id}"));
        $this->deleteJson("/api/users/{$ada->id}")->assertNotFound();
    }

    public function testWhatCannotBeIsRefusedWithTheWayOut(): void
    {
        $this->as(Role::Builder);
        $builder = User::query()->where('name', 'builder')->firstOrFail();
        foreach ([
            ['POST', '/api/users', ['name' => 'viewer', 'role' => 'viewer', 'password' => 'long-enough'], 'there is somebody called "viewer" already'],
            ['POST', '/api/users', ['name' => str_repeat('a', 61), 'role' => 'viewer', 'password' => 'long-enough'], 'it has no name, or a longer one'],
            ['POST', '/api/users', ['name' => "a\u{202E}b", 'role' => 'viewer', 'password' => 'long-enough'], 'it has no name'],
            ['POST', '/api/users', ['name' => 'Eve', 'role' => 'guest', 'password' => 'long-enough'], 'there is no role "guest"'],
            ['POST', '/api/users', ['name' => 'Eve', 'role' => 'viewer', 'password' => 'short'], 'the password is too short'],
            ['POST', '/api/users', ['name' => 'Eve', 'role' => 'viewer', 'password' => str_repeat('ä', 40)], 'or too long'],
            ['PATCH', "/api/users/{$builder->id}", ['role' => 'viewer'], '"builder" is the only builder'],
            ['DELETE', "/api/users/{$builder->id}", [], '"builder" is the only builder'],
        ] as [$method, $path, $body, $words]) {
            self::assertStringContainsString($words, (string) $this->json($method, $path, $body)->assertStatus(422)->json('message'));
        }
        self::assertSame(3, User::query()->count());
    }

    #[DataProvider('who')]
    public function testNobodyElseSeesOrChangesThem(?Role $role): void
    {
        if ($role !== null) {
            $this->as($role);
        }
        $id = User::query()->where('name', 'viewer')->firstOrFail()->id;
        foreach ([
            ['GET', '/api/users'],
            ['POST', '/api/users'],
            ['PATCH', "/api/users/{$id}"],
            ['DELETE', "/api/users/{$id}"],
            ['DELETE', "/api/users/{$id}/logins"],
        ] as [$method, $path]) {
            $this->json($method, $path, ['name' => 'Eve', 'role' => 'builder', 'password' => 'long-enough'])
                ->assertStatus($role === null ? 401 : 403);
        }
        self::assertSame(Role::Viewer, User::query()->findOrFail($id)->role);
    }

    /** @return iterable<string, array{?Role}> */
    public static function who(): iterable
    {
        yield 'an operator' => [Role::Operator];
        yield 'a viewer' => [Role::Viewer];
        yield 'nobody' => [null];
    }

    public function testANewPasswordLogsOutEverybodyElseOfThatName(): void
    {
        $this->login('viewer', 'night-walk')->assertOk();
        $viewer = User::query()->where('name', 'viewer')->firstOrFail();
        $there = $this->app['session']->getId();
        // A page elsewhere, of the same name: a session of its own.
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->login('viewer', 'night-walk')->assertOk();
        $this->putJson('/api/session/password', ['now' => 'wrong', 'password' => 'another-walk'])->assertStatus(422);
        $this->putJson('/api/session/password', ['now' => 'night-walk', 'password' => 'another-walk'])->assertOk();
        $this->getJson('/api/session')->assertJsonPath('user.name', 'viewer');
        self::assertNotSame($there, $this->app['session']->getId());
        // The other one stands where it stood.
        $this->app['auth']->forgetGuards();
        $this->withSession(['logins' => $viewer->logins])->actingAs($viewer->refresh());
        $this->getJson('/api/show')->assertStatus(401);
        $this->app['auth']->forgetGuards();
        $this->login('viewer', 'night-walk')->assertStatus(422);
        $this->login('viewer', 'another-walk')->assertOk();
    }

    public function testWhoeverIsRemovedIsOutWithTheNextThingThatTheyAskFor(): void
    {
        $this->login('operator', 'night-walk')->assertOk();
        $this->getJson('/api/show')->assertOk();
        User::query()->where('name', 'operator')->delete();
        $this->app['auth']->forgetGuards();
        $this->getJson('/api/show')->assertStatus(401);
    }

    public function testAtTheMachineARoleStaysWhereOnlyAPasswordIsSetAndTheOtherWayRound(): void
    {
        $this->artisan('junction:user', ['name' => 'viewer', '--password' => 'night-walk-2'])
            ->expectsOutputToContain('viewer may log in as viewer.')
            ->assertSuccessful();
        $viewer = User::query()->where('name', 'viewer')->firstOrFail();
        self::assertSame([Role::Viewer, true], [$viewer->role, Hash::check('night-walk-2', $viewer->password)]);
        $this->artisan('junction:user', ['name' => 'viewer', '--role' => 'operator'])->assertSuccessful();
        self::assertSame([Role::Operator, true], [$viewer->refresh()->role, Hash::check('night-walk-2', $viewer->password)]);
        // Somebody has lost theirs.
        $this->artisan('junction:user', ['name' => 'viewer', '--ask-password' => true])
            ->expectsQuestion('Another password; empty to leave it', 'fern-and-moss')
            ->assertSuccessful();
        self::assertTrue(Hash::check('fern-and-moss', $viewer->refresh()->password));
        $logins = $viewer->logins;
        $this->artisan('junction:user', ['name' => 'viewer', '--log-out' => true])
            ->expectsOutputToContain('logged out everywhere')
            ->assertSuccessful();
        self::assertSame($logins + 1, $viewer->refresh()->logins);
        $this->artisan('junction:user')
            ->expectsTable(['Name', 'Role'], [['builder', 'builder'], ['operator', 'operator'], ['viewer', 'operator']])
            ->assertSuccessful();
        $this->artisan('junction:user', ['name' => 'viewer', '--remove' => true])->assertSuccessful();
        $this->artisan('junction:user', ['name' => 'viewer', '--remove' => true])->assertExitCode(2);
        $this->artisan('junction:user', ['name' => 'builder', '--remove' => true])
            ->expectsOutputToContain('the only builder')
            ->assertExitCode(2);
    }

    public function testTriesAreCountedByNameAndByAddressAlsoWhereTheyAreManyAtOnce(): void
    {
        for ($i = 1; $i <= 10; ++$i) {
            $this->login('builder', 'guess')->assertStatus(422);
        }
        $this->login('builder', 'night-walk')->assertStatus(429);
        $this->login('operator', 'night-walk')->assertOk();
        self::assertTrue(LoginTries::begin('builder', '10.0.0.9'), 'from elsewhere the same name gets in');
        for ($i = 0; $i < 30; ++$i) {
            LoginTries::begin("name {$i}", '10.0.0.7');
        }
        self::assertFalse(LoginTries::begin('another', '10.0.0.7'), 'of one address all names count');
        for ($i = 0; $i < 200; ++$i) {
            LoginTries::begin('Anna', "10.1.0.{$i}");
        }
        self::assertFalse(LoginTries::begin('anna', '10.2.0.1'), 'of one name all addresses count');
        DB::update('UPDATE login_tries SET since = since - 61');
        self::assertTrue(LoginTries::begin('builder', '127.0.0.1'), 'a minute later it begins anew');
    }

    public function testAWrongPasswordTakesAsLongAsANameThatNobodyHas(): void
    {
        $took = [];
        foreach (['builder', 'nobody'] as $name) {
            $began = hrtime(true);
            $this->login($name, 'guess')->assertStatus(422);
            $took[$name] = hrtime(true) - $began;
        }
        // The framework waits until the same time has passed for both (Illuminate\Support\Timebox, 0.2 s).
        self::assertGreaterThan(190_000_000, min($took));
    }

    public function testOffTheMachineADemoHasAPasswordOfItsOwnAndOneThatSomebodySetStays(): void
    {
        $operator = User::query()->where('name', 'operator')->firstOrFail();
        $this->app->make(Users::class)->setPassword($operator, 'my-own-words');
        $demo = new DemoPassword($this->app->make(Users::class), $this->data);
        $check = static fn(string $name, string $password): bool => Hash::check(
            $password,
            User::query()->where('name', $name)->firstOrFail()->password,
        );
        self::assertSame('night-walk', $demo->at('127.0.0.1'));
        $secret = $demo->at('0.0.0.0');
        self::assertMatchesRegularExpression('/^[a-z0-9]{12}$/', $secret);
        self::assertSame(
            [true, false, true, false],
            [$check('builder', $secret), $check('builder', 'night-walk'), $check('operator', 'my-own-words'), $check('operator', $secret)],
        );
        self::assertSame($secret, $demo->at('10.0.0.5'), 'the same when it starts again');
        self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->data}/demo-password")), -4));
        self::assertSame('night-walk', $demo->at('localhost'));
        self::assertSame(
            [true, false, true],
            [$check('builder', 'night-walk'), $check('viewer', $secret), $check('operator', 'my-own-words')],
        );
    }

    private function login(string $name, string $password): \Illuminate\Testing\TestResponse
    {
        return $this->postJson('/api/session', ['name' => $name, 'password' => $password]);
    }
}
