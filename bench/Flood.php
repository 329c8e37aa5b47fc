<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Sacn\Data;
use Symfony\Component\Process\Process;

/**
 * One port is flooded with 50,000 datagrams a second; another port's output keeps its rate, measured against the same
 * without a flood.
 */
final readonly class Flood implements Measurement
{
    private const NET = '127.79.1';
    private const FLOOD_A_SECOND = 50_000;
    private const RATE = 44.0;

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Flood: '.number_format(self::FLOOD_A_SECOND).' datagrams a second at one port, 44 Hz at another';
    }

    public function run(): iterable
    {
        $show = new Show(self::document());
        $engine = new Subject(
            ['artisan', 'junction:engine', "--show={$show->file}", '--for='.(4 * $this->seconds + 60)],
            'The engine runs',
        );
        try {
            $this->rate(1.0);
            $calm = $this->rate($this->seconds);
            $ownCalm = $this->ownRate(2.0);
            $flood = new Process(
                [
                    PHP_BINARY,
                    __DIR__.'/Support/flood.php',
                    self::NET.'.1',
                    '6454',
                    (string) self::FLOOD_A_SECOND,
                    (string) ($this->seconds + 2),
                ],
                timeout: null,
            );
            $flood->start();
            $flood->waitUntil(static fn(string $type, string $said): bool => str_contains($said, 'flooding'));
            $flooded = $this->rate($this->seconds / 2);
            $ownFlooded = $this->ownRate($this->seconds / 2);
            $flood->wait();
            $flowed = (float) substr((string) strrchr(trim($flood->getOutput()), ' '), 1);
        } finally {
            $engine->stop();
            $show->delete();
        }
        yield Line::atLeast('frames of the other port a second, while flooded', $flooded, 40.0, '');
        yield Line::only('frames of the other port a second, before', $calm, '');
        yield Line::atLeast('different frames a second of the flooded port\'s own desk, while flooded', $ownFlooded, 20.0, '');
        yield Line::only('different frames a second of that desk, before', $ownCalm, '');
        yield Line::only('of what it was before', 100 * $flooded / max(0.001, $calm), ' %');
        yield Line::only('datagrams of the flood a second, really sent', $flowed, '');
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        return [
            'universes' => [
                ['id' => 'flooded', 'name' => 'Flooded'],
                ['id' => 'calm', 'name' => 'Calm'],
                ['id' => 'own', 'name' => 'Own'],
            ],
            'ports' => [
                [
                    'id' => 'desk',
                    'name' => 'Desk',
                    'protocol' => 'art-net',
                    'receive' => [
                        'address' => self::NET.'.1',
                        'feeds' => [['number' => 0, 'universe' => 'flooded'], ['number' => 5, 'universe' => 'own']],
                    ],
                ],
                [
                    'id' => 'guest',
                    'name' => 'Guest',
                    'protocol' => 'sacn',
                    'receive' => ['address' => self::NET.'.1', 'feeds' => [['number' => 1, 'universe' => 'calm']]],
                ],
                [
                    'id' => 'own',
                    'name' => 'Own',
                    'protocol' => 'art-net',
                    'send' => [
                        'address' => self::NET.'.1',
                        'to' => [self::NET.'.22'],
                        'carries' => [['number' => 9, 'universe' => 'own']],
                    ],
                ],
                [
                    'id' => 'node',
                    'name' => 'Node',
                    'protocol' => 'sacn',
                    'send' => [
                        'address' => self::NET.'.1',
                        'to' => [self::NET.'.21'],
                        'carries' => [['number' => 2, 'universe' => 'calm']],
                    ],
                ],
            ],
        ];
    }

    /** The same through the flooded port itself, from an address of its own. */
    private function ownRate(float $seconds): float
    {
        $desk = stream_socket_server('udp://'.self::NET.'.13:6454', $code, $message, \STREAM_SERVER_BIND);
        $node = stream_socket_server('udp://'.self::NET.'.22:6454', $code, $message, \STREAM_SERVER_BIND);
        $sent = 0;
        $different = [];
        $begin = microtime(true);
        while (($now = microtime(true)) - $begin < $seconds) {
            if ($now - $begin >= $sent / self::RATE) {
                ++$sent;
                stream_socket_sendto(
                    $desk,
                    (new Dmx(5, pack('n', $sent).str_repeat("\7", 510), $sent % 255 + 1))->encode(),
                    0,
                    self::NET.'.1:6454',
                );
            }
            $read = [$node];
            $none = [];
            if (stream_select($read, $none, $none, 0, 2000) > 0) {
                $different[substr((string) stream_socket_recvfrom($node, 2048), 18, 2)] = true;
            }
        }
        fclose($desk);
        fclose($node);

        return \count($different) / $seconds;
    }

    /** Sends frames that all differ at 44 a second, and counts what comes out. */
    private function rate(float $seconds): float
    {
        $desk = stream_socket_server('udp://'.self::NET.'.12:5568', $code, $message, \STREAM_SERVER_BIND);
        $node = stream_socket_server('udp://'.self::NET.'.21:5568', $code, $message, \STREAM_SERVER_BIND);
        $heard = $sent = 0;
        $begin = microtime(true);
        while (($now = microtime(true)) - $begin < $seconds) {
            if ($now - $begin >= $sent / self::RATE) {
                ++$sent;
                stream_socket_sendto(
                    $desk,
                    (new Data('flood bench-----', 1, str_repeat(\chr($sent % 256), 512), $sent % 256))->encode(),
                    0,
                    self::NET.'.1:5568',
                );
            }
            $read = [$node];
            $none = [];
            if (stream_select($read, $none, $none, 0, 2000) > 0) {
                stream_socket_recvfrom($node, 2048);
                ++$heard;
            }
        }
        fclose($desk);
        fclose($node);

        return $heard / $seconds;
    }
}
