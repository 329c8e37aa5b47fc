<?php

declare(strict_types=1);

namespace App\Live;

use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;

/**
 * Why a page does not get its live link: the same door is tried from here, without the web server in between. A browser tells
 * a page nothing but that it failed.
 */
final readonly class LinkCheck
{
    private const PATIENCE_SECONDS = 3;

    /** @param string $listens "127.0.0.1:8081", as the engine listens */
    public function __construct(private string $listens, private string $secret, private string $address)
    {
    }

    /**
     * @param string $origin of the page that asks, "https://junction.example"
     * @param string $host that it asked for, with its port
     *
     * @return string what is wrong and the way out
     */
    public function words(string $origin, string $host): string
    {
        $answer = $this->knock($origin, $host);

        return match (true) {
            $answer === null => "No engine listens at {$this->listens}. Start it (systemctl start nimble-junction-engine), "
                .'or see why it ended (journalctl -u nimble-junction-engine).',
            $answer === 0 => "The engine at {$this->listens} does not answer: it hangs. Its service manager begins it again; "
                .'or do so by hand (systemctl restart nimble-junction-engine).',
            $answer === 101 => $this->unreached(),
            $answer === 503 => 'The engine has as many pages open as it takes: close some that nobody needs.',
            $answer === 403 => $this->refused($origin, $host),
            default => "What listens at {$this->listens} is not the engine: free that port, "
                .'or set JUNCTION_LIVE to another one for both.',
        };
    }

    private function refused(string $origin, string $host): string
    {
        return $this->knock("http://{$host}", $host) === 101
            ? "The engine does not trust pages from {$origin}, because it is asked as {$host}. Have the web server pass the host on "
                .'(proxy_set_header Host), or name the page in JUNCTION_ORIGINS and restart the engine.'
            : 'The engine was started with another APP_KEY than the web server has: restart both.';
    }

    private function unreached(): string
    {
        return str_starts_with($this->address, '/')
            ? "The engine is well, but {$this->address} on this web server does not lead to it: "
                ."pass it on to {$this->listens} as a WebSocket, as deploy/nginx.conf does."
            : "The engine is well, but this page does not reach it at \"{$this->address}\": "
                .'look at JUNCTION_LIVE_URL, and at firewalls in between.';
    }

    /** @return int|null the status it answers; null where nobody listens, 0 where nothing comes, 1 for what is no HTTP */
    private function knock(string $origin, string $host): ?int
    {
        $socket = @stream_socket_client("tcp://{$this->listens}", $code, $message, self::PATIENCE_SECONDS);
        if ($socket === false) {
            return null;
        }
        stream_set_timeout($socket, self::PATIENCE_SECONDS);
        $token = Token::sign('', Role::Viewer, $this->secret, time());
        fwrite($socket, implode("\r\n", [
            'GET /live HTTP/1.1',
            "Host: {$host}",
            "Origin: {$origin}",
            'Upgrade: websocket',
            "Sec-WebSocket-Protocol: junction, {$token}",
            'Connection: Upgrade',
            'Sec-WebSocket-Version: 13',
            'Sec-WebSocket-Key: '.base64_encode(random_bytes(16)),
        ])."\r\n\r\n");
        $first = (string) fgets($socket, 256);
        fclose($socket);

        return $first === '' ? 0 : (preg_match('#^HTTP/1\.1 (\d{3}) #', $first, $found) === 1 ? (int) $found[1] : 1);
    }
}
