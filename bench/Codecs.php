<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet as ArtNet;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet as Sacn;
use Symfony\Component\Process\Process;

/** Encoding and decoding full universes, against general-purpose npm libraries that do the same, in the same run. */
final class Codecs implements Measurement
{
    private const CALLS = 20_000;
    private const AIM = 5.0;

    public function title(): string
    {
        return 'Codecs: packets a second, against npm libraries (sacn, dmxnet)';
    }

    public function run(): iterable
    {
        $process = new Process(['node', __DIR__.'/codecs.cjs'], null, null, null, 120);
        /** @var array<string, float> $theirs */
        $theirs = json_decode($process->mustRun()->getOutput(), true, flags: \JSON_THROW_ON_ERROR);
        foreach ($this->ours() as $what => $work) {
            $nanos = Stopwatch::nanos($work, self::CALLS);
            yield Line::atLeast("{$what}: as fast", $theirs[$what] / $nanos, self::AIM, '×');
            yield Line::only("{$what}: a second here", 1e9 / $nanos, '');
        }
    }

    /** @return array<string, callable(int): mixed> */
    private function ours(): array
    {
        $frames = array_map(
            static fn(int $frame): string => implode('', array_map(static fn(int $slot): string => \chr(($slot * 7 + $frame * 13) % 256), range(0, 511))),
            range(0, 63),
        );
        $cid = (string) hex2bin('0123456789abcdeffedcba9876543210');
        $sacn = array_map(static fn(string $levels): string => (new Data($cid, 1, $levels, 0, 100, 'Bench'))->encode(), $frames);
        $artNet = array_map(static fn(string $levels): string => (new Dmx(1, $levels))->encode(), $frames);

        return [
            'sACN encode' => static fn(int $call) => (new Data($cid, 1, $frames[$call & 63], $call & 255, 100, 'Bench'))->encode(),
            'sACN decode' => static fn(int $call) => Sacn::decode($sacn[$call & 63]),
            'Art-Net encode' => static fn(int $call) => (new Dmx(1, $frames[$call & 63], $call % 255 + 1))->encode(),
            'Art-Net decode' => static fn(int $call) => ArtNet::decode($artNet[$call & 63]),
        ];
    }
}
