<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\DmxLine\SerialMarks;
use Revolt\EventLoop;

/** DMX lines at serial interfaces. One that is unplugged is tried again until it is back. */
final class SerialLines implements Transport
{
    /** Bytes that are taken at one look: two refreshes. */
    private const CHUNK = 1200;

    /** @var array<string, SerialDevice> by key */
    private array $devices = [];

    /** @var array<string, string> callbacks that read, by key */
    private array $readers = [];

    public function __construct(private readonly World $world)
    {
    }

    public function adopt(array $endpoints): array
    {
        foreach (array_keys(array_diff_key($this->devices, $endpoints)) as $key) {
            $this->end($key);
        }
        $faults = [];
        foreach (array_diff_key($endpoints, $this->devices) as $key => $endpoint) {
            try {
                $refusal = $this->world->reach->devices->refusal($endpoint->device);
                if ($refusal !== '') {
                    $faults[$key] = $refusal;

                    continue;
                }
                $this->devices[$key] = SerialDevice::open($endpoint->device);
                if ($endpoint->portIds !== []) {
                    $this->read($endpoint, $this->devices[$key]);
                }
            } catch (CannotListen $cannot) {
                $faults[$key] = $cannot->getMessage().' It is tried again every two seconds.';
            }
        }

        return $faults;
    }

    public function send(OutgoingPacket $packet): string
    {
        $problem = ($this->devices[$packet->via] ?? null)?->refresh($packet->bytes) ?? 'the serial device is not there';
        if ($problem !== '') {
            $this->end($packet->via);
            ($this->world->fault)($packet->via, "{$packet->address}: {$problem}. It is tried again every two seconds.");
        }

        return $problem;
    }

    public function connected(): array
    {
        return array_map(static fn(): array => ['the device'], $this->devices);
    }

    public function close(): void
    {
        array_map($this->end(...), array_keys($this->devices));
    }

    private function read(Endpoint $endpoint, SerialDevice $device): void
    {
        $stream = $device->stream();
        $marks = new SerialMarks();
        $this->readers[$endpoint->key] = EventLoop::onReadable($stream, function () use ($stream, $marks, $endpoint): void {
            $bytes = @fread($stream, self::CHUNK);
            if ($bytes === false || ($bytes === '' && feof($stream))) {
                $this->end($endpoint->key);
                ($this->world->fault)($endpoint->key, "{$endpoint->device} is gone: it is tried again every two seconds.");

                return;
            }
            foreach ($marks->push($bytes) as $line) {
                ($this->world->arrived)($endpoint->key, basename($endpoint->device), 0, $line);
            }
            ($this->world->drained)();
        });
    }

    private function end(string $key): void
    {
        EventLoop::cancel($this->readers[$key] ?? '');
        ($this->devices[$key] ?? null)?->close();
        unset($this->devices[$key], $this->readers[$key]);
    }
}
