<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A junction that was written down and begins again goes on as if nothing had happened: everything that decides output. */
final class StateTest extends TestCase
{
    public function testAFadeGoesOnWhereItWouldBe(): void
    {
        $fading = ['whenLost' => 'fade', 'fadeSeconds' => 4];
        $rig = Rig::with($fading);
        $rig->artNet([1 => 200, 2 => 100]);
        $rig->pass(11.0);
        $level = $rig->level(1);
        self::assertGreaterThan(100, $level, 'a quarter of the way');
        self::assertLessThan(200, $level);
        $again = $this->again($rig, Rig::with($fading), awaySeconds: 1.0);
        $again->pass(0.05);
        self::assertEqualsWithDelta(100, $again->level(1), 4, 'half of the way: a second has passed meanwhile');
        $again->pass(2.0);
        self::assertSame(0, $again->level(1), 'and it ends');
    }

    public function testASlotThatHadLeftTheFadeStaysOutOfIt(): void
    {
        $fading = ['whenLost' => 'fade', 'fadeSeconds' => 4];
        $rig = Rig::with($fading);
        $rig->artNet([1 => 200]);
        $rig->pass(11.0);
        $rig->osc('/lamp', 0.5);
        $again = $this->again($rig, Rig::with($fading));
        $again->pass(4.0);
        self::assertSame([0, 128], $again->levelsOf(1, 5));
    }

    public function testWhatHadStoppedStaysStopped(): void
    {
        $rig = Rig::with(['whenLost' => 'stop']);
        $rig->artNet([1 => 200]);
        $rig->pass(11.0);
        $again = $this->again($rig, Rig::with(['whenLost' => 'stop']));
        $sent = array_filter(
            $again->pass(3.0),
            static fn(array $one): bool => \in_array($one[1]->address, ['127.0.0.14', '127.0.0.16'], true),
        );
        self::assertSame([], $sent, 'nothing is sent');
        self::assertTrue($again->junction->universes()['palm']->hasStopped());
    }

