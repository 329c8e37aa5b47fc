<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink\WebSocket;

/** The opening handshake (RFC 6455, 4.2). */
final readonly class Handshake
{
    private const GUID = '258EAFA5-E914-47DA-95CA-C5AB0DC85B11';

    /** @param array<string, string> $query */
    private function __construct(public string $key, public string $path, public string $origin, public string $host, public array $query)
    {
    }

    /** @param string $request up to and with the empty line */
    public static function read(string $request): ?self
    {
        $lines = explode("\r\n", $request);
        if (preg_match('#^GET (\S+) HTTP/1\.1$#', $lines[0], $first) !== 1) {
            return null;
        }
        $headers = [];
        foreach (\array_slice($lines, 1) as $line) {
            [$name, $value] = explode(':', $line, 2) + [1 => ''];
            $headers[strtolower(trim($name))] = trim($value);
        }
        $key = $headers['sec-websocket-key'] ?? '';
        if (strtolower($headers['upgrade'] ?? '') !== 'websocket'
            || ! str_contains(strtolower($headers['connection'] ?? ''), 'upgrade')
            || ($headers['sec-websocket-version'] ?? '') !== '13'
            || \strlen((string) base64_decode($key, true)) !== 16) {
            return null;
        }
        parse_str((string) parse_url($first[1], \PHP_URL_QUERY), $query);

        return new self(
            $key,
            (string) parse_url($first[1], \PHP_URL_PATH),
            $headers['origin'] ?? '',
            $headers['host'] ?? '',
            array_filter(self::named($query), \is_string(...)),
        );
    }

    public function accept(): string
    {
        return "HTTP/1.1 101 Switching Protocols\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Accept: "
            .base64_encode(sha1($this->key.self::GUID, true))."\r\n\r\n";
    }

    public static function refuse(int $status, string $reason): string
    {
        return "HTTP/1.1 {$status} {$reason}\r\nConnection: close\r\nContent-Type: text/plain\r\nContent-Length: ".\strlen($reason)."\r\n\r\n{$reason}";
    }

    /**
     * @param array<mixed> $query
     *
     * @return array<string, mixed>
     */
    private static function named(array $query): array
    {
        return array_combine(array_map(strval(...), array_keys($query)), $query);
    }
}
