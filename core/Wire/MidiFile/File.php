<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\MidiFile;

use NimbleJunction\Core\Wire\Malformed;

/**
 * A Standard MIDI File: format 0 has one track, format 1 has tracks that play
 * together, format 2 has patterns of their own.
 *
 * Source: Standard MIDI Files 1.0, MIDI Association (from memory).
 */
final readonly class File
{
    private const CLAUSE = 'Standard MIDI Files 1.0, Header Chunks';

    /** @param list<Track> $tracks */
    public function __construct(public int $format, public Division $division, public array $tracks)
    {
    }

    /** @throws Malformed chunks of other kinds are left alone, as the standard asks */
    public static function decode(string $bytes): self
    {
        $header = self::header($bytes);
        $tracks = array_map(
            static fn(array $chunk): Track => new Track(array_column(Track::read($bytes, $chunk[0], $chunk[1]), 0)),
            self::chunks($bytes),
        );
        if (\count($tracks) !== $header['ntrks']) {
            throw Malformed::at(10, "the header says {$header['ntrks']} tracks, ".\count($tracks).' are there', self::CLAUSE);
        }

        return new self($header['format'], $header['division'], $tracks);
    }

    public function encode(): string
    {
        return 'MThd'.pack('Nnnn', 6, $this->format, \count($this->tracks), $this->division->word())
            .implode('', array_map(static fn(Track $track): string => $track->encode(), $this->tracks));
    }

    public function tempoMap(): TempoMap
    {
        return TempoMap::of($this);
    }

    /**
     * @return array{format: int, ntrks: int, division: Division}
     *
     * @throws Malformed
     */
    public static function header(string $bytes): array
    {
        if (\strlen($bytes) < 14) {
            throw Malformed::tooShort('A header chunk', 14, \strlen($bytes), self::CLAUSE);
        }
        if (! str_starts_with($bytes, 'MThd')) {
            throw Malformed::at(0, 'does not begin with "MThd"', self::CLAUSE);
        }
        $number = static fn(int $at, int $width): int => (int) hexdec(bin2hex(substr($bytes, $at, $width)));
        if ($number(4, 4) < 6) {
            throw Malformed::at(4, 'the header chunk says '.$number(4, 4).' bytes, at least 6 are required', self::CLAUSE);
        }
        $format = $number(8, 2);
        $tracks = $number(10, 2);
        if ($format > 2) {
            throw Malformed::outside('Format', $format, 0, 2, 8, self::CLAUSE);
        }
        if ($tracks === 0 || ($format === 0 && $tracks !== 1)) {
            throw Malformed::at(10, "{$tracks} tracks cannot be in format {$format}", self::CLAUSE);
        }

        return ['format' => $format, 'ntrks' => $tracks, 'division' => Division::read($number(12, 2))];
    }

    /**
     * @return list<array{int, int}> where the contents of each track chunk begin, and where they end
     *
     * @throws Malformed
     */
    public static function chunks(string $bytes): array
    {
        $length = \strlen($bytes);
        $tracks = [];
        for ($at = 0; $at < $length; $at += 8 + $size) {
            if ($length - $at < 8) {
                throw Malformed::at($at, 'a chunk is cut off', self::CLAUSE);
            }
            $size = (int) hexdec(bin2hex(substr($bytes, $at + 4, 4)));
            if ($size > $length - $at - 8) {
                throw Malformed::at($at + 4, "a chunk says {$size} bytes, ".($length - $at - 8).' are left', self::CLAUSE);
            }
            if (substr($bytes, $at, 4) === 'MTrk') {
                $tracks[] = [$at + 8, $at + 8 + $size];
            }
        }

        return $tracks;
    }
}
