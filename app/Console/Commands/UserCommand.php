<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Console\Command;
use NimbleJunction\Engine\LiveLink\Role;

final class UserCommand extends Command
{
    private const SHORTEST_PASSWORD = 8;

    protected $signature = 'junction:user {name} {--role=builder : builder, operator or viewer} {--password= : asked for when left out}';

    protected $description = 'Add a person who may log in, or change their role and password';

    public function handle(): int
    {
        $role = Role::tryFrom((string) $this->option('role'));
        if ($role === null || $role === Role::Guest) {
            $this->error("There is no role \"{$this->option('role')}\": use builder, operator or viewer.");

            return self::INVALID;
        }
        $password = $this->option('password') ?? $this->secret('Password');
        if (mb_strlen((string) $password) < self::SHORTEST_PASSWORD) {
            $this->error('The password is too short: use at least '.self::SHORTEST_PASSWORD.' characters.');

            return self::INVALID;
        }
        $user = User::query()->updateOrCreate(['name' => $this->argument('name')], ['password' => $password, 'role' => $role]);
        $this->info("{$user->name} may log in as {$role->value}.");

        return self::SUCCESS;
    }
}
