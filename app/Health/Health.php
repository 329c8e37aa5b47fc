<?php

declare(strict_types=1);

namespace App\Health;

use App\Live\EngineDoor;
use NimbleJunction\Core\Port\State;

/** How the installation is, as one look: what runs, what does not, what is in trouble. */
final readonly class Health
{
    /** With less room on its disk than this nothing can be relied on to be stored. */
    private const LEAST_ROOM = 100_000_000;

    public function __construct(private EngineDoor $engine, private string $data, private string $version)
    {
    }

    /** @return array<string, mixed>|null what the engine says of itself; null where none runs, empty where it does not answer */
    public function engine(): ?array
    {
        return $this->engine->status();
    }

    /**
     * @param array<string, mixed>|null $engine
     *
     * @return list<string> what is wrong, in words; empty where nothing is
     */
    public function troubles(?array $engine): array
    {
        $troubles = match (true) {
            $engine === null => ['No engine runs.'],
            $engine === [] => ['The engine does not answer.'],
            default => [],
        };
        foreach (self::ports($engine) as $port) {
            if (State::tryFrom((string) ($port['state'] ?? ''))?->isTrouble() === true) {
                $troubles[] = "{$port['name']} is {$port['state']}.";
            }
        }
        foreach ((array) ($engine['warnings'] ?? []) as $warning) {
            $troubles[] = (string) $warning;
        }
        $room = $this->room();
        if ($room !== null && $room < self::LEAST_ROOM) {
            $troubles[] = 'The disk with the data folder has '.intdiv($room, 1_000_000).' MB left.';
        }
        if ($engine !== null && $engine !== [] && ($engine['version'] ?? '') !== $this->version) {
            $troubles[] = "The engine is version {$engine['version']}, the web server {$this->version}: restart what is older.";
        }

        return $troubles;
    }

    /** @return int|null bytes that are free where data is kept */
    public function room(): ?int
    {
        $free = @disk_free_space($this->data);

        return $free === false ? null : (int) $free;
    }

    public function version(): string
    {
        return $this->version;
    }

    /**
     * @param array<string, mixed>|null $engine
     *
     * @return array<string, array<string, mixed>> by id
     */
    public static function ports(?array $engine): array
    {
        $ports = [];
        foreach ((array) ($engine['ports'] ?? []) as $id => $port) {
            if (\is_array($port)) {
                $ports[(string) $id] = $port;
            }
        }

        return $ports;
    }
}
