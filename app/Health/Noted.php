<?php

declare(strict_types=1);

namespace App\Health;

use App\Models\Edit;
use Illuminate\Support\Facades\Auth;
use NimbleJunction\Engine\Events\EventKind;
use NimbleJunction\Engine\Events\EventLog;

/** What the application writes into the event log, beside what the engine does. */
final class Noted
{
    public static function edit(Edit $edit): void
    {
        self::note(EventKind::Edit, $edit->summary, $edit->author());
    }

    public static function login(string $words, string $who = ''): void
    {
        self::note(EventKind::Login, $words, $who);
    }

    public static function people(string $words): void
    {
        self::note(EventKind::People, $words, self::who());
    }

    public static function backup(string $words): void
    {
        self::note(EventKind::Backup, $words, self::who());
    }

    private static function who(): string
    {
        return (string) (Auth::user()->name ?? '');
    }

    private static function note(EventKind $kind, string $words, string $by): void
    {
        app(EventLog::class)->note($kind, $words, $by);
    }
}
