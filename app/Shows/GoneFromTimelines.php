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
            if ($part === null) {
                continue;
            }
            $left = $part;
            foreach (['tracks' => self::track(...), 'takes' => self::take(...)] as $name => $of) {
                if (\is_array($part[$name] ?? null)) {
                    $left[$name] = array_map(static fn(mixed $one): mixed => \is_array($one) ? $of($one, $isGone) : $one, $part[$name]);
                }
            }
            if ($left !== $part) {
                $draft->put('timelines', $id, $left);
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

    /**
     * @param array<mixed> $take
     * @param \Closure(string): bool $isGone
     *
     * @return array<mixed>
     */
    private static function take(array $take, \Closure $isGone): array
    {
        foreach (\is_array($take['lanes'] ?? null) ? $take['lanes'] : [] as $i => $lane) {
            if (\is_array($lane) && \is_string($lane['point'] ?? null) && $isGone($lane['point'])) {
                unset($take['lanes'][$i]['point']);
            }
        }

        return $take;
    }
}
