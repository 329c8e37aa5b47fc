<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** One bound UDP socket that never blocks. */
final class UdpSocket
{
    private const RECEIVE_BUFFER = 4 * 1024 * 1024;

    /** @var resource */
    private $stream;

    /** @var array<string, true> groups joined so far */
    private array $groups = [];

    private function __construct(private readonly \Socket $socket, public readonly string $address)
    {
        $stream = socket_export_stream($socket);
        if ($stream === false) {
            throw CannotListen::at($address, 0, 'the system gave no stream for the socket');
        }
        $this->stream = $stream;
    }

    /**
     * @param int $port 0 for any free one
     *
     * @throws CannotListen
     */
    public static function bind(string $address, int $port, bool $shared = false): self
    {
        $socket = socket_create(\AF_INET, \SOCK_DGRAM, \SOL_UDP);
        if ($socket === false) {
            throw CannotListen::at($address, $port, socket_strerror(socket_last_error()));
        }
        if ($shared) {
            socket_set_option($socket, \SOL_SOCKET, \SO_REUSEADDR, 1);
        }
        // Without it the system refuses broadcast addresses; nothing goes to one unless the show names it.
        socket_set_option($socket, \SOL_SOCKET, \SO_BROADCAST, 1);
        socket_set_option($socket, \SOL_SOCKET, \SO_RCVBUF, self::RECEIVE_BUFFER);
        if (! @socket_bind($socket, $address, $port)) {
            $code = socket_last_error($socket);
            socket_close($socket);

            throw CannotListen::because($address, $port, $code);
        }
        socket_set_nonblock($socket);

        return new self($socket, $address);
    }

    /** @return resource to wait on for readability */
    public function stream()
    {
        return $this->stream;
    }

    public function port(): int
    {
        $address = '';
        $port = 0;
        socket_getsockname($this->socket, $address, $port);

        return \is_int($port) ? $port : 0;
    }

    /**
     * The next datagram, or null when there is none.
     *
     * @return array{string, string, int}|null bytes, sender's address, sender's port
     */
    public function receive(int $longest): ?array
    {
        $from = '';
        $port = 0;
        $bytes = '';
        if (@socket_recvfrom($this->socket, $bytes, $longest, \MSG_DONTWAIT, $from, $port) === false) {
            return null;
        }

        /** @var array{string, string, int} */
        return [$bytes ?? '', $from, $port];
    }

    /** @return string what went wrong, or '' */
    public function send(string $bytes, string $address, int $port): string
    {
        if (@socket_sendto($this->socket, $bytes, \strlen($bytes), 0, $address, $port) !== false) {
            return '';
        }
        $code = socket_last_error($this->socket);
        socket_clear_error($this->socket);

        // A full buffer drops one datagram, as the network itself might.
        return $code === \SOCKET_EAGAIN ? '' : socket_strerror($code);
    }

    /** @param string $adapter one of our own addresses: the groups are joined on that adapter */
    public function join(string $group, string $adapter): void
    {
        if (isset($this->groups[$group])) {
            return;
        }
        $option = ['group' => $group, 'interface' => Adapters::named($adapter) ?? 0];
        if (! @socket_set_option($this->socket, \IPPROTO_IP, \MCAST_JOIN_GROUP, $option)) {
            throw CannotListen::at($group, 0, "the group cannot be joined on {$adapter}: ".socket_strerror(socket_last_error($this->socket)));
        }
        $this->groups[$group] = true;
    }

    /** @param list<string> $wanted groups to stay in */
    public function leaveOthers(array $wanted, string $adapter): void
    {
        foreach (array_keys($this->groups) as $group) {
            if (! \in_array($group, $wanted, true)) {
                @socket_set_option($this->socket, \IPPROTO_IP, \MCAST_LEAVE_GROUP, ['group' => $group, 'interface' => Adapters::named($adapter) ?? 0]);
                unset($this->groups[$group]);
            }
        }
    }

    /** Multicast datagrams leave through the adapter with this address, and are heard on this machine too. */
    public function multicastFrom(string $adapter): void
    {
        $name = Adapters::named($adapter);
        if ($name !== null) {
            @socket_set_option($this->socket, \IPPROTO_IP, \IP_MULTICAST_IF, $name);
        }
        @socket_set_option($this->socket, \IPPROTO_IP, \IP_MULTICAST_TTL, 8);
    }

    public function close(): void
    {
        if (\is_resource($this->stream)) {
            fclose($this->stream);
        }
    }
}
