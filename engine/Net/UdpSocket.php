<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/** One bound UDP socket that never blocks. */
final class UdpSocket
{
    private const RECEIVE_BUFFER = 4 * 1024 * 1024;

    /** Options of Linux that PHP has no names for (linux/in.h). */
    private const IP_MULTICAST_ALL = 49;
    private const IP_UNICAST_IF = 50;

    /** @var resource */
    private $stream;

    /** @var array<string, true> groups joined so far, "group adapter" */
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
     * @param string $device adapter that it hears alone; '' for all
     *
     * @throws CannotListen
     */
    public static function bind(string $address, int $port, bool $shared = false, string $device = ''): self
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
        // Groups that other programs of this machine have joined are none of ours.
        socket_set_option($socket, \IPPROTO_IP, self::IP_MULTICAST_ALL, 0);
        if (
            ($device !== '' && ! @socket_set_option($socket, \SOL_SOCKET, \SO_BINDTODEVICE, $device))
            || ! @socket_bind($socket, $address, $port)
        ) {
            $code = socket_last_error($socket);
            socket_close($socket);

            throw CannotListen::because($address, $port, $code);
        }
        socket_set_nonblock($socket);

        return new self($socket, $address);
    }

    /**
     * Whether some program of this machine listens at exactly this address and port: it would take what is sent there, or
     * we would.
     */
    public static function isTaken(string $address, int $port): bool
    {
        $wanted = \sprintf('%s:%04X', strtoupper(bin2hex(strrev((string) inet_pton($address)))), $port);
        foreach (@file('/proc/net/udp') ?: [] as $line) {
            if ((preg_split('/\s+/', trim($line))[1] ?? '') === $wanted) {
                return true;
            }
        }

        return false;
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
        return $code === \SOCKET_EAGAIN || $code === \SOCKET_ENOBUFS ? '' : socket_strerror($code);
    }

    /** Of our own addresses the one that the other end sees us by; '' when it cannot be reached. */
    public static function addressTowards(string $other): string
    {
        $socket = socket_create(\AF_INET, \SOCK_DGRAM, \SOL_UDP);
        $address = '';
        // A datagram socket that is connected sends nothing, and is given the address that it would send from.
        if ($socket !== false && @socket_connect($socket, $other, 9)) {
            socket_getsockname($socket, $address);
        }
        if ($socket !== false) {
            socket_close($socket);
        }

        return \is_string($address) ? $address : '';
    }

    /**
     * Is in these groups from now on, on this adapter, and in no others.
     *
     * @param list<string> $groups
     * @param int|string $adapter its name; 0 for whichever the system chooses
     *
     * @throws CannotListen
     */
    public function joinOnly(array $groups, int|string $adapter): void
    {
        $wanted = array_fill_keys($groups, true);
        foreach (array_keys(array_diff_key($this->groups, $wanted)) as $group) {
            @socket_set_option($this->socket, \IPPROTO_IP, \MCAST_LEAVE_GROUP, ['group' => $group, 'interface' => $adapter]);
            unset($this->groups[$group]);
        }
        foreach (array_keys(array_diff_key($wanted, $this->groups)) as $group) {
            if (! @socket_set_option(
                $this->socket,
                \IPPROTO_IP,
                \MCAST_JOIN_GROUP,
                ['group' => $group, 'interface' => $adapter],
            )) {
                $where = $adapter === 0 ? '' : " on {$adapter}";

                throw CannotListen::at(
                    $group,
                    0,
                    "the group cannot be joined{$where}: ".socket_strerror(socket_last_error($this->socket)).'. Does the adapter carry multicast?',
                );
            }
            $this->groups[$group] = true;
        }
    }

    /** What is sent leaves by this adapter or not at all; multicast is heard on this machine too, and goes over eight routers. */
    public function leaveBy(?Adapter $adapter): void
    {
        @socket_set_option($this->socket, \IPPROTO_IP, \IP_MULTICAST_TTL, 8);
        if ($adapter === null) {
            return;
        }
        @socket_set_option($this->socket, \IPPROTO_IP, \IP_MULTICAST_IF, $adapter->name);
        if (! $adapter->isLoopback()) {
            // As a number in the order of the network (linux/in.h).
            @socket_set_option(
                $this->socket,
                \IPPROTO_IP,
                self::IP_UNICAST_IF,
                (int) hexdec(bin2hex(pack('V', $adapter->index()))),
            );
        }
    }

    public function close(): void
    {
        if (\is_resource($this->stream)) {
            fclose($this->stream);
        }
    }
}
