<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Show;
use NimbleJunction\Bench\Support\Subject;
use Symfony\Component\Process\Process;

/**
 * What keeping the state for a restart writes, while all of 32 universes move: files that were written, counted as they are
 * renamed into place.
 */
final class Wear implements Measurement
{
    private const NET = '127.89.1';
    private const UNIVERSES = 32;
    private const SECONDS = 70;

    public function title(): string
    {
        return 'Wear: what is written for a restart, 32 universes at 44 Hz, all moving';
    }

    public function run(): iterable
    {
        $onDisk = $this->bytes(false)[0];
        [$disk, $memory] = $this->bytes(true);
        yield Line::only('onto the disk a day, with no folder in memory', $onDisk * 86_400 / 1e9, ' GB');
        yield Line::only('the same, with one', $disk * 86_400 / 1e9, ' GB');
        yield Line::only('into that folder a day', $memory * 86_400 / 1e9, ' GB');
        yield Line::atMost('onto the disk with a folder in memory, of without', $disk / $onDisk, 0.05, '×');
    }

    /** @return array{float, float} bytes a second onto the disk and into memory */
    private function bytes(bool $hasMemory): array
    {
        $show = new Show(Show::through(self::UNIVERSES, self::NET));
        $folder = sys_get_temp_dir().'/junction-wear-'.bin2hex(random_bytes(4));
        $memory = '/dev/shm/junction-wear-'.bin2hex(random_bytes(4));
        mkdir($folder);
        mkdir($memory);
        $_ENV['JUNCTION_RUNTIME'] = $hasMemory ? $memory : '';
        $engine = new Subject(
            ['artisan', 'junction:engine', "--show={$show->file}", "--state={$folder}", '--for='.(self::SECONDS + 30)],
            'The engine runs',
        );
        $traffic = new Process([
            PHP_BINARY,
            __DIR__.'/Support/flood64.php',
            self::NET,
            self::NET.'.1',
            (string) self::UNIVERSES,
            '44',
            (string) (self::SECONDS + 5),
        ]);
        $traffic->start();
        usleep(2_000_000);
        $written = ['disk' => 0, 'memory' => 0];
        $known = [];
        for ($until = microtime(true) + self::SECONDS; microtime(true) < $until; usleep(5000)) {
            foreach ([
                'disk' => "{$folder}/engine-state",
                'memory' => (glob("{$memory}/state-*") ?: [''])[0],
            ] as $where => $path) {
                clearstatcache();
                $stat = @stat($path);
                $now = $stat === false ? '' : hash('xxh64', (string) @file_get_contents($path, length: 200));
                if ($now !== '' && $now !== ($known[$where] ?? '')) {
                    $written[$where] += isset($known[$where]) ? (int) $stat['size'] : 0;
                    $known[$where] = $now;
                }
            }
        }
        $traffic->stop();
        $engine->stop();
        $show->delete();
        (new Process(['rm', '-rf', $folder, $memory]))->run();
        unset($_ENV['JUNCTION_RUNTIME']);

        return [$written['disk'] / self::SECONDS, $written['memory'] / self::SECONDS];
    }
}
