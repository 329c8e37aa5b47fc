<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Bench\Support\Subject;
use NimbleJunction\Core\Wire\ArtNet\Dmx;

/** An engine that is killed and started again at once, as whatever watches over it does: how long its lamps hear nothing. */
final readonly class Start implements Measurement
{
    private const NET = '127.79.4';
    private const ROUNDS = 7;

    public function __construct(private int $universes)
    {
    }

    public function title(): string
    {
        return "Start: killed and started again with {$this->universes} universes";
    }

    public function run(): iterable
    {
        $folder = sys_get_temp_dir().'/junction-start-'.bin2hex(random_bytes(4));
        mkdir($folder);
        $show = new Show(Show::through($this->universes, self::NET));
        $desk = stream_socket_server('udp://'.self::NET.'.11:6454', $code, $message, \STREAM_SERVER_BIND);
        $node = stream_socket_server('udp://'.self::NET.'.21:6454', $code, $message, \STREAM_SERVER_BIND);
        $silence = $bare = [];
        try {
            for ($round = 0; $round < self::ROUNDS; ++$round) {
                $engine = new Subject(
                    ['artisan', 'junction:engine', "--show={$show->file}", "--state={$folder}", '--for=60'],
                    'The engine runs',
                );
                for ($number = 0; $number < $this->universes; ++$number) {
                    stream_socket_sendto(
                        $desk,
                        (new Dmx($number, str_repeat(\chr($round + 1), 512)))->encode(),
                        0,
                        self::NET.'.1:6454',
                    );
                }
                // The state is written down five times a second, less often with many universes.
                usleep(1_500_000);
                $engine->kill();
                while (self::next($node, 0.05) !== null) {
                    continue;
                }
                $began = hrtime(true);
                $again = new Subject(['artisan', 'junction:engine', "--show={$show->file}", "--state={$folder}", '--for=60'], '');
                $bytes = self::next($node, 20.0);
                $silence[] = (hrtime(true) - $began) / 1e6;
                if ($bytes === null || \ord($bytes[18]) !== $round + 1) {
                    throw new \RuntimeException('What came after the restart was not what was there before.');
                }
                $again->stop();
                $began = hrtime(true);
                (new Subject(['-r', 'require "vendor/autoload.php"; echo "ready\n"; usleep(200);'], 'ready'))->stop();
                $bare[] = (hrtime(true) - $began) / 1e6;
            }
        } finally {
            isset($again) && $again->stop();
            $show->delete();
            fclose($desk);
            fclose($node);
            exec('rm -rf '.escapeshellarg($folder));
        }
        yield Line::atMost(
            'from start to the first frame with the levels of before, median',
            Stopwatch::percentile($silence, 0.5) / 1000,
            1.0,
            ' s',
        );
        yield Line::only('the slowest', max($silence) / 1000, ' s');
        yield Line::only(
            'against PHP that starts and loads the class map',
            Stopwatch::percentile($silence, 0.5) / Stopwatch::percentile($bare, 0.5),
            '×',
        );
    }

    /** @param resource $socket */
    private static function next($socket, float $seconds): ?string
    {
        $read = [$socket];
        $none = [];

        $ready = stream_select($read, $none, $none, (int) $seconds, (int) (fmod($seconds, 1) * 1e6));

        return $ready > 0 ? (string) stream_socket_recvfrom($socket, 2048) : null;
    }
}
