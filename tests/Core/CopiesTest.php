<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Parts of a universe carried to another place. */
final class CopiesTest extends TestCase
{
    public function testAPartIsCarriedRepeatedAndCutAtItsLimit(): void
    {
        // Common practice, no source: the same five parameters for four fixtures take 20 slots, and nothing is sent past the
        // last one.
        $rig = $this->rig([$this->range('r', ['first' => 1, 'count' => 5], ['first' => 101], repeat: 9, limit: 120)]);
        $rig->sacn([1 => 10, 2 => 20, 3 => 30, 4 => 40, 5 => 50, 6 => 60]);
        self::assertSame([10, 50, 10, 50], array_map(fn(int $slot): int => $rig->level($slot, 'roof'), [101, 105, 116, 120]));
        self::assertSame([0, 0, 0], array_map(fn(int $slot): int => $rig->level($slot, 'roof'), [100, 121, 126]));
        $rig->sacn([3 => 33]);
        self::assertSame([33, 33, 33, 33], array_map(fn(int $slot): int => $rig->level($slot, 'roof'), [103, 108, 113, 118]));
        $rig->pass(0.1);
        $left = $rig->sacn([3 => 34]);
        self::assertContains('127.0.0.20', array_column($left, 'address'), 'and it leaves at once');
    }

    public function testItJoinsTheSourcesOfTheOtherUniverse(): void
    {
        $rig = $this->rig([$this->range('r', ['first' => 1, 'count' => 2], ['first' => 1])]);
        $rig->artNet([1 => 100, 2 => 0], number: 5);
        $rig->sacn([1 => 60, 2 => 70]);
        self::assertSame([100, 70], [$rig->level(1, 'roof'), $rig->level(2, 'roof')], 'HTP');
        self::assertStringContainsString('Copy "r"', $rig->junction->universes()['roof']->explain(1));
        $rig->adopt($this->document([]));
        self::assertSame([100, 0], [$rig->level(1, 'roof'), $rig->level(2, 'roof')], 'taken away with the range');
    }

    public function testOneRangeFeedsTheNext(): void
    {
        $rig = $this->rig(
            [
                $this->range('a', ['first' => 1, 'count' => 1], ['first' => 5]),
                [
                    ...$this->range('b', ['first' => 5, 'count' => 1], ['first' => 9]),
                    'from' => ['universe' => 'roof', 'first' => 5],
                    'to' => ['universe' => 'pond', 'first' => 9],
                ],
            ],
        );
        $rig->sacn([1 => 77]);
        self::assertSame(77, $rig->level(9, 'pond'));
    }

    public function testACircleIsRefused(): void
    {
        $back = [
            'id' => 'back',
            'name' => 'Back',
            'from' => ['universe' => 'roof', 'first' => 1],
            'to' => ['universe' => 'palm', 'first' => 1],
        ];
        try {
            $this->rig([$this->range('there', ['first' => 1], ['first' => 1]), $back]);
            self::fail('a circle was taken');
        } catch (ShowRefused $refused) {
            self::assertStringContainsString('makes a circle', $refused->getMessage());
            self::assertStringContainsString('/copies/0/to/universe', $refused->getMessage());
        }
    }

    public function testAnEditMakesNoLampBlink(): void
    {
        $rig = $this->rig([$this->range('r', ['first' => 1, 'count' => 3], ['first' => 1])]);
        $rig->sacn([1 => 50]);
        $rig->pass(0.2);
        $document = $this->document([$this->range('r', ['first' => 1, 'count' => 3], ['first' => 1])]);
        $rig->adopt([...$document, 'name' => 'Another name']);
        foreach ($rig->pass(1.0) as [, $packet]) {
            if ($packet->address === '127.0.0.20') {
                self::assertSame(50, \ord($packet->bytes[126]));
            }
        }
        self::assertSame(50, $rig->level(1, 'roof'));
    }

    /** @param list<array<string, mixed>> $copies */
    private function rig(array $copies): Rig
    {
        return new Rig($this->document($copies));
    }

    /**
     * @param list<array<string, mixed>> $copies
     *
     * @return array<string, mixed>
     */
    private function document(array $copies): array
    {
        $ports = Rig::document()['ports'];
        $ports[0]['receive']['feeds'][] = ['number' => 5, 'universe' => 'roof'];
        $ports[] = [
            'id' => 'roof-node',
            'name' => 'Roof node',
            'protocol' => 'sacn',
            'send' => ['to' => ['127.0.0.20'], 'carries' => [['number' => 20, 'universe' => 'roof']]],
        ];

        return [
            'universes' => [
                ['id' => 'palm', 'name' => 'Palm House'],
                ['id' => 'roof', 'name' => 'Roof'],
                ['id' => 'pond', 'name' => 'Pond'],
            ],
            'ports' => $ports,
            'copies' => $copies,
        ];
    }

    /**
     * @param array<string, int> $from
     * @param array<string, int> $to
     *
     * @return array<string, mixed>
     */
    private function range(string $id, array $from, array $to, int $repeat = 1, int $limit = 512): array
    {
        return [
            'id' => $id,
            'name' => $id,
            'from' => ['universe' => 'palm', ...$from],
            'to' => ['universe' => 'roof', ...$to],
            'repeat' => $repeat,
            'limit' => $limit,
        ];
    }
}
