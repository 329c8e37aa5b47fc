<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Health\Noted;
use App\Live\EngineDoor;
use App\Live\LinkAddress;
use App\Live\LinkCheck;
use App\Live\Secret;
use App\Users\LoginTries;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use NimbleJunction\Engine\LiveLink\Token;

/** Who is there: logging in and out, and the token for the live link. */
final class SessionController
{
    public function __construct(private readonly EngineDoor $engine)
    {
    }

    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        // Strangers are not told which version there is.
        return response()->json([
            'user' => $user === null
                ? null
                : ['name' => $user->name, 'role' => $user->role->value, 'version' => (string) config('junction.version')],
        ]);
    }

    public function login(Request $request): JsonResponse
    {
        $fields = $request->validate(['name' => 'required|string|max:100', 'password' => 'required|string|max:200']);
        abort_unless(
            LoginTries::begin($fields['name'], (string) $request->ip()),
            429,
            'Too many tries: wait a minute, then try again.',
        );
        // What does not fit takes as long for a name that nobody has: the framework waits.
        if (! Auth::attempt($fields, true)) {
            Noted::login("Somebody at {$request->ip()} gave a wrong name or password.");
            abort(422, 'Name or password is wrong.');
        }
        Noted::login("{$fields['name']} logged in at {$request->ip()}.", $fields['name']);
        LoginTries::clear($fields['name'], (string) $request->ip());
        $request->session()->regenerate();
        $request->session()->put('logins', $request->user()?->logins);
        $request->session()->put('visit', Str::random(20));

        return $this->show($request);
    }

    public function logout(Request $request): JsonResponse
    {
        Noted::login("{$request->user()?->name} logged out.", (string) $request->user()?->name);
        $this->engine->expel('', (string) $request->session()->get('visit', ''));
        Auth::logoutCurrentDevice();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['user' => null]);
    }

    public function token(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json([
            'token' => Token::sign(
                $user->name,
                $user->role,
                Secret::derive((string) config('app.key')),
                time(),
                visit: (string) $request->session()->get('visit', ''),
            ),
            'live' => LinkAddress::live(),
            'standIns' => LinkAddress::standIns(),
        ]);
    }

    /** Why the live link of this page does not open. */
    public function linkCheck(Request $request): JsonResponse
    {
        $check = new LinkCheck((string) config('junction.live'), Secret::derive((string) config('app.key')), LinkAddress::live());

        return response()->json(['problem' => $check->words(
            (string) $request->headers->get('Origin', $request->getSchemeAndHttpHost()),
            $request->getHttpHost(),
        )]);
    }
}
