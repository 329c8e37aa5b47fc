<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Merge;

/**
 * Bytes that are fetched from other places of a universe, all at once: strtr() reads numbers of slots by a table that
 * is the levels themselves.
 */
final readonly class Gathering
{
    private const HALF = 256;

    /** @var string 512 bytes: the place within its half that each byte is fetched from */
    private string $places;

    /** @var string 512 bytes: 255 where it is fetched from the first 256 slots */
    private string $fromFirst;

    /** @var string 512 bytes: 255 where it is fetched from the last 256 slots */
    private string $fromLast;

    /** @param array<int, int> $from by slot, the slot that its byte is fetched from */
    public function __construct(array $from)
    {
        $places = Bytes::$none;
        foreach ($from as $slot => $other) {
            $places[$slot] = \chr($other % self::HALF);
        }
        $this->places = $places;
        $this->fromFirst = Bytes::mask(array_keys(array_filter($from, static fn(int $other): bool => $other < self::HALF)));
        $this->fromLast = Bytes::mask(array_keys(array_filter($from, static fn(int $other): bool => $other >= self::HALF)));
    }

    /**
     * @param string $bytes 512 bytes
     *
     * @return string 512 bytes, 0 where nothing is fetched
     */
    public function of(string $bytes): string
    {
        $first = strtr($this->places, Bytes::$every, substr($bytes, 0, self::HALF)) & $this->fromFirst;
        $last = strtr($this->places, Bytes::$every, substr($bytes, self::HALF)) & $this->fromLast;

        return $first | $last;
    }
}
