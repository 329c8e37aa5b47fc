<?php

declare(strict_types=1);

namespace App\Users;

use App\Models\User;
use Database\Seeders\DatabaseSeeder;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/**
 * The password of the demo's people. Everybody knows the one of the project: where others reach the demo over a network it has
 * another one, which is kept in the data folder. A password that somebody has set stays.
 */
final readonly class DemoPassword
{
    private const LETTERS = 12;

    public function __construct(private Users $users, private string $folder)
    {
    }

    /** @return string the password by which they log in at this address */
    public function at(string $host): string
    {
        $isOurs = str_starts_with($host, '127.') || \in_array($host, ['localhost', '::1'], true);
        $password = $isOurs ? DatabaseSeeder::PASSWORD : $this->secret();
        $known = [DatabaseSeeder::PASSWORD, $this->kept()];
        foreach ($this->users->all() as $user) {
            if (! Hash::check($password, $user->password) && $this->isOneOf($user, $known)) {
                $this->users->setPassword($user, $password);
            }
        }

        return $password;
    }

    /** @param list<string> $passwords */
    private function isOneOf(User $user, array $passwords): bool
    {
        foreach (array_filter($passwords) as $password) {
            if (Hash::check($password, $user->password)) {
                return true;
            }
        }

        return false;
    }

    private function secret(): string
    {
        $kept = $this->kept();
        if ($kept !== '') {
            return $kept;
        }
        $secret = strtolower(Str::random(self::LETTERS));
        $before = umask(0o077);
        file_put_contents($this->path(), "{$secret}\n");
        umask($before);

        return $secret;
    }

    private function kept(): string
    {
        return trim((string) @file_get_contents($this->path()));
    }

    private function path(): string
    {
        return "{$this->folder}/demo-password";
    }
}
