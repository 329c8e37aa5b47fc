<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Signal\Frame;

/** Part of a universe, carried to another place. All slots from 0. */
final readonly class Copy
{
    /** @var string 512 bytes: 255 where it reaches */
    public string $mask;

    public function __construct(
        public string $id,
        public string $name,
        public string $toUniverse,
        private int $first,
        private int $count,
        private int $at,
        private int $repeat,
        private int $limit,
    ) {
        $this->mask = $this->of(str_repeat("\xFF", Frame::SLOTS));
    }

    /** What it is called as an owner of what it gives. */
    public function owner(): string
    {
        return "copy {$this->id}";
    }

    /**
     * @param string $levels 512 bytes of the universe that it is taken from
     *
     * @return string 512 bytes, 0 where it does not reach
     */
    public function of(string $levels): string
    {
        $room = $this->limit - $this->at + 1;
        $run = substr(str_repeat(substr($levels, $this->first, $this->count), $this->repeat), 0, $room);

        return str_pad(str_repeat("\0", $this->at).$run, Frame::SLOTS, "\0");
    }
}
