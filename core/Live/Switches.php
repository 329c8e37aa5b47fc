<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/**
 * Which routes, or which ports, have been switched on or off by hand, or by a route. For all others the show's own
 * word counts; and where the show's word changes, that counts again.
 */
final class Switches implements Room
{
    /** @var array<string, bool> by id */
    private array $switched = [];

    /** @var array<string, bool> the show's own word, by id */
    private array $said = [];

    /** @var array<string, true> while there are any, only these are on; not kept over a restart */
    private array $alone = [];

    /** @param string $key its name in the state that is kept */
    public function __construct(private readonly string $key)
    {
    }

    /** @param array<string, bool> $said the show's own word, by id: of all others nothing is kept */
    public function adopt(array $said): void
    {
        foreach ($this->switched as $id => $isOn) {
            if (! isset($said[$id]) || $said[$id] === $isOn || $said[$id] !== ($this->said[$id] ?? null)) {
                unset($this->switched[$id]);
            }
        }
        $this->said = $said;
        $this->alone = array_intersect_key($this->alone, $said);
    }

    /** @return array<string, bool> those that are otherwise than the show says, by id */
    public function all(): array
    {
        return $this->switched;
    }

    /** @param bool $said the show's own word */
    public function isOn(string $id, bool $said): bool
    {
        return ($this->alone === [] || isset($this->alone[$id])) && ($this->switched[$id] ?? $said);
    }

    /** Whether all others are left out because of some. */
    public function isLeftOut(string $id): bool
    {
        return $this->alone !== [] && ! isset($this->alone[$id]);
    }

    public function beAlone(string $id, bool $isAlone): void
    {
        unset($this->alone[$id]);
        if ($isAlone) {
            $this->alone[$id] = true;
        }
    }

    /** @return list<string> those that are alone on */
    public function alone(): array
    {
        return array_map(strval(...), array_keys($this->alone));
    }

    public function turn(string $id, bool $isOn): void
    {
        unset($this->switched[$id]);
        if (($this->said[$id] ?? $isOn) !== $isOn) {
            $this->switched[$id] = $isOn;
        }
    }

    public function key(): string
    {
        return $this->key;
    }

    public function revisions(): array
    {
        return array_map(intval(...), $this->switched);
    }

    public function kept(string $part, int $now): bool
    {
        return $this->switched[$part] ?? false;
    }

    public function restore(Stored $stored): void
    {
        foreach (array_intersect($stored->names(), array_map(strval(...), array_keys($this->said))) as $id) {
            $this->turn($id, $stored->flag($id));
        }
    }
}
