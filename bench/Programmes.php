<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;

/** Looks, lists and masters that run: what a frame of them costs, and how soon a Go leaves. */
final class Programmes implements Measurement
{
    private const UNIVERSES = 64;
    private const LOOKS = 200;
    private const LISTS = 20;
    private const WAVES = 100;
    private const FRAME_NANOS = 22_727_272;
    private const FRAMES = 220;
    private const SECOND = 1_000_000_000;

    private int $now = self::SECOND;

    public function title(): string
    {
        return 'Programme: 200 looks, 20 lists and 100 waves over 64 universes, and a cross-fade of 10,000 parameters';
    }

    public function run(): iterable
    {
        yield from $this->crossFade();
        yield from $this->evening();
    }

    /** @return \Generator<Line> 10,000 parameters of 20 universes from one cue to the next */
    private function crossFade(): \Generator
    {
        $document = self::patched(20, 500, 20);
        $values = static fn(int $level): array => array_merge(...array_map(static fn(int $i): array => array_map(
            static fn(int $k): array => ['point' => "fixture:f{$i}/p{$k}", 'value' => $level],
            range(1, 20),
        ), range(0, 499)));
        $document['lists'] = [['id' => 'walk', 'name' => 'Walk', 'cues' => [
            ['number' => '1', 'up' => 0, 'values' => $values(10)],
            ['number' => '2', 'up' => 5, 'values' => $values(90)],
        ]]];
        $junction = self::junction($document);
        $this->press($junction, 'list:walk/go');
        $began = hrtime(true);
        $this->press($junction, 'list:walk/go');
        yield Line::only('its Go, with all of it read for the first time', (hrtime(true) - $began) / 1e6, ' ms');
        $times = $this->frames($junction, self::FRAMES);
        yield Line::atMost(
            '10,000 parameters in one cross-fade: a frame, with its merging and its packets',
            Stopwatch::percentile($times, 0.5),
            8,
            ' ms',
        );
        yield Line::only('the same, 99 of 100', Stopwatch::percentile($times, 0.99), ' ms');
    }

    /** @return \Generator<Line> */
    private function evening(): \Generator
    {
        $document = self::patched(self::UNIVERSES, 10 * self::UNIVERSES, 20);
        $fixtures = \count($document['fixtures']);
        $look = static function (int $n, int $level) use ($fixtures): array {
            $values = [];
            for ($i = 0; $i < 6; ++$i) {
                $fixture = (7 * $n + 11 * $i) % $fixtures;
                foreach ([1, 2, 5, 9] as $k) {
                    $values[] = ['point' => "fixture:f{$fixture}/p{$k}", 'value' => ($level + 10 * $i) % 100];
                }
            }

            return ['id' => "look-{$n}", 'name' => "Look {$n}", 'fadeIn' => 20, 'fadeOut' => 0, 'values' => $values];
        };
        $document['looks'] = array_map(static fn(int $n): array => $look($n, 50), range(1, self::LOOKS));
        $document['lists'] = array_map(static fn(int $n): array => ['id' => "list-{$n}", 'name' => "List {$n}", 'end' => 'loop', 'cues' => [
            ['number' => '1', 'up' => 30, 'look' => "look-{$n}", 'follow' => ['kind' => 'complete']],
            ['number' => '2', 'up' => 30, 'look' => 'look-'.($n + 20), 'follow' => ['kind' => 'complete']],
        ]], range(1, self::LISTS));
        $document['waves'] = array_map(static fn(int $n): array => [
            'id' => "wave-{$n}", 'name' => "Wave {$n}", 'size' => 20, 'rate' => 0.2, 'offset' => 360,
            'on' => array_map(
                static fn(int $i): array => ['point' => 'fixture:f'.((13 * $n + $i) % $fixtures).'/p'.(1 + $n % 10)],
                range(0, 5),
            ),
        ], range(1, self::WAVES));
        $document['masters'] = [['id' => 'grand', 'name' => 'Grand master', 'time' => 20]];
        $junction = self::junction($document);
        for ($n = 1; $n <= self::LOOKS; ++$n) {
            $this->press($junction, "look:look-{$n}");
        }
        for ($n = 1; $n <= self::LISTS; ++$n) {
            $this->press($junction, "list:list-{$n}/go");
        }
        yield Line::only('200 looks and 20 lists moving: of one core at 44 frames a second', 100 * $this->share($junction), ' %');
        for ($n = 1; $n <= self::WAVES; ++$n) {
            $this->set($junction, "wave:wave-{$n}", 1);
        }
        yield Line::atMost('100 waves besides', 100 * $this->share($junction), 40, ' %');
        $this->press($junction, 'master:grand/zero');
        yield Line::only('the same with the grand master on its way', 100 * $this->share($junction), ' %');
        for ($n = 1; $n <= self::LOOKS; ++$n) {
            $this->press($junction, "look:look-{$n}");
        }
        $this->press($junction, 'programme:release');
        $this->set($junction, 'master:grand', 100);
        $this->share($junction);
        $still = $this->share($junction);
        for ($n = 1; $n <= self::LOOKS; $n += 2) {
            $this->set($junction, "look:look-{$n}", 100);
        }
        $this->share($junction);
        yield Line::only('none live, universes kept alive', 100 * $still, ' %');
        yield Line::only('100 looks live and still', 100 * $this->share($junction), ' %');
        $times = [];
        for ($i = 0; $i < 1000; ++$i) {
            $this->now += 50_000_000;
            $id = 'look:look-'.(2 + 2 * ($i % 100));
            $began = hrtime(true);
            $junction->set(self::point($id), $i % 200 < 100 ? 100 : 0, new Act('bench', 'Bench'), $this->now);
            $times[] = (hrtime(true) - $began) / 1e6;
            $junction->wake($this->now);
        }
        yield Line::atMost(
            'a look to its first frame, within the engine, 99 of 100',
            Stopwatch::percentile($times, 0.99),
            5,
            ' ms',
        );
    }

