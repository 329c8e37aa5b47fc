<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Engine\Net\Framing\MidiBytes;

/**
 * Virtual cables: raw MIDI bytes through a Unix socket of this machine, that
 * any program of the same user may open. Whoever is connected hears what we send.
 */
final class Cables implements Transport
{
    /** @var array<string, Gathering> by key */
    private array $gatherings = [];

    /** @var array<string, string> path by key */
    private array $paths = [];

    /** @param string $directory where the sockets are; '' when there is none */
    public function __construct(private readonly World $world, private readonly string $directory)
    {
    }

    public function adopt(array $endpoints): array
    {
        foreach (array_diff_key($this->gatherings, $endpoints) as $key => $gathering) {
            $gathering->close();
            @unlink($this->paths[$key]);
            unset($this->gatherings[$key], $this->paths[$key]);
        }
        $faults = [];
        foreach ($endpoints as $key => $endpoint) {
            if ($this->directory === '' || (! is_dir($this->directory) && ! @mkdir($this->directory, 0o700, true))) {
                $faults[$key] = 'There is no folder for virtual cables: start the engine with one that it may write to (--state).';

                continue;
            }
            if (isset($this->gatherings[$key])) {
                continue;
            }
            $path = self::path($this->directory, $endpoint->device);
            $gathering = new Gathering($key, static fn(): MidiBytes => new MidiBytes(), $this->world, static function (): void {
            });
            try {
                @unlink($path);
                $before = umask(0o177);
                $gathering->openDoor("unix://{$path}");
                umask($before);
                $this->gatherings[$key] = $gathering;
                $this->paths[$key] = $path;
            } catch (CannotListen $cannot) {
                $faults[$key] = $cannot->getMessage();
            }
        }

        return $faults;
    }

    /** Where a cable of this name is plugged in. */
    public static function path(string $directory, string $name): string
    {
        return "{$directory}/{$name}.midi";
    }

    public function send(OutgoingPacket $packet): string
    {
        // A cable with nothing at its other end is no fault: bytes fall out of it, as they do in the real world.
        $gathering = $this->gatherings[$packet->via] ?? null;

        return $gathering === null
            ? 'the cable is not there'
            : ($gathering->who() === [] ? '' : $gathering->send($packet->bytes));
    }

    public function connected(): array
    {
        return array_map(static fn(Gathering $gathering): array => $gathering->who(), $this->gatherings);
    }

    public function close(): void
    {
        foreach ($this->gatherings as $key => $gathering) {
            $gathering->close();
            @unlink($this->paths[$key]);
        }
        $this->gatherings = $this->paths = [];
    }
}
