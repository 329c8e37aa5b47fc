<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use App\Users\Users;
use Illuminate\Console\Command;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/** People who may log in, for whoever sits at the machine: also the way back for somebody who has lost their password. */
final class UserCommand extends Command
{
    protected $signature = 'junction:user {name? : left out, all are listed}
        {--role= : builder, operator or viewer; whoever is new is a builder unless it is said}
        {--password= : another password; asked for where somebody is new}
        {--ask-password : ask for another password}
        {--remove : they may not log in any more}
        {--log-out : they are logged out wherever they are}';

    protected $description = 'List who may log in; add somebody, change their role or their password, log them out, remove them';

    public function handle(Users $users): int
    {
        $name = $this->argument('name');
        if (! \is_string($name) || $name === '') {
            $this->table(
                ['Name', 'Role'],
                array_map(static fn(User $user): array => [$user->name, $user->role->value], $users->all()),
            );

            return self::SUCCESS;
        }
        try {
            $user = User::query()->where('name', $name)->first();

            return $user === null ? $this->add($users, $name) : $this->change($users, $user);
        } catch (ShowRefused $refused) {
            $this->error(implode(
                ' ',
                array_map(
                    static fn(Fault $fault): string => ucfirst($fault->problem).': '.lcfirst($fault->allowed),
                    $refused->faults,
                ),
            ));

            return self::INVALID;
        }
    }

    /** @throws ShowRefused */
    private function add(Users $users, string $name): int
    {
        if ($this->option('remove') === true || $this->option('log-out') === true) {
            $this->error("There is nobody called \"{$name}\".");

            return self::INVALID;
        }
        $role = Users::role((string) ($this->option('role') ?? 'builder'));
        $user = $users->add($name, $role->value, (string) ($this->option('password') ?? $this->secret('Password')));
        $this->info("{$user->name} may log in as {$user->role->value}.");

        return self::SUCCESS;
    }

    /** What is not said stays. @throws ShowRefused */
    private function change(Users $users, User $user): int
    {
        if ($this->option('remove') === true) {
            $users->remove($user);
            $this->info("{$user->name} may not log in any more.");

            return self::SUCCESS;
        }
        $role = $this->option('role');
        $password = $this->option('password')
            ?? ($this->option('ask-password') === true || ($role === null && $this->option('log-out') !== true)
            ? $this->secret('Another password; empty to leave it')
            : null);
        if (\is_string($role)) {
            $users->setRole($user, $role);
        }
        if (\is_string($password) && $password !== '') {
            $users->setPassword($user, $password);
            $this->info("{$user->name} has another password.");
        } elseif ($this->option('log-out') === true) {
            $users->logOut($user);
            $this->info("{$user->name} is logged out everywhere.");
        }
        $this->info("{$user->name} may log in as {$user->role->value}.");

        return self::SUCCESS;
    }
}