    public function testAPreviewIsStillAPreview(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 10]);
        $rig->sacn([1 => 255], options: Data::PREVIEW);
        $again = $this->again($rig, new Rig());
        self::assertSame(10, $again->level(1));
        $again->artNet([1 => 11]);
        self::assertSame(11, $again->level(1), 'nor does it come to the lamps later');
    }

    public function testTheOrderOfChangesIsKept(): void
    {
        foreach (['ltp' => [], 'slot' => ['latest' => [['first' => 1, 'last' => 3]]]] as $merge => $more) {
            $rig = Rig::with(['merge' => $merge, ...$more]);
            $rig->artNet([1 => 10, 2 => 10, 3 => 10]);
            $rig->sacn([1 => 20, 2 => 20, 3 => 20]);
            $rig->pass(0.1);
            $rig->artNet([1 => 10, 2 => 11, 3 => 10]);
            self::assertSame([20, 11, 20], $rig->levelsOf(1, 2, 3));
            $again = $this->again($rig, Rig::with(['merge' => $merge, ...$more]));
            self::assertSame([20, 11, 20], $again->levelsOf(1, 2, 3), $merge);
            $again->artNet([1 => 10, 2 => 11, 3 => 12]);
            self::assertSame([20, 11, 12], $again->levelsOf(1, 2, 3), 'the next change is later than all of before');
            $again->sacn([1 => 20, 2 => 20, 3 => 20]);
            self::assertSame([20, 11, 12], $again->levelsOf(1, 2, 3), 'the same levels again are no change');
        }
    }

    public function testTheRulesOfTheShowOfNowHold(): void
    {
        $rig = new Rig();
        $rig->osc('/lamp', 1.0);
        $rig->artNet([1 => 100]);
        $rig->sacn([2 => 50]);
        self::assertSame([100, 50, 255], $rig->levelsOf(1, 2, 5));
        $without = $this->again($rig, new Rig(['routes' => []]));
        self::assertSame([100, 50, 0], $without->levelsOf(1, 2, 5), 'a route that is gone leaves nothing behind');
        $unfed = $this->again($rig, new Rig(Rig::port('guest', ['receive' => ['address' => '127.0.0.1', 'feeds' => []]])));
        self::assertSame([100, 0, 255], $unfed->levelsOf(1, 2, 5), 'nor does a source that no port brings any more');
        $last = $this->again(
            $rig,
            new Rig(
                Rig::port(
                    'house',
                    [
                        'receive' => [
                            'address' => '127.0.0.1',
                            'lastResort' => true,
                            'feeds' => [['number' => 1, 'universe' => 'palm']],
                        ],
                    ],
                ),
            ),
        );
        self::assertSame([0, 50], $last->levelsOf(1, 2), 'and a port that has become the last resort is that');
    }

    public function testWhatIsShownAtTheOtherEndIsNotToldAgain(): void
    {
        $told = static fn(array $left): array => array_values(
            array_filter(array_column($left, 1), static fn($one): bool => $one->port === 9000),
        );
        $rig = new Rig();
        $rig->sacn([5 => 100]);
        $rig->pass(1.0);
        self::assertSame([], $told($this->again($rig, new Rig())->pass(1.0)));
        $other = new Rig(
            [
                'routes' => [
                    [
                        'id' => 'out',
                        'name' => 'Fader out',
                        'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
                        'to' => ['kind' => 'message', 'port' => 'tablet', 'address' => '/another'],
                    ],
                ],
            ],
        );
        self::assertCount(1, $told($this->again($rig, $other)->pass(1.0)), 'unless it is another address now');
    }

    public function testWhoeverSpokeLastIsStillRepliedTo(): void
    {
        $replies = Rig::port('tablet', ['send' => ['to' => [], 'port' => 9000, 'replies' => true]]);
        $rig = new Rig($replies);
        $rig->osc('/hello');
        $again = $this->again($rig, new Rig($replies));
        $again->pass(0.1);
        $told = array_values(array_filter($again->sacn([5 => 100]), static fn($one): bool => $one->port === 9000));
        self::assertSame(['127.0.0.15'], array_column($told, 'address'));
    }

    public function testOutagesOfTheEveningAreKept(): void
    {
        $rig = new Rig();
        for ($i = 0; $i < 80; ++$i) {
            $rig->artNet([1 => $i]);
            $rig->pass(0.05);
        }
        $rig->pass(12.0);
        $rig->artNet([1 => 7]);
        $told = $rig->junction->activity('house')->streams->outages($rig->nanos());
        self::assertCount(1, $told);
        $later = new Rig();
        $later->pass(30.0);
        $again = $this->again($rig, $later);
        self::assertEquals(
            $told,
            $again->junction->activity('house')->streams->outages($later->nanos()),
            'and in the same words',
        );
        self::assertSame(1, $again->junction->activity('house')->streams->ended());
        // Of a machine that has started since, nothing can be said in its own time.
        $state = ['outages' => ['house' => [['from' => PHP_INT_MAX >> 2, 'until' => PHP_INT_MAX >> 1, 'what' => 'x']]]];
        $fresh = new Rig();
        $fresh->junction->restore($state, $fresh->nanos());
        self::assertSame([], $fresh->junction->activity('house')->streams->outages($fresh->nanos()));
    }

    public function testAHoldEndsWhenItWouldHave(): void
    {
        $rig = new Rig();
        $rig->artNet([1 => 1]);
        $rig->junction->hold(
            'palm',
            [new Hold(8, 44, 'Ada', $rig->nanos() + 10_000_000_000), new Hold(9, 45, 'Ada', $rig->nanos() + 2_000_000_000)],
            $rig->nanos(),
        );
        $again = $this->again($rig, new Rig(), awaySeconds: 3.0);
        self::assertSame([44, 0], $again->levelsOf(9, 10), 'one was over while nobody was there');
        $again->pass(6.9);
        self::assertSame(44, $again->level(9));
        $again->pass(0.2);
        self::assertSame(0, $again->level(9));
    }

    /** @return iterable<string, array{mixed}> */
    public static function absurd(): iterable
    {
        $whole = static function (array $changes): array {
            $source = [
                'key' => base64_encode("house\0x"),
                'port' => 'house',
                'protocol' => 'art-net',
                'name' => 'x',
                'address' => '127.0.0.11',
                'priority' => 100,
                'levels' => base64_encode(str_repeat("\7", 512)),
            ];

            return [
                'universes' => [
                    'palm' => [
                        'merged' => base64_encode(str_repeat("\7", 512)),
                        'sources' => [[...$source, ...$changes]],
                        'holds' => [$changes],
                        'fade' => $changes,
                    ],
                ],
                'sequences' => $changes,
                'feedback' => ['out' => $changes],
                'lastSenders' => $changes,
            ];
        };
        foreach ([PHP_INT_MAX, PHP_INT_MIN, -1, 1e300, 'x', [], null, true, str_repeat('A', 100_000)] as $value) {
            $fields = [
                'key',
                'port',
                'protocol',
                'name',
                'address',
                'priority',
                'sequence',
                'slots',
                'levels',
                'slotPriorities',
                'order',
                'slot',
                'level',
                'by',
                'left',
                'from',
                'to',
                'elapsed',
                'nanos',
                'shown',
                'where',
                'tablet',
                'node sacn 7 palm',
            ];
            yield get_debug_type($value).' '.substr((string) json_encode($value), 0, 12) => [$whole(array_fill_keys($fields, $value))];
        }
        yield 'a list' => [[1, 2, 3]];
        yield 'nothing but names' => [['universes' => 'palm', 'sequences' => 7, 'feedback' => null, 'lastSenders' => [[]]]];
        yield 'thousands of sources' => [
            [
                'universes' => [
                    'palm' => [
                        'merged' => base64_encode(str_repeat("\7", 512)),
                        'sources' => array_fill(
                            0,
                            5000,
                            ['key' => base64_encode('x'), 'levels' => base64_encode(str_repeat("\7", 512))],
                        ),
                    ],
                ],
            ],
        ];
    }

    /** @param array<mixed> $state */
    #[DataProvider('absurd')]
    public function testNothingAbsurdIsTakenOver(array $state): void
    {
        $rig = new Rig();
        $rig->junction->restore(
            json_decode(json_encode($state, JSON_THROW_ON_ERROR | JSON_PARTIAL_OUTPUT_ON_ERROR), true),
            $rig->nanos(),
            PHP_INT_MAX >> 8,
        );
        $rig->pass(3.0);
        $rig->artNet([1 => 9]);
        $rig->pass(3.0);
        self::assertLessThanOrEqual(200, \count($rig->junction->universes()['palm']->sources()));
        self::assertLessThan($rig->nanos() + 10_000_000_000, $rig->junction->dueAt(), 'it still wants to be woken');
    }

    /** The state of one junction, through JSON, into another. */
    private function again(Rig $rig, Rig $next, float $awaySeconds = 0.0): Rig
    {
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $next->junction->restore($state, $next->nanos(), (int) ($awaySeconds * 1e9));

        return $next;
    }
}
