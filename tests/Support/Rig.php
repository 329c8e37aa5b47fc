<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Sacn\Data;

/** A junction with a small show, a clock that a test moves, and packets to feed it. Times are in seconds. */
final class Rig
{
    /** A port for MIDI by a cable. */
    public const CABLE = [
        'id' => 'lectern',
        'name' => 'Lectern',
        'protocol' => 'midi',
        'link' => ['kind' => 'cable', 'device' => 'lectern'],
        'receive' => [],
        'send' => [],
    ];

    public const ART_NET = 'art-net 127.0.0.1:6454';
    public const SACN = 'sacn 127.0.0.1:5568';
    public const OSC = 'osc 127.0.0.1:8000';
    public readonly Junction $junction;
    public float $now = 1000.0;

    /** @var array<string, mixed> the show in force */
    public array $document = [];
    private int $sequence = 0;

    /** @param array<string, mixed> $changes to the show document */
    public function __construct(array $changes = [], private readonly string $cid = 'JJJJJJJJJJJJJJJJ')
    {
        $this->junction = new Junction();
        $this->adopt($changes);
    }

    /** @return array<string, mixed> */
    public static function document(): array
    {
        return [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Test',
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'htp']],
            'ports' => [
                [
                    'id' => 'house',
                    'name' => 'House desk',
                    'protocol' => 'art-net',
                    'receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 1, 'universe' => 'palm']]],
                ],
                [
                    'id' => 'guest',
                    'name' => 'Guest desk',
                    'protocol' => 'sacn',
                    'receive' => ['address' => '127.0.0.1', 'feeds' => [['number' => 1, 'universe' => 'palm']]],
                ],
                [
                    'id' => 'tablet',
                    'name' => 'Tablet',
                    'protocol' => 'osc',
                    'receive' => ['address' => '127.0.0.1', 'port' => 8000],
                    'send' => ['to' => ['127.0.0.15'], 'port' => 9000],
                ],
                [
                    'id' => 'node',
                    'name' => 'Node',
                    'protocol' => 'sacn',
                    'send' => ['to' => ['127.0.0.14'], 'carries' => [['number' => 7, 'universe' => 'palm']]],
                ],
                [
                    'id' => 'net',
                    'name' => 'Net',
                    'protocol' => 'art-net',
                    'send' => ['to' => ['127.0.0.16'], 'carries' => [['number' => 9, 'universe' => 'palm']]],
                ],
            ],
            'routes' => [
                [
                    'id' => 'in',
                    'name' => 'Fader in',
                    'from' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/lamp'],
                    'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
                ],
                [
                    'id' => 'out',
                    'name' => 'Fader out',
                    'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
                    'to' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/lamp'],
                ],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $changes
     *
     * @return list<OutgoingPacket> what the other ends of the show before are told
     */
    public function adopt(array $changes = []): array
    {
        $this->document = [...self::document(), ...$changes];
        $show = ShowReader::fromArray($this->document);
        return $this->junction->adopt((new Compiler(new Identity($this->cid)))->compile($show), $this->nanos());
    }

    public function nanos(): int
    {
        return (int) round($this->now * 1e9);
    }

    /**
     * @param array<int, int> $slots level by slot, from 1
     *
     * @return list<OutgoingPacket>
     */
    public function artNet(array $slots, string $from = '127.0.0.11', int $number = 1, ?int $sequence = null): array
    {
        return $this->arrive(self::ART_NET, (new Dmx($number, self::levels($slots), $sequence ?? 0))->encode(), $from);
    }

    /**
     * @param array<int, int> $slots level by slot, from 1
     *
     * @return list<OutgoingPacket>
     */
    public function sacn(
        array $slots,
        int $priority = 100,
        string $cid = 'guest',
        ?int $sequence = null,
        int $options = 0,
        int $startCode = 0,
        int $sync = 0,
    ): array {
        $sequence ??= ++$this->sequence & 255;

        return $this->arrive(
            self::SACN,
            (new Data(
                str_pad($cid, 16),
                1,
                self::levels($slots),
                $sequence,
                $priority,
                ucfirst($cid),
                $options,
                $sync,
                $startCode,
            ))->encode(),
            '127.0.0.12',
        );
    }

    /** @return list<OutgoingPacket> */
    public function osc(string $address, int|float|string ...$arguments): array
    {
        return $this->arrive(
            self::OSC,
            (new Message($address, array_map(Argument::of(...), array_values($arguments))))->encode(),
            '127.0.0.15',
        );
    }

    /** @return list<OutgoingPacket> */
    public function arrive(string $endpoint, string $bytes, string $from = '127.0.0.11'): array
    {
        return $this->junction->arrived($endpoint, $from, 6454, $bytes, $this->nanos());
    }

    /**
     * Lets time pass, waking the junction whenever it wants to be.
     *
     * @return list<array{float, OutgoingPacket}> what left, and when
     */
    public function pass(float $seconds): array
    {
        $end = $this->nanos() + (int) round($seconds * 1e9);
        $left = [];
        $at = $this->nanos();
        while ($this->junction->dueAt() <= $end) {
            // What is due since long is due now: the clock never runs back.
            $at = max($this->junction->dueAt(), $at);
            foreach ($this->junction->wake($at) as $packet) {
                $left[] = [$at / 1e9, $packet];
            }
        }
        $this->now = $end / 1e9;

        return $left;
    }

    public function level(int $slot, string $universe = 'palm'): int
    {
        return \ord($this->junction->universes()[$universe]->levels[$slot - 1]);
    }

    /** @return list<int> levels of these slots, from 1 */
    public function levelsOf(int ...$slots): array
    {
        return array_map($this->level(...), array_values($slots));
    }

    /** @param array<string, mixed> $universe what the one universe of the show says besides its name */
    public static function with(array $universe): self
    {
        return new self(['universes' => [['id' => 'palm', 'name' => 'Palm House', ...$universe]]]);
    }

    /**
     * The show with one port changed.
     *
     * @param array<string, mixed> $changes to the port; null takes a field away
     *
     * @return array{ports: list<array<string, mixed>>}
     */
    public static function port(string $id, array $changes): array
    {
        return ['ports' => array_map(
            static fn(array $port): array => $port['id'] === $id ? array_filter(
                [...$port, ...$changes],
                static fn(mixed $value): bool => $value !== null,
            ) : $port,
            self::document()['ports'],
        )];
    }

    /** @return list<string> the newest event's hops: "step: words" */
    public function hops(string $kind): array
    {
        foreach (array_reverse($this->junction->trace->since(0, 500)) as $event) {
            if ($event->kind->value === $kind) {
                return array_map(
                    fn($hop): string => "{$hop->step($this->junction->names())->value}: {$hop->words($this->junction->names())}",
                    $event->hops,
                );
            }
        }

        return [];
    }

    /** @return list<string> every hop's words */
    public function allHops(): array
    {
        return array_merge(
            ...array_map(
                fn($event): array => array_map(fn($hop): string => $hop->words($this->junction->names()), $event->hops),
                $this->junction->trace->since(0, 500),
            ),
        );
    }

    /** @return list<string> */
    public function titles(): array
    {
        return array_map(fn($event): string => $event->title($this->junction->names()), $this->junction->trace->since(0, 500));
    }

    /** @param array<int, int> $slots level by slot, from 1 */
    public static function levels(array $slots): string
    {
        $levels = str_repeat("\0", 512);
        foreach ($slots as $slot => $level) {
            $levels[$slot - 1] = \chr($level);
        }

        return $levels;
    }
}
