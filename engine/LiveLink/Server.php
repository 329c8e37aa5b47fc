<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink;

use Amp\Socket\ResourceSocket;
use Amp\Socket\ServerSocket;
use Amp\Socket\Socket;
use Amp\Socket\SocketException;
use Amp\TimeoutCancellation;
use NimbleJunction\Engine\LiveLink\WebSocket\Frame;
use NimbleJunction\Engine\LiveLink\WebSocket\FrameReader;
use NimbleJunction\Engine\LiveLink\WebSocket\Handshake;
use NimbleJunction\Engine\LiveLink\WebSocket\ProtocolError;
use NimbleJunction\Engine\Net\Descriptors;
use Revolt\EventLoop;

use function Amp\Socket\listen;

/** The live link: a WebSocket server for pages that have shown a token. */
final class Server
{
    public const PER_SECOND = 30;

    /** The link's own address, and that behind a web server which takes the path away. */
    private const PATHS = ['/live', '/'];
    private const MOST_CLIENTS = 100;

    /** Pages of one person: somebody who opens the same page again and again keeps nobody out. */
    private const MOST_OF_ONE = 24;

    /** So that people of the show get in, however many guests there are. */
    private const MOST_GUESTS = 80;
    private const LONGEST_REQUEST = 8192;
    private const SHAKE_SECONDS = 5.0;
    private const SEND_BUFFER = 128 * 1024;

    /** After this the page has to show a new token: it comes back by itself. */
    private const LONGEST_VISIT_SECONDS = 1800;

    /** @var array<int, Client> */
    private array $clients = [];
    private readonly Lobby $lobby;
    private ?ServerSocket $server = null;
    private ?string $ticker = null;

    public function __construct(
        private readonly Gate $gate,
        private readonly Conversation $conversation,
        private readonly Descriptors $descriptors = new Descriptors(),
    ) {
        $this->lobby = new Lobby();
    }

    /**
     * @param string $address "127.0.0.1:8081"
     *
     * @throws SocketException
     */
    public function start(string $address): void
    {
        $server = $this->server = listen($address);
        EventLoop::queue(function () use ($server): void {
            while (($socket = $server->accept()) !== null) {
                EventLoop::queue($this->serve(...), $socket);
            }
        });
    }

    /** Only while somebody is there. */
    private function turnWhileSomebodyIsThere(): void
    {
        if ($this->clients === [] && $this->ticker !== null) {
            EventLoop::cancel($this->ticker);
            $this->ticker = null;
        } elseif ($this->clients !== []) {
            $this->ticker ??= EventLoop::repeat(1 / self::PER_SECOND, $this->tick(...));
        }
    }

    public function stop(): void
    {
        EventLoop::cancel($this->ticker ?? '');
        $this->server?->close();
        foreach ($this->clients as $client) {
            $client->close();
        }
    }

    public function count(): int
    {
        return \count($this->clients);
    }

    private function tick(): void
    {
        $now = time();
        foreach ($this->clients as $client) {
            if ($now - $client->openedAt > self::LONGEST_VISIT_SECONDS) {
                $client->end(4401, 'show a new token');
            } elseif (! $client->isBusy()) {
                $this->show($client);
            }
        }
    }

    /** A fault with what one page follows keeps nothing from the others. */
    private function show(Client $client): void
    {
        try {
            $this->conversation->ready($client);
        } catch (\Throwable $fault) {
            EventLoop::queue(static fn() => throw $fault);
        }
    }

    private function serve(Socket $socket): void
    {
        $client = null;
        try {
            $client = $this->admit($socket);
            if ($client === null) {
                return;
            }
            $this->clients[spl_object_id($client)] = $client;
            $this->turnWhileSomebodyIsThere();
            $this->conversation->opened($client);
            $this->listenTo($client, $socket);
        } catch (ProtocolError $error) {
            $client->end($error->getCode(), $error->getMessage());
        } catch (\Amp\CancelledException|\Amp\ByteStream\StreamException) {
            // The page went away: nothing is left to tell it.
        } finally {
            if ($client !== null) {
                unset($this->clients[spl_object_id($client)]);
                $this->turnWhileSomebodyIsThere();
                $this->conversation->closed($client);
            }
            if ($client === null || ! $client->isBusy()) {
                $socket->close();
            }
        }
    }

