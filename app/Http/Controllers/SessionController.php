<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Live\LinkAddress;
use App\Live\Secret;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use NimbleJunction\Engine\LiveLink\Token;

/** Who is there: logging in and out, and the token for the live link. */
final class SessionController
{
    private const TRIES_A_MINUTE = 10;

    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json(['user' => $user === null ? null : ['name' => $user->name, 'role' => $user->role->value]]);
    }

    public function login(Request $request): JsonResponse
    {
        $fields = $request->validate(['name' => 'required|string|max:100', 'password' => 'required|string|max:200']);
        $key = 'login '.mb_strtolower($fields['name']).' '.$request->ip();
        abort_if(RateLimiter::tooManyAttempts($key, self::TRIES_A_MINUTE), 429, 'Too many tries: wait a minute, then try again.');
        if (! Auth::attempt($fields, true)) {
            RateLimiter::hit($key);
            abort(422, 'Name or password is wrong.');
        }
        RateLimiter::clear($key);
        $request->session()->regenerate();

        return $this->show($request);
    }

    public function logout(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['user' => null]);
    }

    public function token(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json([
            'token' => Token::sign($user->name, $user->role, Secret::derive((string) config('app.key')), time()),
            'live' => LinkAddress::live($request),
            'standIns' => LinkAddress::standIns($request),
        ]);
    }
}
