<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Engine\Net\Framing\Framing;
use Revolt\EventLoop;

/** The streams of one endpoint: a door that other ends come in by, those that came, and those that we called. */
final class Gathering
{
    private int $guests = 0;

    private const MOST = 64;

    /** Connections of one address: a machine that opens ever more leaves room for the others. */
    private const MOST_OF_ONE = 16;

    /** Options of Linux (linux/tcp.h): a connection whose other end is gone without a word is found in about ten seconds. */
    private const KEEP_ALIVE = [4 => 4, 5 => 2, 6 => 3, 18 => 10_000];
    private const CALL_SECONDS = 2.0;

    /** @var resource|null */
    private $door;
    private ?string $onGuest = null;

    /** @var array<string, ByteStream> by who it is */
    private array $streams = [];

    /** @var array<string, string> callbacks of calls that are not answered yet, by who is called */
    private array $calls = [];

    /**
     * @param \Closure(): Framing $framing a new one for each stream
     * @param \Closure(string): void $changed somebody came or went: why, in words, or ''
     */
    public function __construct(
        private readonly string $key,
        private readonly \Closure $framing,
        private readonly World $world,
        private readonly \Closure $changed,
    ) {
    }

    /**
     * @param string $where "tcp://address:port" or "unix://path"
     *
     * @throws CannotListen
     */
    public function openDoor(string $where): void
    {
        if ($this->door !== null) {
            return;
        }
        $door = @stream_socket_server($where, $code, $message);
        if ($door === false) {
            throw CannotListen::named(str_replace(['tcp://', 'unix://'], '', $where), (string) $message);
        }
        stream_set_blocking($door, false);
        $this->door = $door;
        $this->onGuest = EventLoop::onReadable($door, function () use ($door): void {
            $guest = @stream_socket_accept($door, 0, $name);
            if ($guest === false) {
                return;
            }
            $who = $this->named($name);
            if ($this->hasRoomFor($who)) {
                $this->take($guest, $who);
            } else {
                fclose($guest);
            }
        });
    }

    private function hasRoomFor(string $who): bool
    {
        $address = strstr("{$who}:", ':', true);
        $fromThere = \count(array_filter(
            array_keys($this->streams),
            static fn(string $one): bool => str_starts_with($one, "{$address}:"),
        ));

        return \count($this->streams) < self::MOST
            && $fromThere < self::MOST_OF_ONE
            && $this->world->descriptors->letIn($this->key);
    }

    /** Calls an other end, unless it is there or being called. */
    public function call(string $who): void
    {
        if (isset($this->streams[$who]) || isset($this->calls[$who])) {
            return;
        }
        $stream = @stream_socket_client(
            "tcp://{$who}",
            $code,
            $message,
            self::CALL_SECONDS,
            \STREAM_CLIENT_CONNECT | \STREAM_CLIENT_ASYNC_CONNECT,
        );
        if ($stream === false) {
            ($this->changed)("{$who} does not answer: {$message}");

            return;
        }
        $this->calls[$who] = EventLoop::onWritable($stream, function (string $callback) use ($stream, $who): void {
            EventLoop::cancel($callback);
            unset($this->calls[$who]);
            if (stream_socket_get_name($stream, true) === false) {
                fclose($stream);
                ($this->changed)("{$who} does not answer: nothing listens there");
            } else {
                $this->take($stream, $who);
            }
        });
    }

    /** @param list<string> $wanted other ends that are to be called */
    public function hangUpOthers(array $wanted, bool $door): void
    {
        foreach ($this->streams as $who => $stream) {
            if (! $door && ! \in_array($who, $wanted, true)) {
                $stream->close();
                unset($this->streams[$who]);
            }
        }
    }

    /** @param resource $stream */
    public function take($stream, string $who): void
    {
        self::keepAlive($stream);
        [$address, $port] = preg_match('/^([\d.]+):(\d+)$/D', $who, $found) === 1 ? [$found[1], (int) $found[2]] : [$who, 0];
        $this->streams[$who] = new ByteStream(
            $stream,
            ($this->framing)(),
            function (string $packet) use ($address, $port): void {
                ($this->world->arrived)($this->key, $address, $port, $packet);
                ($this->world->drained)();
            },
            function (string $why) use ($who): void {
                unset($this->streams[$who]);
                ($this->changed)("{$who}: {$why}");
            },
        );
        ($this->changed)('');
        ($this->world->joined)($this->key);
    }

    /** @param resource $stream */
    private static function keepAlive($stream): void
    {
        $name = stream_socket_get_name($stream, false);
        $socket = \is_string($name) && str_contains($name, ':') ? socket_import_stream($stream) : false;
        if ($socket === false) {
            return;
        }
        socket_set_option($socket, \SOL_SOCKET, \SO_KEEPALIVE, 1);
        socket_set_option($socket, \SOL_TCP, \TCP_NODELAY, 1);
        foreach (self::KEEP_ALIVE as $option => $value) {
            socket_set_option($socket, \SOL_TCP, $option, $value);
        }
    }

    /** @return string what went wrong, or '' */
    public function send(string $packet): string
    {
        $problem = $this->streams === [] ? 'nobody is connected' : '';
        foreach ($this->streams as $stream) {
            $problem = $stream->send($packet) ?: $problem;
        }

        return $problem;
    }

    /** @return list<string> */
    public function who(): array
    {
        return array_keys($this->streams);
    }

    public function close(): void
    {
        EventLoop::cancel($this->onGuest ?? '');
        array_map(EventLoop::cancel(...), $this->calls);
        foreach ($this->streams as $stream) {
            $stream->close();
        }
        $this->streams = $this->calls = [];
        if ($this->door !== null) {
            fclose($this->door);
            $this->door = null;
        }
    }

    /** Who came through a Unix socket has no address: what the system gives for a name then is no text at all. */
    private function named(mixed $name): string
    {
        return \is_string($name) && preg_match('/^[\d.]+:\d+$/D', $name) === 1 ? $name : 'a program ('.(++$this->guests).')';
    }
}
