<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/**
 * What follows a cue, as it stands in a table: "4" for seconds after its go, "c" for when it is
 * complete, "c+2" for two seconds later, "b4" for four beats later, "@01:00:00:00 desk" for a time code at the port "desk".
 */
final class FollowText
{
    public const RULE = 'Use seconds after its go, like 4; c for when it is complete; c+2 for two seconds later; b4 for four beats later; '
        .'@01:00:00:00 and the id of a port for the time code that comes there; nothing for by hand.';

    private const TIME = '/^@\s*(\d\d:\d\d:\d\d[:;]\d\d)\s+([a-z0-9-]{1,60})$/D';
    private const PATTERN = '/^(c)?\s*\+?\s*(\d+(?:[.,]\d+)?)?$/iD';

    /** @param mixed $follow as it stands in the document */
    public static function spelled(mixed $follow): string
    {
        if (! \is_array($follow)) {
            return '';
        }
        if (($follow['kind'] ?? '') === 'beat') {
            $beats = \is_int($follow['beats'] ?? null) ? $follow['beats'] : 1;

            return "b{$beats}";
        }
        if (($follow['kind'] ?? '') === 'timecode') {
            return trim('@'.self::text($follow, 'at').' '.self::text($follow, 'port'));
        }
        $seconds = is_numeric($follow['seconds'] ?? null) ? (float) $follow['seconds'] : 0.0;
        $text = rtrim(rtrim(number_format($seconds, 3, '.', ''), '0'), '.');

        return ($follow['kind'] ?? '') === 'after' ? $text : 'c'.($seconds > 0.0 ? "+{$text}" : '');
    }

    /**
     * @return array{kind: string, seconds?: float, beats?: int, at?: string, port?: string}|false|null as it stands in the
     * document; null for by hand, false where it is none of these
     */
    public static function read(string $text): array|false|null
    {
        if (trim($text) === '') {
            return null;
        }
        if (preg_match('/^b\s*(\d{1,5})?$/iD', trim($text), $beats) === 1) {
            return ['kind' => 'beat', 'beats' => (int) ($beats[1] ?? 1)];
        }
        if (preg_match(self::TIME, trim($text), $time) === 1) {
            return ['kind' => 'timecode', 'port' => $time[2], 'at' => $time[1]];
        }
        if (preg_match(self::PATTERN, trim($text), $found) !== 1) {
            return false;
        }
        $seconds = ($found[2] ?? '') === '' ? null : (float) strtr($found[2], ',', '.');

        return ($found[1] ?? '') === ''
            ? ['kind' => 'after', 'seconds' => $seconds ?? 0.0]
            : ['kind' => 'complete'] + ($seconds === null ? [] : ['seconds' => $seconds]);
    }

    /** @param array<mixed> $follow */
    private static function text(array $follow, string $key): string
    {
        return \is_string($follow[$key] ?? null) ? $follow[$key] : '';
    }
}
