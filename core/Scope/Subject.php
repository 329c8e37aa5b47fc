<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

/** What a probe watches: a slot of a universe, or a number in the messages of a port. */
final readonly class Subject
{
    /**
     * @param string $holder id of the universe or the port
     * @param string $address of the messages; '' for a slot
     * @param int $place slot 0 to 511, or argument from 1
     */
    private function __construct(public string $holder, public string $address, public int $place)
    {
    }

    /** As it is written in a topic: "slot:UNIVERSE:NUMBER" or "message:PORT:ARGUMENT:ADDRESS". */
    public static function parse(string $text): ?self
    {
        if (preg_match('/^slot:([a-z0-9-]+):(\d{1,3})$/D', $text, $found) === 1 && $found[2] >= 1 && $found[2] <= 512) {
            return new self($found[1], '', (int) $found[2] - 1);
        }
        if (preg_match('#^message:([a-z0-9-]+):(\d{1,2}):(/\S{1,200})$#D', $text, $found) === 1 && $found[2] >= 1 && $found[2] <= 64) {
            return new self($found[1], $found[3], (int) $found[2]);
        }

        return null;
    }

    public function isSlot(): bool
    {
        return $this->address === '';
    }

    public function key(): string
    {
        return $this->isSlot() ? "slot:{$this->holder}:".($this->place + 1) : "message:{$this->holder}:{$this->place}:{$this->address}";
    }
}