    /** @return float of one core, at 44 frames a second */
    private function share(Junction $junction): float
    {
        return array_sum($this->frames($junction, self::FRAMES)) / (self::FRAMES * self::FRAME_NANOS / 1e6);
    }

    /** @return list<float> milliseconds of each frame */
    private function frames(Junction $junction, int $count): array
    {
        $times = [];
        for ($i = 0; $i < $count; ++$i) {
            $this->now += self::FRAME_NANOS;
            $began = hrtime(true);
            for ($k = 0; $k < 50 && $junction->dueAt() <= $this->now; ++$k) {
                $junction->wake($this->now);
            }
            $times[] = (hrtime(true) - $began) / 1e6;
        }

        return $times;
    }

    private function press(Junction $junction, string $point): void
    {
        $junction->press(self::point($point), new Act('bench', 'Bench'), $this->now);
    }

    private function set(Junction $junction, string $point, int $value): void
    {
        $junction->set(self::point($point), $value, new Act('bench', 'Bench'), $this->now);
    }

    private static function point(string $point): Reference
    {
        return Reference::parse($point) ?? throw new \LogicException($point);
    }

    /** @param array<string, mixed> $document */
    private static function junction(array $document): Junction
    {
        $junction = new Junction();
        $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray($document)), 0);

        return $junction;
    }

    /** @return array<string, mixed> fixtures of one intensity, and of other kinds */
    private static function patched(int $universes, int $fixtures, int $parameters): array
    {
        $all = range(0, $universes - 1);
        $link = static fn(int $i): array => ['number' => $i, 'universe' => "u{$i}"];
        $each = intdiv($fixtures, $universes);

        return [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Bench', 'routes' => [],
            'universes' => array_map(static fn(int $i): array => ['id' => "u{$i}", 'name' => "U {$i}", 'merge' => 'slot'], $all),
            'ports' => [[
                'id' => 'out',
                'name' => 'Out',
                'protocol' => 'art-net',
                'send' => ['to' => ['127.0.0.16'], 'carries' => array_map($link, $all)],
            ]],
            'profiles' => [['id' => 'bar', 'name' => 'Bar', 'parameters' => array_map(
                static fn(int $k): array => ['name' => "p{$k}", 'kind' => $k === 1 ? 'intensity' : 'colour'],
                range(1, $parameters),
            )]],
            'fixtures' => array_map(static fn(int $i): array => [
                'id' => "f{$i}",
                'name' => "Fixture {$i}",
                'profile' => 'bar',
                'universe' => 'u'.intdiv($i, $each),
                'first' => 1 + $parameters * ($i % $each),
            ], range(0, $fixtures - 1)),
        ];
    }
}
