<?php

declare(strict_types=1);

namespace App\Shows;

/**
 * Timelines and the timetable forget points that are deleted, in the same edit: lines move nothing then, and moments do the
 * rest of what they did.
 */
final class GoneFromTimelines
{
    public static function forget(Draft $draft): void
    {
        $isGone = GonePoints::of($draft);
        if ($isGone === null) {
            return;
        }
        $draft->read('occasions', $draft->ids('occasions'));
        foreach ($draft->ids('occasions') as $id) {
            $part = $draft->part('occasions', $id);
            $left = $part === null || ! \is_array($part['do'] ?? null)
                ? $part
                : [...$part, 'do' => self::staying($part['do'], $isGone)];
            if ($left !== null && $left !== $part) {
                $draft->put('occasions', $id, $left);
            }
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
                    $left[$name] = array_map(
                        static fn(mixed $one): mixed => \is_array($one) ? $of($one, $isGone) : $one,
                        $part[$name],
                    );
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
        foreach (\is_array($does['clips'] ?? null) ? $does['clips'] : [] as $i => $clip) {
            if (\is_array($clip) && \is_string($clip['plays'] ?? null) && $isGone($clip['plays'])) {
                unset($does['clips'][$i]['plays']);
            }
        }
        foreach (\is_array($does['triggers'] ?? null) ? $does['triggers'] : [] as $i => $trigger) {
            $actions = \is_array($trigger) ? $trigger['do'] ?? null : null;
            if (\is_array($actions)) {
                $does['triggers'][$i]['do'] = self::staying($actions, $isGone);
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

    /**
     * @param array<mixed> $actions
     * @param \Closure(string): bool $isGone
     *
     * @return list<mixed>
     */
    private static function staying(array $actions, \Closure $isGone): array
    {
        $stays = static fn(mixed $action): bool => ! \is_array($action)
            || ! \is_string($action['point'] ?? null)
            || ! $isGone($action['point']);

        return array_values(array_filter($actions, $stays));
    }
}
