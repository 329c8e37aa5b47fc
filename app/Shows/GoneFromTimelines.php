<?php

declare(strict_types=1);

namespace App\Shows;

/** Timelines forget points that are deleted, in the same edit: lines move nothing then, and moments do the rest of what they did. */
final class GoneFromTimelines
{
    public static function forget(Draft $draft): void
    {
        $isGone = GonePoints::of($draft);
        if ($isGone === null) {
            return;
        }
        $draft->read('timelines', $draft->ids('timelines'));
        foreach ($draft->ids('timelines') as $id) {
            $part = $draft->part('timelines', $id);
            $tracks = $part['tracks'] ?? null;
            if ($part === null || ! \is_array($tracks)) {
                continue;
            }
            $left = array_map(static fn(mixed $track): mixed => \is_array($track) ? self::track($track, $isGone) : $track, $tracks);
            if ($left !== $tracks) {
                $draft->put('timelines', $id, [...$part, 'tracks' => $left]);
            }
        }
    }

    /**
     * @param array<mixed> $track
     * @param \Closure(string): bool $isGone
     *
     * @return array<mixed>
     */
    private static function track(array $track, \Closure $isGone): array
    {
        $does = $track['does'] ?? null;
        if (! \is_array($does)) {
            return $track;
        }
        if (\is_string($does['point'] ?? null) && $isGone($does['point'])) {
            unset($does['point']);
        }
        foreach (\is_array($does['triggers'] ?? null) ? $does['triggers'] : [] as $i => $trigger) {
            $actions = \is_array($trigger) ? $trigger['do'] ?? null : null;
            if (\is_array($actions)) {
                $stays = static fn(mixed $action): bool => ! \is_array($action) || ! \is_string($action['point'] ?? null) || ! $isGone($action['point']);
                $does['triggers'][$i]['do'] = array_values(array_filter($actions, $stays));
            }
        }

        return [...$track, 'does' => $does];
    }
}
