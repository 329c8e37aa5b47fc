<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Engine\Net\Framing\MidiBytes;

/** Raw MIDI character devices and FIFOs. One that is unplugged is tried again until it is back. */
final class Devices implements Transport
{
    /** Bytes that are taken at one look: three times what a MIDI cable carries in the hundredth of a second. */
    private const CHUNK = 128;

    /** @var array<string, ByteStream> by key */
    private array $streams = [];

    public function __construct(private readonly World $world)
    {
    }

    public function adopt(array $endpoints): array
    {
        foreach (array_diff_key($this->streams, $endpoints) as $key => $stream) {
            $stream->close();
            unset($this->streams[$key]);
        }
        $faults = [];
        foreach (array_diff_key($endpoints, $this->streams) as $key => $endpoint) {
            $fault = $this->open($endpoint);
            if ($fault !== '') {
                $faults[$key] = $fault;
            }
        }

        return $faults;
    }

    public function send(OutgoingPacket $packet): string
    {
        return ($this->streams[$packet->via] ?? null)?->send($packet->bytes) ?? 'the device is not there';
    }

    public function connected(): array
    {
        return array_map(static fn(): array => ['the device'], $this->streams);
    }

    public function close(): void
    {
        foreach ($this->streams as $stream) {
            $stream->close();
        }
        $this->streams = [];
    }

    private function open(Endpoint $endpoint): string
    {
        $path = $endpoint->device;
        $refusal = $this->world->reach->devices->refusal($path);
        if ($refusal !== '') {
            return $refusal;
        }
        // Read and write at once: a FIFO is then open even before its other end is.
        $stream = @fopen($path, 'r+n');
        if ($stream === false) {
            return "{$path} cannot be opened: is it in use, and may this user open it?";
        }
        $this->streams[$endpoint->key] = new ByteStream(
            $stream,
            new MidiBytes(),
            function (string $packet) use ($endpoint): void {
                ($this->world->arrived)($endpoint->key, basename($endpoint->device), 0, $packet);
                ($this->world->drained)();
            },
            function () use ($endpoint): void {
                unset($this->streams[$endpoint->key]);
                ($this->world->fault)($endpoint->key, "{$endpoint->device} is gone: it is tried again every two seconds.");
            },
            self::CHUNK,
            // What a FIFO takes for others would come back otherwise.
            $endpoint->portIds !== [],
        );

        return '';
    }
}
