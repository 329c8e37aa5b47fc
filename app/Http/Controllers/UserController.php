<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Users\Users;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;

/** People who may log in: who they are, what they may. */
final readonly class UserController
{
    public function __construct(private Users $users)
    {
    }

    public function all(): JsonResponse
    {
        return response()->json(['users' => array_map(
            static fn(User $user): array => ['id' => $user->id, 'name' => $user->name, 'role' => $user->role->value],
            $this->users->all(),
        )]);
    }

    public function add(Request $request): JsonResponse
    {
        $asked = $request->validate([
            'name' => 'required|string|max:200',
            'role' => 'required|string|max:20',
            'password' => 'required|string|max:200',
        ]);
        $this->users->add($asked['name'], $asked['role'], $asked['password']);

        return $this->all();
    }

    /** A role, or a password: what is not said stays. */
    public function change(Request $request, int $id): JsonResponse
    {
        $asked = $request->validate(['role' => 'string|max:20', 'password' => 'string|max:200']);
        $user = self::user($id);
        if (isset($asked['role'])) {
            $this->users->setRole($user, $asked['role']);
        }
        if (isset($asked['password'])) {
            $this->users->setPassword($user, $asked['password']);
            self::stay($request, $user);
        }

        return $this->all();
    }

    public function remove(int $id): JsonResponse
    {
        $this->users->remove(self::user($id));

        return $this->all();
    }

    /** Wherever they are logged in; whoever does that to themselves stays here. */
    public function logOut(Request $request, int $id): JsonResponse
    {
        $user = self::user($id);
        $this->users->logOut($user);
        self::stay($request, $user);

        return $this->all();
    }

    /** One's own password, by whoever knows it. */
    public function ownPassword(Request $request): JsonResponse
    {
        $asked = $request->validate(['now' => 'required|string|max:200', 'password' => 'required|string|max:200']);
        $user = $request->user();
        abort_unless($user instanceof User && Hash::check($asked['now'], $user->password), 422, 'That is not your password.');
        $this->users->setPassword($user, $asked['password']);
        self::stay($request, $user);

        return response()->json(['ok' => true]);
    }

    private static function user(int $id): User
    {
        return User::query()->find($id) ?? abort(404, 'There is no such person: somebody may have removed them.');
    }

    private static function stay(Request $request, User $user): void
    {
        if ($request->user()?->id === $user->id) {
            $request->session()->put('logins', $user->logins);
        }
    }
}
