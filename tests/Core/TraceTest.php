<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Trace\Event;
use NimbleJunction\Core\Trace\Kind;
use NimbleJunction\Core\Trace\Names;
use NimbleJunction\Core\Trace\Step;
use NimbleJunction\Core\Trace\Trace;
use PHPUnit\Framework\TestCase;

/** The trace keeps the newest events, folds like ones, and tells a reader what has changed since it last asked. */
final class TraceTest extends TestCase
{
    private const SECOND = 1_000_000_000;

    public function testLikeEventsWithinASecondAreFoldedAndLaterOnesAreNot(): void
    {
        $trace = new Trace();
        foreach ([0.0, 0.4, 0.9, 1.1] as $at) {
            $event = $trace->begin(Kind::Message, 'fader', 'tablet', "at {$at}", (int) ($at * self::SECOND));
            $trace->hop($event, Step::Heard, 'heard');
        }
        $events = $trace->since(0, 100);
        self::assertSame([3, 1], array_map(static fn(Event $event): int => $event->count, $events));
        self::assertSame(
            ['at 0.9', 'at 1.1'],
            array_map(static fn(Event $event): string => $event->title(self::names()), $events),
        );
        self::assertCount(1, $events[0]->hops, 'the hops of the newest one');
    }

    public function testAReaderIsToldWhatHasChangedSince(): void
    {
        $trace = new Trace();
        $first = $trace->begin(Kind::Hold, 'one', '', 'one', 0);
        $trace->note(Kind::Port, 'two', '', Step::Note, 'two', 0);
        $read = $trace->revision();
        self::assertSame([], $trace->since($read, 100));
        $trace->hop($first, Step::Sent, 'later');
        self::assertSame(
            ['one'],
            array_map(static fn(Event $event): string => $event->title(self::names()), $trace->since($read, 100)),
            'an old event that got another hop',
        );
        self::assertCount(1, $trace->since(0, 1), 'at most so many');
    }

    public function testItIsBounded(): void
    {
        $trace = new Trace();
        for ($i = 0; $i < 3 * Trace::LENGTH; ++$i) {
            $event = $trace->begin(Kind::Source, "event {$i}", '', "event {$i}", $i);
            for ($hop = 0; $hop < 2 * Event::MOST_HOPS; ++$hop) {
                $trace->hop($event, Step::Note, 'hop');
            }
        }
        $events = $trace->since(0, \PHP_INT_MAX);
        self::assertCount(Trace::LENGTH, $events);
        self::assertSame('event '.(3 * Trace::LENGTH - 1), end($events)->title(self::names()));
        self::assertCount(Event::MOST_HOPS, $events[0]->hops);
    }

    private static function names(): Names
    {
        return (new Junction())->names();
    }
}
