<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/**
 * While everything moves, fixtures change places, modes and the order of their parameters. No frame that leaves is half of
 * one patch and half of another: each is exactly what the patch of its moment makes of the values of its moment.
 */
final class WholeFramesTest extends TestCase
{
    private const UNIVERSES = [7 => 'palm', 8 => 'fern'];

    /** @var array<string, array<string, int>> slots of each parameter, by mode, in their order */
    private array $modes = [
        'basic' => ['pan' => 1, 'level' => 1, 'red' => 1, 'tilt' => 1],
        'fine' => ['pan' => 2, 'red' => 2, 'level' => 1, 'tilt' => 2],
    ];

    /** @var array<string, array{string, string, int}> mode, universe and address by fixture */
    private array $fixtures = [
        'a' => ['basic', 'palm', 1],
        'b' => ['fine', 'palm', 21],
        'c' => ['basic', 'fern', 5],
        'd' => ['fine', 'fern', 101],
    ];

    public function testEveryFrameIsOfOnePatch(): void
    {
        mt_srand(20261127);
        $rig = new Rig($this->parts());
        $rig->osc('/all', 0.0);
        $seen = 0;
        for ($round = 0; $round < 300; ++$round) {
            $level = mt_rand(0, 255);
            $seen += $this->look($rig->osc('/all', 100 * $level / 255), $level);
            if (mt_rand(0, 1) === 1) {
                $seen += $this->look(array_column($rig->pass(mt_rand(1, 60) / 1000), 1), $level);
            }
            $this->edit();
            $seen += $this->look($rig->adopt($this->parts()), $level);
            $seen += $this->look(array_column($rig->pass(mt_rand(1, 60) / 1000), 1), $level);
            self::assertSame($this->frame('palm', $level), $rig->junction->universes()['palm']->levels, "round {$round}");
            self::assertSame($this->frame('fern', $level), $rig->junction->universes()['fern']->levels, "round {$round}");
        }
        self::assertGreaterThan(600, $seen);
    }

    /** @param list<OutgoingPacket> $packets */
    private function look(array $packets, int $level): int
    {
        $seen = 0;
        foreach ($packets as $packet) {
            $data = str_starts_with($packet->bytes, "\x00\x10\x00\x00ASC-E1.17") ? Packet::decode($packet->bytes) : null;
            $universe = $data instanceof Data && $data->startCode === 0 ? self::UNIVERSES[$data->universe] ?? '' : '';
            if ($data instanceof Data && $universe !== '') {
                self::assertSame(bin2hex($this->frame($universe, $level)), bin2hex(str_pad($data->levels, 512, "\0")));
                ++$seen;
            }
        }

        return $seen;
    }

    /** What the patch of now makes of one level for everything: v in 8 bits, v x 257 in 16. */
    private function frame(string $universe, int $level): string
    {
        $frame = str_repeat("\0", 512);
        foreach ($this->fixtures as [$mode, $in, $first]) {
            $slots = array_sum($this->modes[$mode]);
            $frame = $in === $universe ? substr_replace($frame, str_repeat(\chr($level), $slots), $first - 1, $slots) : $frame;
        }

        return $frame;
    }

    private function edit(): void
    {
        $id = (string) array_rand($this->fixtures);
        [$mode, $universe, $first] = $this->fixtures[$id];
        switch (mt_rand(0, 3)) {
            case 0:
                $keys = array_keys($this->modes[$mode]);
                shuffle($keys);
                $this->modes[$mode] = array_replace(array_flip($keys), $this->modes[$mode]);
                break;
            case 1:
                $this->fixtures[$id] = [$mode === 'basic' ? 'fine' : 'basic', $universe, $first];
                break;
            case 2:
                // Each has a part of the universe to itself, whatever its mode.
                $home = 100 * (int) array_search($id, array_keys($this->fixtures), true);
                $this->fixtures[$id] = [$mode, self::UNIVERSES[mt_rand(7, 8)], $home + mt_rand(1, 90)];
                break;
            default:
                $other = (string) array_rand($this->fixtures);
                [$otherMode, $otherUniverse, $otherFirst] = $this->fixtures[$other];
                $this->fixtures[$id] = [$mode, $otherUniverse, $otherFirst];
                $this->fixtures[$other] = [$otherMode, $universe, $first];
                if ($id === $other || ! $this->isApart()) {
                    $this->fixtures[$id] = [$mode, $universe, $first];
                    $this->fixtures[$other] = [$otherMode, $otherUniverse, $otherFirst];
                }
        }
        if (! $this->isApart()) {
            $this->fixtures[$id] = [$mode, $universe, $first];
        }
    }

    private function isApart(): bool
    {
        $taken = [];
        foreach ($this->fixtures as [$mode, $universe, $first]) {
            for ($slot = $first; $slot < $first + 7; ++$slot) {
                if (isset($taken["{$universe} {$slot}"])) {
                    return false;
                }
                $taken["{$universe} {$slot}"] = true;
            }
        }

        return true;
    }

    /** @return array<string, mixed> */
    private function parts(): array
    {
        $modes = $fixtures = $do = [];
        foreach ($this->modes as $id => $parameters) {
            $made = array_map(
                static fn(string $name, int $slots): array => ['name' => $name, 'slots' => $slots],
                array_keys($parameters),
                $parameters,
            );
            $modes[] = ['id' => $id, 'name' => ucfirst($id), 'parameters' => $made];
        }
        foreach ($this->fixtures as $id => [$mode, $universe, $first]) {
            $fixtures[] = ['id' => $id, 'name' => $id, 'profile' => 'head', 'mode' => $mode, 'universe' => $universe, 'first' => $first];
            foreach (array_keys($this->modes[$mode]) as $name) {
                $do[] = ['kind' => 'set', 'point' => "fixture:{$id}/{$name}"];
            }
        }
        $ports = Rig::document()['ports'];
        $ports[3]['send']['carries'][] = ['number' => 8, 'universe' => 'fern'];

        return [
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'slot'], ['id' => 'fern', 'name' => 'Fern Gallery', 'merge' => 'slot']],
            'ports' => $ports,
            'profiles' => [['id' => 'head', 'name' => 'Head', 'modes' => $modes]],
            'fixtures' => $fixtures,
            'routes' => [[
                'id' => 'all',
                'name' => 'All',
                'when' => [['kind' => 'message', 'port' => 'tablet', 'address' => '/all', 'argument' => 1]],
                'do' => $do,
            ]],
        ];
    }
}
