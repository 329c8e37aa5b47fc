<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use Symfony\Component\Process\Process;

/** Says and hears datagrams in a network namespace: a small program of its own, since a process is in one namespace only. */
final class Ear
{
    private Background $process;

    /** @param string $group multicast group to join on the adapter "peer"; '' for none */
    public function __construct(string $namespace, string $address, int $port, string $group = '')
    {
        $this->process = new Background(
            [...Netns::words($namespace), PHP_BINARY, \dirname(__DIR__).'/Support/ear.php', $address, (string) $port, $group],
        );
        $this->process->untilSaid('listening');
    }

    /** @return int datagrams heard until now */
    public function count(): int
    {
        return preg_match_all('/^heard /m', $this->process->output());
    }

    /** The bytes of the newest one that was heard. */
    public function last(): string
    {
        return preg_match_all(
            '/^heard \S+ ([0-9a-f]*)$/m',
            $this->process->output(),
            $found,
        ) > 0 ? (string) hex2bin((string) end($found[1])) : '';
    }

    public function untilHeard(callable $fits, string $what): void
    {
        Background::until(fn(): bool => $this->last() !== '' && $fits($this->last()), $what, 30.0);
    }

    public function close(): void
    {
        $this->process->stop();
    }

    /** Sends one datagram from a namespace. */
    public static function say(string $namespace, string $bytes, string $to, int $port): void
    {
        (new Process([...Netns::words($namespace), PHP_BINARY, '-r', <<<'PHP'
            [, $bytes, $to, $port] = $argv;
            $out = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
            socket_set_option($out, SOL_SOCKET, SO_BROADCAST, 1);
            if ($to === "255.255.255.255") { socket_set_option($out, SOL_SOCKET, SO_BINDTODEVICE, "peer"); }
            if (str_starts_with($to, "239.")) { socket_set_option($out, IPPROTO_IP, IP_MULTICAST_IF, "peer"); }
            exit(@socket_sendto($out, hex2bin($bytes), strlen($bytes) / 2, 0, $to, (int) $port) === false ? 1 : 0);
            PHP, bin2hex($bytes), $to, (string) $port]))->run();
    }
}
