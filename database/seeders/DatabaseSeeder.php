<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\User;
use App\Shows\ShowStore;
use App\Surfaces\Door;
use Illuminate\Database\Seeder;
use NimbleJunction\Engine\LiveLink\Role;

/** The demo: its show, and one login for each role. Does nothing where it has been before. */
final class DatabaseSeeder extends Seeder
{
    public const PASSWORD = 'night-walk';

    public function run(ShowStore $shows, Door $door): void
    {
        foreach ([Role::Builder, Role::Operator, Role::Viewer] as $role) {
            User::query()->firstOrCreate(['name' => $role->value], ['password' => self::PASSWORD, 'role' => $role]);
        }
        if ($shows->current()->parts()->doesntExist()) {
            $shows->change(
                'load the demo show',
                null,
                static fn(): array => FernhallGlasshouse::document((string) config('junction.loopback')),
            );
            $shows->current()->edits()->delete();
            $door->setCode('guide', FernhallSurfaces::CODE);
            $door->setCode('door', FernhallSurfaces::CODE);
        }
    }
}
