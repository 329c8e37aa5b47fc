<?php

declare(strict_types=1);

namespace NimbleJunction\Bench;

use NimbleJunction\Bench\Support\Stopwatch;
use NimbleJunction\Core\Gdtf\FixtureTypes;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\ArtNet\Dmx;

/** A large patch: 2,000 fixtures of 20 parameters over 80 universes, which nobody watches; and a large fixture type. */
final class Patched implements Measurement
{
    private const FIXTURES = 2000;
    /** 40,000 slots, none of them shared, take 79 of them. */
    private const UNIVERSES = 80;
    private const PARAMETERS = 20;
    private const CALLS = 4000;
    private const ROUNDS = 9;
    private const BIG = 2_000_000;

    public function title(): string
    {
        return 'Patch: 2,000 fixtures and 40,000 parameters over 80 universes';
    }

    public function run(): iterable
    {
        gc_collect_cycles();
        $before = memory_get_usage();
        $patched = self::junction(true);
        yield Line::only('parameters, as points', iterator_count(self::points($patched)), '');
        gc_collect_cycles();
        yield Line::atMost('memory of the show, its plan and its universes', (memory_get_usage() - $before) / 1e6, 200, ' MB');
        yield from self::edit($patched);
        $plain = self::junction(false);
        $ratios = $times = [];
        $frames = self::frames();
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $without = Stopwatch::nanos(self::through($plain, $frames), self::CALLS);
            $with = Stopwatch::nanos(self::through($patched, $frames), self::CALLS);
            $ratios[] = $with / $without;
            $times[] = $with / 1000;
        }
        yield Line::atMost(
            'a frame through the patched show against the same one unpatched',
            Stopwatch::percentile($ratios, 0.5),
            1.2,
            '×',
        );
        yield Line::only('a frame through the patched show here', Stopwatch::percentile($times, 0.5), ' µs');
        yield from self::dimmed($frames);
        $type = self::type();
        $began = hrtime(true);
        $taken = FixtureTypes::fromXml($type);
        $millis = (hrtime(true) - $began) / 1e6;
        yield Line::atMost(
            'a fixture type of '.round(\strlen($type) / 1e6, 1).' MB, '.\count((array) ($taken->profile['modes'] ?? [])).' modes',
            $millis / 1000,
            1,
            ' s',
        );
    }

    /**
     * A universe full of fixtures that have only colours, at half of their virtual intensity.
     *
     * @param list<string> $frames
     *
     * @return \Generator<Line>
     */
    private static function dimmed(array $frames): \Generator
    {
        $document = self::document(false);
        $document['profiles'] = [Library::all()[1]];
        $document['fixtures'] = array_map(static fn(int $i): array => [
            'id' => "f{$i}",
            'name' => "Fixture {$i}",
            'profile' => 'rgb',
            'universe' => 'u0',
            'first' => 1 + 3 * $i,
        ], range(0, 169));
        $junction = new Junction();
        $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray($document)), 0);
        $ratios = $times = [];
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            self::atIntensity($junction, 100);
            $full = Stopwatch::nanos(self::through($junction, $frames), self::CALLS);
            self::atIntensity($junction, 50);
            $half = Stopwatch::nanos(self::through($junction, $frames), self::CALLS);
            $ratios[] = $half / $full;
            $times[] = $half / 1000;
        }
        yield Line::only(
            'a frame through 170 fixtures at half of their virtual intensity against the same at full',
            Stopwatch::percentile($ratios, 0.5),
            '×',
        );
        yield Line::only('such a frame here', Stopwatch::percentile($times, 0.5), ' µs');
    }

    private static function atIntensity(Junction $junction, int $percent): void
    {
        for ($i = 0; $i < 170; ++$i) {
            $point = Reference::parse("fixture:f{$i}/intensity");
            if ($point !== null) {
                $junction->set($point, $percent, new Act('bench', 'Bench'), 1_000_000_000);
            }
        }
    }

    /** @return \Generator<Line> */
    private static function edit(Junction $junction): \Generator
    {
        $times = $turns = [];
        $compiler = new Compiler(new Identity('bench'));
        $show = ShowReader::fromArray(self::document(true));
        $plan = $compiler->compile($show);
        $junction->adopt($plan, 0);
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $document = self::document(true);
            $document['fixtures'][7]['universe'] = 'u'.($round % 2 === 0 ? 79 : 7);
            $edited = ShowReader::fromArray($document);
            $began = hrtime(true);
            $plan = $compiler->compile($edited, before: $plan);
            $compiled = hrtime(true);
            $junction->adopt($plan, 0);
            $times[] = (hrtime(true) - $began) / 1e6;
            $turns[] = (hrtime(true) - $compiled) / 1e6;
        }
        yield Line::atMost(
            'one fixture moved, all of the show read anew: compiled and adopted',
            Stopwatch::percentile($times, 0.5),
            150,
            ' ms',
        );
        yield Line::atMost('of this the turn in which it is adopted', Stopwatch::percentile($turns, 0.5), 40, ' ms');
    }

    /** @return \Generator<mixed> */
    private static function points(Junction $junction): \Generator
    {
        foreach ($junction->plan()->patch->fixtures as $fixture) {
            yield from $junction->plan()->patch->footprint($fixture)->byKey;
        }
    }

    /** @param list<string> $frames */
    private static function through(Junction $junction, array $frames): \Closure
    {
        static $now = 1_000_000_000;

        return static function (int $call) use ($junction, $frames, &$now): void {
            $now += 11_400_000;
            $junction->arrived(
                'art-net 127.0.0.1:6454',
                $call % 2 === 0 ? '127.0.0.11' : '127.0.0.12',
                6454,
                $frames[$call % \count($frames)],
                $now,
            );
            $junction->wake($now);
        };
    }

    /** @return list<string> packets of the first universe, with a few slots that move */
    private static function frames(): array
    {
        mt_srand(20);
        $levels = random_bytes(512);
        $frames = [];
        for ($i = 0; $i < 64; ++$i) {
            for ($k = 0; $k < 4; ++$k) {
                $levels[mt_rand(0, 511)] = \chr(mt_rand(0, 255));
            }
            $frames[] = (new Dmx(0, $levels))->encode();
        }

        return $frames;
    }

    private static function junction(bool $isPatched): Junction
    {
        $junction = new Junction();
        $junction->adopt((new Compiler(new Identity('bench')))->compile(ShowReader::fromArray(self::document($isPatched))), 0);

        return $junction;
    }

    /** @return array<string, mixed> */
    public static function document(bool $isPatched): array
    {
        $universes = range(0, self::UNIVERSES - 1);
        $link = static fn(int $i): array => ['number' => $i, 'universe' => "u{$i}"];
        $parameters = array_map(
            static fn(int $i): array => ['name' => "parameter {$i}", 'default' => $i],
            range(1, self::PARAMETERS - 8),
        );
        $cells = [[
            'id' => 'cell',
            'name' => 'Cell',
            'count' => 4,
            'parameters' => [['name' => 'red', 'role' => 'red'], ['name' => 'green', 'role' => 'green']],
        ]];

        return [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Bench',
            'universes' => array_map(static fn(int $i): array => ['id' => "u{$i}", 'name' => "U {$i}"], $universes),
            'ports' => [
                [
                    'id' => 'in',
                    'name' => 'In',
                    'protocol' => 'art-net',
                    'receive' => ['address' => '127.0.0.1', 'feeds' => array_map($link, $universes)],
                ],
                [
                    'id' => 'out',
                    'name' => 'Out',
                    'protocol' => 'art-net',
                    'send' => ['to' => ['127.0.0.16'], 'carries' => array_map($link, $universes)],
                ],
            ],
            ...($isPatched ? [
                'profiles' => [['id' => 'bar', 'name' => 'Bar', 'parameters' => $parameters, 'cells' => $cells]],
                'fixtures' => array_map(static fn(int $i): array => [
                    'id' => "f{$i}",
                    'name' => "Fixture {$i}",
                    'number' => $i + 1,
                    'profile' => 'bar',
                    'universe' => 'u'.($i % self::UNIVERSES),
                    'first' => 1 + self::PARAMETERS * intdiv($i, self::UNIVERSES),
                ], range(0, self::FIXTURES - 1)),
            ] : []),
        ];
    }

    /** @return string of about two megabytes */
    private static function type(): string
    {
        $channel = static fn(int $i): string => "<DMXChannel DMXBreak=\"1\" Offset=\"{$i}\" Geometry=\"Body\"><LogicalChannel Attribute=\"Control{$i}\">".implode('', array_map(static fn(int $k): string => '<ChannelFunction Name="Function '.$k.'" Attribute="Control'.$i.'" DMXFrom="'.(32 * $k).'/1" PhysicalFrom="0" PhysicalTo="1"><ChannelSet Name="Low" DMXFrom="'.(32 * $k).'/1"/><ChannelSet Name="High" DMXFrom="'.(32 * $k + 16).'/1"/></ChannelFunction>', range(0, 7))).'</LogicalChannel></DMXChannel>';
        $mode = static fn(int $m): string => "<DMXMode Name=\"Mode {$m}\" Geometry=\"Body\"><DMXChannels>"
            .implode('', array_map($channel, range(1, 100))).'</DMXChannels></DMXMode>';
        $modes = '';
        for ($m = 1; \strlen($modes) < self::BIG; ++$m) {
            $modes .= $mode($m);
        }

        return '<GDTF DataVersion="1.2"><FixtureType Name="Big" Manufacturer="Fernhall workshop"><Geometries><Geometry Name="Body"/></Geometries><DMXModes>'.$modes.'</DMXModes></FixtureType></GDTF>';
    }
}
