<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Point\Reference;

/** What a probe watches: a slot of a universe, a number in the messages of a port, or a point. */
final readonly class Subject
{
    /**
     * @param string $holder id of the universe or the port
     * @param string $address of the messages; '' for anything else
     * @param int $place slot 0 to 511, or argument from 1
     * @param Reference|null $point null for anything else
     */
    private function __construct(
        public string $holder,
        public string $address,
        public int $place,
        public ?Reference $point = null,
    ) {
    }

    /** As it is written in a topic: "slot:UNIVERSE:NUMBER", "message:PORT:ARGUMENT:ADDRESS" or "point:REFERENCE". */
    public static function parse(string $text): ?self
    {
        if (preg_match('/^slot:([a-z0-9-]+):(\d{1,3})$/D', $text, $found) === 1 && $found[2] >= 1 && $found[2] <= 512) {
            return new self($found[1], '', (int) $found[2] - 1);
        }
        $isMessage = preg_match('#^message:([a-z0-9-]+):(\d{1,2}):(/\S{1,200})$#D', $text, $found) === 1;
        if ($isMessage && $found[2] >= 1 && $found[2] <= 64) {
            return new self($found[1], $found[3], (int) $found[2]);
        }

        $point = str_starts_with($text, 'point:') ? Reference::parse(substr($text, \strlen('point:'))) : null;

        return $point === null ? null : new self('', '', 0, $point);
    }

    public function isSlot(): bool
    {
        return $this->address === '' && $this->point === null;
    }

    public function key(): string
    {
        if ($this->point !== null) {
            return "point:{$this->point->text()}";
        }

        return $this->isSlot()
            ? "slot:{$this->holder}:".($this->place + 1)
            : "message:{$this->holder}:{$this->place}:{$this->address}";
    }
}
