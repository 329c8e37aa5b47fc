<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

use NimbleJunction\Core\Timeline\Timeline;

/** Triggers of a timeline as lines for a desk, in their order, each with what is known of it put in. */
final class TimelineLines
{
    public const GAPS = ['number', 'name', 'at', 'time', 'track'];

    /**
     * @param string $template {number} from 1, {name}, {at} in the timeline's unit, {time} as h:mm:ss.ss, {track}
     *
     * @return list<array{float, string}> when, and the line
     */
    public static function of(Timeline $timeline, string $template): array
    {
        $names = [];
        foreach ($timeline->tracks as $track) {
            $names[$timeline->routeId($track)] = $track->name;
        }
        $lines = [];
        foreach ($timeline->score->dues as $i => $due) {
            $gaps = [
                '{number}' => (string) ($i + 1),
                '{name}' => self::plain($due->moment->name === '' ? 'Trigger '.($i + 1) : $due->moment->name),
                '{at}' => rtrim(rtrim(number_format($due->at, 3, '.', ''), '0'), '.'),
                '{time}' => \sprintf(
                    '%d:%02d:%05.2f',
                    intdiv((int) $due->at, 3600),
                    intdiv((int) $due->at, 60) % 60,
                    fmod($due->at, 60.0),
                ),
                '{track}' => self::plain($names[$due->ownerId] ?? ''),
            ];
            $lines[] = [$due->at, strtr($template, $gaps)];
        }

        return $lines;
    }

    /** Within quotes there are none. */
    private static function plain(string $text): string
    {
        return trim(str_replace('"', "'", (string) preg_replace('#\s+#u', ' ', $text)));
    }
}
