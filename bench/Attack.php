<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Tests\Support\Fuzz;
use NimbleJunction\Tests\Support\Samples;

/**
 * Broken packets of every format at every port of a running engine, while a desk plays: half a million of them in ten
 * minutes.
 */
final readonly class Attack implements Measurement
{
    private const NET = '127.79.3';
    private const A_SECOND = 850;
    private const DESK_RATE = 40.0;
    private const WARM = 0.2;

    public function __construct(private float $seconds)
    {
    }

    public function title(): string
    {
        return 'Attack: '.self::A_SECOND.' broken packets a second at Art-Net, sACN, OSC and network MIDI, for '
            .round($this->seconds / 60, 1).' minutes';
    }

    public function run(): iterable
    {
        $folder = sys_get_temp_dir().'/junction-attack-'.bin2hex(random_bytes(4));
        mkdir($folder);
        $show = new Show(self::document());
        $engine = new Subject(
            ['artisan', 'junction:engine', "--show={$show->file}", "--state={$folder}", '--for='.($this->seconds + 60)],
            'The engine runs',
        );
        $desk = stream_socket_server('udp://'.self::NET.'.11:6454', $code, $message, \STREAM_SERVER_BIND);
        $node = stream_socket_server('udp://'.self::NET.'.21:5568', $code, $message, \STREAM_SERVER_BIND);
        $attacker = stream_socket_server('udp://'.self::NET.'.66:0', $code, $message, \STREAM_SERVER_BIND);
        stream_set_blocking($node, false);
        $samples = Samples::all();
        $doors = [['artnet', 6454], ['sacn', 5568], ['osc', 8000], ['applemidi', 5004], ['rtpmidi', 5005]];
        mt_srand(500_000);
        $thrown = $sent = $frames = 0;
        $different = [];
        $warm = null;
        try {
            for ($begin = microtime(true); ($now = microtime(true) - $begin) < $this->seconds;) {
                for ($burst = 0; $burst < 50 && $thrown < $now * self::A_SECOND; ++$burst, ++$thrown) {
                    [$format, $port] = $doors[$thrown % \count($doors)];
                    $bytes = Fuzz::mutate($samples[$format][mt_rand(0, \count($samples[$format]) - 1)], $samples[$format]);
                    @stream_socket_sendto($attacker, $bytes, 0, self::NET.".1:{$port}");
                }
                if ($sent < $now * self::DESK_RATE) {
                    ++$sent;
                    stream_socket_sendto(
                        $desk,
                        (new Dmx(200, pack('N', $sent).str_repeat("\7", 508), $sent % 255 + 1))->encode(),
                        0,
                        self::NET.'.1:6454',
                    );
                }
                while (($bytes = stream_socket_recvfrom($node, 2048)) !== false) {
                    ++$frames;
                    $different[substr($bytes, 126, 4)] = true;
                }
                $warm ??= $now > $this->seconds * self::WARM ? $engine->ownMegabytes() : null;
                usleep(2000);
            }
            $end = $engine->ownMegabytes();
            $faults = is_file("{$folder}/engine-faults.log")
                ? substr_count((string) file_get_contents("{$folder}/engine-faults.log"), ' while ')
                : 0;
        } finally {
            $engine->stop();
            $show->delete();
            array_map(fclose(...), [$desk, $node, $attacker]);
            exec('rm -rf '.escapeshellarg($folder));
        }
        yield Line::atLeast(
            'different frames of the desk that left, a second',
            \count($different) / $this->seconds,
            0.95 * self::DESK_RATE,
            '',
        );
        yield Line::atMost('faults of the program', $faults, 0.0, '');
        yield Line::atMost(
            'memory at the end, of what it was after a fifth of the time',
            $end / max(1.0, $warm ?? 1.0),
            1.1,
            '×',
        );
        yield Line::only('memory at the end', $end, ' MB');
        yield Line::only('broken packets sent', $thrown, '');
        yield Line::only('frames of the desk sent', $sent, '');
        yield Line::only('frames that left', $frames, '');
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        $here = self::NET.'.1';

        return [
            'universes' => [['id' => 'desk', 'name' => 'Desk'], ['id' => 'other', 'name' => 'Other', 'merge' => 'ltp']],
            'ports' => [
                [
                    'id' => 'art',
                    'name' => 'Art',
                    'protocol' => 'art-net',
                    'receive' => [
                        'address' => $here,
                        'feeds' => [['number' => 200, 'universe' => 'desk'], ['number' => 1, 'universe' => 'other']],
                    ],
                ],
                [
                    'id' => 'acn',
                    'name' => 'Acn',
                    'protocol' => 'sacn',
                    'receive' => [
                        'address' => $here,
                        'feeds' => [['number' => 1, 'universe' => 'other'], ['number' => 7, 'universe' => 'other']],
                    ],
                ],
                [
                    'id' => 'osc',
                    'name' => 'Osc',
                    'protocol' => 'osc',
                    'receive' => ['address' => $here, 'port' => 8000],
                    'send' => ['to' => [self::NET.'.22'], 'port' => 9000],
                ],
                [
                    'id' => 'midi',
                    'name' => 'Midi',
                    'protocol' => 'midi',
                    'link' => ['kind' => 'session'],
                    'receive' => ['address' => $here, 'port' => 5004],
                ],
                [
                    'id' => 'node',
                    'name' => 'Node',
                    'protocol' => 'sacn',
                    'send' => [
                        'address' => $here,
                        'to' => [self::NET.'.21'],
                        'carries' => [['number' => 9, 'universe' => 'desk']],
                    ],
                ],
            ],
            'routes' => [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'from' => ['kind' => 'message', 'port' => 'osc', 'address' => '/oscillator/4/frequency'],
                    'to' => ['kind' => 'slot', 'universe' => 'other', 'slot' => 5],
                ],
            ],
        ];
    }
}
