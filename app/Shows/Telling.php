<?php

declare(strict_types=1);

namespace App\Shows;

use App\Live\EngineDoor;
use App\Models\Show;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\Update;

/** Tells the engine what has changed; only where it runs another show, or another revision, the whole one. */
final readonly class Telling
{
    /** An edit of more parts than this is told as the whole show. */
    private const MOST = 500;
    private const JSON = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;

    public function __construct(private EngineDoor $engine)
    {
    }

    /**
     * @param int $base the revision before the edit
     *
     * @return string|null what the engine says against it, or that it does not run; null when it is running
     */
    public function edit(Show $show, int $base, Amendment $amendment): ?string
    {
        if ($amendment->isEmpty()) {
            return null;
        }
        if ($amendment->count() > self::MOST) {
            return $this->whole($show);
        }
        $update = json_encode(self::update($show, $amendment)->toArray(), self::JSON);
        $notice = $this->engine->update($update, $base, $show->revision);

        return $notice === false ? $this->whole($show) : $notice;
    }

    public function whole(Show $show): ?string
    {
        return $this->engine->adopt(ShowText::lines($show), $show->revision);
    }

    /** What an amendment has made of the show, for whoever has the one from before it. */
    public static function update(Show $show, Amendment $amendment): Update
    {
        return Update::of($amendment, static fn(string $list, Entry $entry): ?string => self::behind($show, $list, $entry));
    }

    private static function behind(Show $show, string $list, Entry $entry): ?string
    {
        $id = (string) $entry->part['id'];
        $key = $show->parts()->toBase()->where('kind', $list)->where(static function ($query) use ($entry, $id): void {
            $query->where('position', '>', $entry->place)
                ->orWhere(static fn($same) => $same->where('position', $entry->place)->where('key', '>', $id));
        })->orderBy('position')->orderBy('key')->value('key');

        return $key === null ? null : (string) $key;
    }
}
