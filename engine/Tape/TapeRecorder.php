<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

use NimbleJunction\Core\Plan\Endpoint;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\PcapngStream;
use NimbleJunction\Core\Wire\Capture\RawIpv4;

/**
 * What arrives at ports is written to a file as it arrives. What came by UDP is a datagram on an interface "network"; what
 * came otherwise stands as it is on an interface named by its port.
 */
final class TapeRecorder
{
    public const NETWORK = 'network';

    /** A file ends here: about nine hours of four universes that never stand still. */
    private const MOST_BYTES = 4_000_000_000;

    /** So much of the disk is left to others. */
    private const LEFT_FREE = 500_000_000;

    /** Written at once; the system's own buffers do the rest. */
    private const PIECE = 65_536;
    private const SOME = 1000;

    /** Why it ended by itself; '' where it did not. */
    public string $why = '';
    public int $packets = 0;
    public int $bytes = 0;

    /** @var resource|null */
    private $file;
    private readonly PcapngStream $stream;
    private string $waiting = '';
    private ?int $first = null;
    private int $last = 0;

    /** @param list<string> $ports ids; none for all that receive */
    public function __construct(private readonly string $path, private readonly array $ports)
    {
        $this->stream = new PcapngStream();
        $file = @fopen($path, 'xb');
        $this->file = $file === false ? null : $file;
        $this->waiting = PcapngStream::begin();
        if ($this->file === null) {
            $this->why = 'its file cannot be written: is the disk full, or the data folder not ours?';
        }
    }

    public function isOpen(): bool
    {
        return $this->file !== null;
    }

    /** @return float seconds from the first packet to the last one */
    public function seconds(): float
    {
        return $this->first === null ? 0.0 : ($this->last - $this->first) / 1e9;
    }

    /** @param int $at nanoseconds since 1970 */
    public function heard(Endpoint $endpoint, string $address, int $port, string $bytes, int $at): void
    {
        $ids = $this->ports === [] ? $endpoint->portIds : array_values(array_intersect($endpoint->portIds, $this->ports));
        if ($this->file === null || $ids === []) {
            return;
        }
        $isDatagram = $endpoint->kind === LinkKind::Udp && filter_var($address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) !== false;
        if ($isDatagram) {
            // Whose address it went to the socket does not say: that of the endpoint, or everybody's.
            $ours = filter_var($endpoint->address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) !== false
                && $endpoint->address !== '0.0.0.0'
                ? $endpoint->address
                : '255.255.255.255';
            $this->waiting .= $this->stream->packet(
                self::NETWORK,
                Frame::RAW,
                $at,
                RawIpv4::packet(new Datagram($at, $address, $port, $ours, $endpoint->port, $bytes)),
            );
        } else {
            $this->waiting .= $this->stream->packet($ids[0], Frame::PRIVATE_USE, $at, $bytes);
        }
        $this->first ??= $at;
        $this->last = $at;
        ++$this->packets;
        if (\strlen($this->waiting) > self::PIECE) {
            $this->write();
        }
        if ($this->packets % self::SOME === 0 && (float) @disk_free_space(\dirname($this->path)) < self::LEFT_FREE) {
            $this->end('the disk is nearly full');
        } elseif ($this->bytes > self::MOST_BYTES) {
            $this->end('the file has become too large');
        }
    }

    public function end(string $why = ''): void
    {
        if ($this->file === null) {
            return;
        }
        $this->why = $why;
        $this->write();
        if ($this->file !== null) {
            fclose($this->file);
        }
        $this->file = null;
    }

    private function write(): void
    {
        if ($this->file === null || $this->waiting === '') {
            return;
        }
        $written = @fwrite($this->file, $this->waiting);
        if ($written !== \strlen($this->waiting)) {
            fclose($this->file);
            $this->file = null;
            $this->why = 'its file cannot be written any more: is the disk full?';
        }
        $this->bytes += (int) $written;
        $this->waiting = '';
    }
}
