<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\PointChanged;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\ControllerTrigger;
use NimbleJunction\Core\Route\Trigger\MmcTrigger;
use NimbleJunction\Core\Route\Trigger\MscTrigger;
use NimbleJunction\Core\Route\Trigger\NoteTrigger;
use NimbleJunction\Core\Route\Trigger\OscTrigger;
use NimbleJunction\Core\Route\Trigger\PointTrigger;
use NimbleJunction\Core\Route\Trigger\ProgramTrigger;
use NimbleJunction\Core\Route\Trigger\SlotTrigger;
use NimbleJunction\Core\Route\Trigger\SysexTrigger;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each kind of trigger says itself why it nearly took an event, with what it waits for and what came. */
final class NearMissTest extends TestCase
{
    /**
     * @return iterable<string, array{Trigger, string, float|string|null}> a trigger, a MIDI message, and the value or the
     * reason; null where it is none of its own
     */
    public static function midi(): iterable
    {
        yield 'a note' => [new NoteTrigger('p', 1, 60), '903c40', 64.0];
        yield 'a note that ends' => [new NoteTrigger('p', null, null), '803c40', 0.0];
        yield 'another note' => [new NoteTrigger('p', null, 61), '903c40', null];
        yield 'a note for a controller' => [new ControllerTrigger('p', 1, 60), '903c40', null];
        yield 'a program' => [new ProgramTrigger('p', 1, 3), 'c004', 'waits for program 3, it is 4'];
        yield 'any program' => [new ProgramTrigger('p', null, null), 'c004', 4.0];
        yield 'show control for another device' => [
            new MscTrigger('p', 'go', 21),
            'f07f14020101310031f7',
            'waits for device 21, it is for device 20',
        ];
        // MIDI Show Control 1.1, device IDs 112 to 126 are groups, 127 is everyone (from memory).
        yield 'show control for a group' => [new MscTrigger('p', 'go', 21), 'f07f7002010131f7', 1.0];
        yield 'another cue' => [new MscTrigger('p', 'go', null, '2'), 'f07f14020101310031f7', 'waits for cue 2, it names 1'];
        yield 'no cue at all' => [new MscTrigger('p', 'go', null, '2'), 'f07f14020101f7', 'waits for cue 2, it names none'];
        yield 'another list' => [
            new MscTrigger('p', 'go', null, '1', '9'),
            'f07f14020101310031f7',
            'waits for list 9, it names 1',
        ];
        yield 'another command' => [new MscTrigger('p', 'stop', null), 'f07f14020101310031f7', null];
        yield 'machine control for another device' => [
            new MmcTrigger('p', 'play', 4),
            'f07f030602f7',
            'waits for device 4, it is for device 3',
        ];
        yield 'machine control for everyone' => [new MmcTrigger('p', 'play', 4), 'f07f7f0602f7', 1.0];
        yield 'other bytes' => [new SysexTrigger('p', 'F0 41 10'), 'f0411100f7', 'waits for 10 as byte 3, it is 11'];
    }

    #[DataProvider('midi')]
    public function testWhatMidiTriggersSay(Trigger $trigger, string $hex, float|string|null $expected): void
    {
        $message = (new MidiCodec())->receive((string) hex2bin($hex), '')[0];
        self::assertInstanceOf(Message::class, $message);
        $answer = $trigger->take(new Heard('p', $message));
        self::assertSame($expected, match (true) {
            $answer instanceof Taken => $answer->value,
            $answer instanceof Missed => $answer->reason,
            default => null,
        });
    }

    /** @return iterable<string, array{OscTrigger, list<int|float|string>, float|string}> */
    public static function osc(): iterable
    {
        yield 'without a number' => [new OscTrigger('p', '/a'), [], 1.0];
        yield 'a number' => [new OscTrigger('p', '/a', 2), ['x', 0.5], 0.5];
        yield 'a text' => [new OscTrigger('p', '/a'), ['x'], 'wants a number as argument 1, there is none'];
        yield 'the right text' => [new OscTrigger('p', '/a', 1, 'go'), ['go'], 1.0];
        yield 'the wrong text' => [new OscTrigger('p', '/a', 1, 'go'), ['back'], 'waits for go as argument 1, it is back'];
        yield 'no text' => [new OscTrigger('p', '/a', 2, 'go'), ['go'], 'waits for go as argument 2, there is none'];
        yield 'a number as it is written' => [new OscTrigger('p', '/a', 1, 7), [7], 7.0];
    }

    /** @param list<int|float|string> $arguments */
    #[DataProvider('osc')]
    public function testWhatOscTriggersSay(OscTrigger $trigger, array $arguments, float|string $expected): void
    {
        $answer = $trigger->take(new Heard('p', Osc::of('/a', $arguments)));
        self::assertSame(
            $expected,
            $answer instanceof Taken ? $answer->value : ($answer instanceof Missed ? $answer->reason : ''),
        );
    }