    private function admit(Socket $socket): ?Client
    {
        $address = (string) preg_replace('/:\d+$/', '', $socket->getRemoteAddress()->toString());
        if (! $this->descriptors->letIn('the live link')) {
            return null;
        }
        if (! $this->lobby->enter($address)) {
            $socket->write(Handshake::refuse(503, 'Too many connections wait at this door.'));

            return null;
        }
        try {
            return $this->shake($socket, $address);
        } finally {
            $this->lobby->leave($address);
        }
    }

    private function shake(Socket $socket, string $address): ?Client
    {
        $patience = new TimeoutCancellation(self::SHAKE_SECONDS);
        $request = '';
        while (! str_contains($request, "\r\n\r\n") && \strlen($request) < self::LONGEST_REQUEST) {
            $chunk = $socket->read($patience);
            if ($chunk === null) {
                return null;
            }
            $request .= $chunk;
        }
        $handshake = Handshake::read(strstr($request, "\r\n\r\n", true) ?: '');
        if ($handshake === null) {
            $socket->write(Handshake::refuse(400, 'This is a WebSocket: open it from the page.'));

            return null;
        }
        if (! \in_array($handshake->path, self::PATHS, true)) {
            $socket->write(Handshake::refuse(404, 'There is nothing at this address: the live link is at /live.'));

            return null;
        }
        $token = $this->gate->admit($handshake, time());
        if ($token === null || $this->isFull($token)) {
            $socket->write($token === null
                ? Handshake::refuse(403, 'The token or the page that asks is not accepted.')
                : Handshake::refuse(503, 'Too many pages are open.'));

            return null;
        }
        if ($socket instanceof ResourceSocket && \is_resource($socket->getResource())) {
            // A small buffer in the system, so that a slow page shows as busy soon.
            $raw = socket_import_stream($socket->getResource());
            if ($raw !== false) {
                socket_set_option($raw, \SOL_SOCKET, \SO_SNDBUF, self::SEND_BUFFER);
            }
        }
        $socket->write($handshake->accept());

        // A web server on this machine speaks for others, and says for whom.
        $isBetween = $handshake->realAddress !== '' && \in_array($address, ['127.0.0.1', '[::1]', '::1'], true);

        return new Client($socket, $token, time(), $isBetween ? $handshake->realAddress : $address);
    }

    private function isFull(Token $token): bool
    {
        $guests = array_filter($this->clients, static fn(Client $client): bool => $client->token->role === Role::Guest);
        $theirs = array_filter(
            $this->clients,
            static fn(Client $client): bool => $client->token->user === $token->user && $client->token->role !== Role::Guest,
        );
        if ($token->role !== Role::Guest && \count($theirs) >= self::MOST_OF_ONE) {
            return true;
        }

        return \count($this->clients) >= self::MOST_CLIENTS
            || ($token->role === Role::Guest && \count($guests) >= self::MOST_GUESTS);
    }

    /** @throws ProtocolError */
    private function listenTo(Client $client, Socket $socket): void
    {
        $reader = new FrameReader();
        while (($chunk = $socket->read()) !== null) {
            foreach ($reader->push($chunk) as [$opcode, $payload]) {
                if ($opcode === Frame::CLOSE) {
                    $client->end(1000, '');

                    return;
                }
                if ($opcode === Frame::PING) {
                    $client->write(Frame::encode(Frame::PONG, $payload));
                } elseif ($opcode === Frame::TEXT) {
                    $message = json_decode($payload, true, 16);
                    if (! \is_array($message)) {
                        throw new ProtocolError('the message is not JSON', 1007);
                    }
                    $this->conversation->heard($client, $message);
                }
            }
        }
    }
}
