<?php

declare(strict_types=1);

namespace App\Users;

use App\Health\Noted;
use App\Live\EngineDoor;
use App\Models\User;
use Illuminate\Support\Str;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\LiveLink\Role;

/** People who may log in. What they may ends when it is taken from them: the pages that they have open are closed at once. */
final readonly class Users
{
    private const SHORTEST_PASSWORD = 8;

    /** Longer ones are cut by the hash (bcrypt, 72 bytes), so they are refused. */
    private const LONGEST_PASSWORD = 72;
    private const LONGEST_NAME = 60;
    private const ROLES = 'builder, operator or viewer';

    public function __construct(private EngineDoor $engine)
    {
    }

    /** @return list<User> by name */
    public function all(): array
    {
        /** @var list<User> $all */
        $all = User::query()->orderBy('name')->get()->values()->all();

        return $all;
    }

    /** @throws ShowRefused */
    public function add(string $name, string $role, string $password): User
    {
        $name = trim($name);
        if ($name === '' || mb_strlen($name) > self::LONGEST_NAME || preg_match('/\p{C}/u', $name) !== 0) {
            throw self::refused(
                'name',
                'it has no name, or a longer one than '.self::LONGEST_NAME.' letters',
                'Give a name of 1 to '.self::LONGEST_NAME.' letters.',
            );
        }
        if (User::query()->where('name', $name)->exists()) {
            throw self::refused(
                'name',
                "there is somebody called \"{$name}\" already",
                'Choose another name, or change who is there.',
            );
        }

        $user = User::query()->create(['name' => $name, 'role' => self::role($role), 'password' => self::password($password)]);
        Noted::people("{$name} may log in as {$user->role->value}.");

        return $user;
    }

    /** @throws ShowRefused */
    public function setRole(User $user, string $role): void
    {
        $to = self::role($role);
        if ($to === $user->role) {
            return;
        }
        if ($user->role === Role::Builder) {
            $this->keepABuilder($user);
        }
        $user->forceFill(['role' => $to])->save();
        Noted::people("{$user->name} is {$to->value} now.");
        $this->engine->expel($user->name);
    }

    /**
     * Everybody who is logged in under that name has to log in again; what they may stays.
     *
     * @throws ShowRefused
     */
    public function setPassword(User $user, string $password): void
    {
        $user->forceFill(['password' => self::password($password)]);
        $this->logOut($user);
    }

    /** Wherever they are logged in. */
    public function logOut(User $user): void
    {
        $user->forceFill(['logins' => $user->logins + 1, 'remember_token' => Str::random(60)])->save();
        Noted::people("{$user->name} is logged out everywhere.");
        $this->engine->expel($user->name);
    }

    /** @throws ShowRefused */
    public function remove(User $user): void
    {
        if ($user->role === Role::Builder) {
            $this->keepABuilder($user);
        }
        $user->delete();
        Noted::people("{$user->name} may not log in any more.");
        $this->engine->expel($user->name);
    }

    /** @throws ShowRefused */
    private function keepABuilder(User $user): void
    {
        if (User::query()->where('role', Role::Builder)->whereKeyNot($user->id)->doesntExist()) {
            throw self::refused(
                'role',
                "\"{$user->name}\" is the only builder",
                'Make somebody else a builder first, or nobody could change the show.',
            );
        }
    }

    /** @throws ShowRefused */
    public static function role(string $word): Role
    {
        $role = Role::tryFrom($word);

        return $role === null || $role === Role::Guest
            ? throw self::refused('role', "there is no role \"{$word}\"", 'Use '.self::ROLES.'.')
            : $role;
    }

    /** @throws ShowRefused */
    private static function password(string $password): string
    {
        if (mb_strlen($password) < self::SHORTEST_PASSWORD || \strlen($password) > self::LONGEST_PASSWORD) {
            throw self::refused(
                'password',
                'the password is too short, or too long',
                'Use at least '.self::SHORTEST_PASSWORD.' characters, and at most '.self::LONGEST_PASSWORD.'.',
            );
        }

        return $password;
    }

    private static function refused(string $path, string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault($path, $problem, $wayOut)]);
    }
}