    public function testASlotPassesALevelInOneDirection(): void
    {
        $slot = Reference::parse('slot:palm/1') ?? self::fail();
        $fires = static fn(
            Trigger $trigger,
            int $before,
            int $now,
        ): bool => $trigger->take(new PointChanged($slot, $now, $before)) instanceof Taken;
        $rises = new SlotTrigger($slot, 128);
        self::assertSame(
            [true, false, false, true, false],
            [
                $fires($rises, 127, 128),
                $fires($rises, 128, 255),
                $fires($rises, 255, 0),
                $fires($rises, 0, 255),
                $fires($rises, 0, 127),
            ],
        );
        $falls = new SlotTrigger($slot, null, 10);
        self::assertSame([true, false, false], [$fires($falls, 11, 10), $fires($falls, 10, 0), $fires($falls, 0, 255)]);
        self::assertTrue($fires(new SlotTrigger($slot), 1, 2));
        $becomes = new PointTrigger($slot, 5);
        self::assertEquals(new Missed('waits for 5, it is 4', ['is' => null]), $becomes->take(new PointChanged($slot, 4, 3)));
        self::assertNull($becomes->take(new Heard('p', Osc::of('/a'))));
    }

    public function testALongRouteIsKnownAtBothOfItsEnds(): void
    {
        $cable = [
            'id' => 'lectern',
            'name' => 'Lectern',
            'protocol' => 'midi',
            'link' => ['kind' => 'cable', 'device' => 'lectern'],
            'receive' => [],
            'send' => [],
        ];
        $route = [
            'id' => 'r', 'name' => 'R',
            'when' => [['kind' => 'note', 'port' => 'lectern', 'note' => 60], ['kind' => 'slot', 'point' => 'slot:palm/9']],
            'do' => [
                ['kind' => 'repeat', 'times' => 2, 'do' => [['kind' => 'set', 'point' => 'slot:palm/3']]],
                [
                    'kind' => 'send',
                    'port' => 'tablet',
                    'message' => ['kind' => 'osc', 'address' => '/told', 'arguments' => [['kind' => 'int']]],
                ],
            ],
        ];
        $show = ShowReader::fromArray(
            [...Rig::document(), 'ports' => [...Rig::document()['ports'], $cable], 'routes' => [$route]],
        );
        self::assertSame(
            ['hears' => ['lectern'], 'says' => ['tablet'], 'looks' => ['palm'], 'sets' => ['palm'], 'addresses' => ['/note']],
            RouteEnds::of($show->routes['r'], $show),
        );
        $lines = static fn(string $port): array => array_column(
            OtherEnd::of($show->ports[$port], $show, ['127.0.0.1']),
            'value',
            'label',
        );
        self::assertSame('note 60 (C4) arrives on Lectern', $lines('lectern')['Message for "R"']);
        self::assertSame('/told its value as a whole number', $lines('tablet')['Message of "R"']);
    }

    public function testWhatWasAgreedStandsBesideANote(): void
    {
        $cable = ['id' => 'p', 'name' => 'P', 'protocol' => 'midi', 'link' => ['kind' => 'cable', 'device' => 'p'], 'receive' => []];
        $rig = new Rig([
            'ports' => [...Rig::document()['ports'], $cable],
            'notes' => [['id' => 'doors', 'name' => 'Doors', 'note' => 49], ['id' => 'bell', 'name' => 'Bell', 'note' => 49, 'channel' => 2]],
            'routes' => [['id' => 'r', 'name' => 'R', 'when' => ['kind' => 'note', 'port' => 'p', 'channel' => 3, 'note' => 49], 'do' => [['kind' => 'set', 'point' => 'slot:palm/1']]]],
        ]);
        $rig->junction->arrived('midi cable p', 'cable p', 0, "\x91\x31\x40", $rig->nanos());
        self::assertContains('decoded: note 49 (C#3) on channel 2, velocity 64 "Bell"', $rig->hops('message'));
        self::assertContains(
            'nearly: "R" waits for note 49 (C#3) on channel 3 "Doors", this is note 49 (C#3) on channel 2 "Bell"',
            $rig->hops('message'),
        );
    }

    public function testFactsAreReadByTheNamesOfNow(): void
    {
        $rig = new Rig();
        $rig->osc('/lamp', 0.5);
        self::assertContains('Tablet: /lamp 0.5', $rig->titles());
        $ports = Rig::document()['ports'];
        $ports[2]['name'] = "Guide's tablet";
        $rig->adopt(['ports' => $ports]);
        self::assertContains("Guide's tablet: /lamp 0.5", $rig->titles());
        $rig->osc('/lamb', 0.5);
        self::assertContains('nearly: "Fader in" listens for /lamp: 1 character differs', $rig->hops('message'));
        $rig->adopt(['routes' => [], 'ports' => $ports]);
        self::assertContains(
            "unmatched: no route listens for /lamb on Guide's tablet",
            $rig->hops('message'),
            'the near miss is looked for when it is read',
        );
    }
}
