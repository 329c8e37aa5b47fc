<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink\WebSocket;

/**
 * The opening handshake (RFC 6455, 4.2). The token comes as a subprotocol after our own name: unlike an address it stands in
 * no log of a web server in between.
 */
final readonly class Handshake
{
    public const PROTOCOL = 'junction';
    private const GUID = '258EAFA5-E914-47DA-95CA-C5AB0DC85B11';

    /**
     * @param string $token '' for none
     * @param string $realAddress of whoever asks, as a web server in between says; '' where it does not
     */
    private function __construct(
        public string $key,
        public string $path,
        public string $origin,
        public string $host,
        public string $token,
        public bool $hasProtocol,
        public string $realAddress,
    ) {
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
        $offered = array_map(trim(...), explode(',', $headers['sec-websocket-protocol'] ?? ''));
        $hasProtocol = $offered[0] === self::PROTOCOL;
        $token = $hasProtocol ? $offered[1] ?? '' : $query['token'] ?? '';

        return new self(
            $key,
            (string) parse_url($first[1], \PHP_URL_PATH),
            $headers['origin'] ?? '',
            $headers['host'] ?? '',
            \is_string($token) ? $token : '',
            $hasProtocol,
            filter_var($headers['x-real-ip'] ?? '', \FILTER_VALIDATE_IP) === false ? '' : $headers['x-real-ip'],
        );
    }

    public function accept(): string
    {
        return "HTTP/1.1 101 Switching Protocols\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Accept: "
            .base64_encode(sha1($this->key.self::GUID, true))."\r\n"
            .($this->hasProtocol ? 'Sec-WebSocket-Protocol: '.self::PROTOCOL."\r\n" : '')."\r\n";
    }

    public static function refuse(int $status, string $reason): string
    {
        return "HTTP/1.1 {$status} {$reason}\r\nConnection: close\r\nContent-Type: text/plain\r\nContent-Length: ".\strlen($reason)
            ."\r\n\r\n{$reason}";
    }
}
