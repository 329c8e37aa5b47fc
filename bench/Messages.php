<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\InUse;
use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Bench\Support\Subject;
use Symfony\Component\Process\Process;

/**
 * Routed messages, seen from outside: a program sends, another one receives, each message is told from the others by
 * its number. The same through a bare relay.
 */
final readonly class Messages implements Measurement
{
    private const NET = '127.79.5';
    private const ROUTES = 1000;
    private const PORT = 8000;
    private const BARE_PORT = 8100;
    private const ROUNDS = 3;

    /** Five of them that leave a whole number as it is. */
    private const STEPS = [
        ['kind' => 'scale', 'from' => [0, 1e6], 'to' => [0, 1]],
        ['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 1e6]],
        ['kind' => 'snap', 'size' => 1],
        ['kind' => 'limit', 'low' => 0, 'high' => 1e6],
        ['kind' => 'formula', 'text' => 'value + 0'],
    ];

    public function __construct(private int $rate, private float $seconds, private bool $hasSteps = false)
    {
    }

    public function title(): string
    {
        return "Messages: {$this->rate} OSC messages a second through ".self::ROUTES.' routes'
            .($this->hasSteps ? ' of five steps, a page and the trace open' : '').', from one program to another';
    }

    public function run(): iterable
    {
        $show = new Show(self::document($this->hasSteps ? self::STEPS : []));
        $time = (string) (int) (4 * self::ROUNDS * $this->seconds + 90);
        $bare = new Subject(
            [__DIR__.'/Support/passing.php', self::NET.'.2', (string) self::BARE_PORT, self::NET.'.21', $time],
            'ready',
        );
        try {
            $page = $this->hasSteps ? new InUse(0) : null;
            $engine = new Subject(
                ['artisan', 'junction:engine', "--show={$show->file}", "--for={$time}", ...$page?->options() ?? []],
                'The engine runs',
            );
            $page?->open((float) $time);
            $this->pass(self::PORT, '.1');
            $ours = $floor = [];
            $sent = $lost = 0;
            [$stolenBefore, $ticksBefore] = Subject::stolen();
            for ($round = 0; $round < self::ROUNDS; ++$round) {
                array_push($floor, ...$this->pass(self::BARE_PORT, '.2')[0]);
                [$times, $missing] = $this->pass(self::PORT, '.1');
                array_push($ours, ...$times);
                $sent += \count($times) + $missing;
                $lost += $missing;
            }
            [$stolen, $ticks] = Subject::stolen();
        } finally {
            isset($engine) && $engine->stop();
            isset($page) && $page->close();
            $bare->stop();
            $show->delete();
        }
        yield Line::atMost('sent to received, p99', Stopwatch::percentile($ours, 0.99) / 1e6, 2.0, ' ms');
        yield Line::only('sent to received, median', Stopwatch::percentile($ours, 0.5) / 1e6, ' ms');
        yield Line::only('the same through the bare relay, p99', Stopwatch::percentile($floor, 0.99) / 1e6, ' ms');
        yield Line::only('the same through the bare relay, median', Stopwatch::percentile($floor, 0.5) / 1e6, ' ms');
        yield Line::atMost('messages lost', $lost, 0.0, '');
        yield Line::only('messages sent', $sent, '');
        yield Line::only(
            'processor time that the host took away meanwhile: above 5 the times say nothing',
            100 * ($stolen - $stolenBefore) / max(1, $ticks - $ticksBefore),
            ' %',
        );
    }

    /** @return array{list<int>, int} nanoseconds from sending to receiving, of each message; how many never came */
    private function pass(int $port, string $end): array
    {
        $socket = socket_create(\AF_INET, \SOCK_DGRAM, \SOL_UDP);
        socket_set_option($socket, \SOL_SOCKET, \SO_RCVBUF, 4 * 1024 * 1024);
        socket_set_option($socket, \SOL_SOCKET, \SO_RCVTIMEO, ['sec' => 0, 'usec' => 100_000]);
        socket_bind($socket, self::NET.'.21', 9000);
        $sender = new Process(
            [
                PHP_BINARY,
                __DIR__.'/Support/messages.php',
                self::NET.'.11',
                self::NET.$end,
                (string) $port,
                (string) self::ROUTES,
                (string) $this->rate,
                (string) $this->seconds,
            ],
            timeout: 60,
        );
        $sender->start();
        $heardAt = [];
        $count = (int) ($this->rate * $this->seconds);
        // Until all have come, or none comes any more although the sender has ended.
        for ($end = hrtime(true) + 50_000_000_000; \count($heardAt) < $count && hrtime(true) < $end;) {
            if (@socket_recvfrom($socket, $bytes, 2048, 0, $from, $fromPort) !== false) {
                $heardAt[unpack('N', substr($bytes, -4))[1]] ??= hrtime(true);
            } elseif (! $sender->isRunning()) {
                break;
            }
        }
        socket_close($socket);
        $sender->wait();
        $times = [];
        foreach (json_decode($sender->getOutput(), true, flags: \JSON_THROW_ON_ERROR) as $number => $sentAt) {
            if (isset($heardAt[$number])) {
                $times[] = $heardAt[$number] - $sentAt;
            }
        }

        return [$times, $count - \count($times)];
    }

    /**
     * @param list<array<string, mixed>> $steps
     *
     * @return array<string, mixed>
     */
    private static function document(array $steps): array
    {
        $routes = [];
        for ($i = 0; $i < self::ROUTES; ++$i) {
            $routes[] = [
                'id' => "r{$i}",
                'name' => "Route {$i}",
                'when' => ['kind' => 'osc', 'port' => 'in', 'address' => "/in/{$i}"],
                'steps' => $steps,
                'do' => [[
                    'kind' => 'send',
                    'port' => 'out',
                    'message' => ['kind' => 'osc', 'address' => "/out/{$i}", 'arguments' => [['kind' => 'int']]],
                ]],
            ];
        }

        return [
            'version' => 2,
            'ports' => [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'protocol' => 'osc',
                    'receive' => ['address' => self::NET.'.1', 'port' => self::PORT],
                ],
                [
                    'id' => 'out',
                    'name' => 'Out',
                    'protocol' => 'osc',
                    'send' => ['address' => self::NET.'.1', 'to' => [self::NET.'.21'], 'port' => 9000],
                ],
            ],
            'routes' => $routes,
        ];
    }
}
