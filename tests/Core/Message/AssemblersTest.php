<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Message;

use NimbleJunction\Core\Codec\ArtNetReceiver;
use NimbleJunction\Core\Codec\MidiCodec;
use NimbleJunction\Core\Live\Assemblers;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Wire\ArtNet\Command;
use NimbleJunction\Core\Wire\ArtNet\TimeCode;
use NimbleJunction\Core\Wire\ArtNet\Trigger;
use NimbleJunction\Core\Wire\Midi\FullFrame;
use NimbleJunction\Core\Wire\Midi\MachineCommand;
use NimbleJunction\Core\Wire\Midi\MachineControl;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Everything that arrives has its exact fields; what several messages say together is put together, a port and a
 * sender at a time.
 */
final class AssemblersTest extends TestCase
{
    /**
     * @return iterable<string, array{string, array<string, int|float|string>}> bytes, and what they say; the standards
     * are from memory
     */
    public static function whole(): iterable
    {
        // MIDI 1.0, "Control Change": controllers 0 to 31 are the high parts, 32 to 63 the low ones.
        yield 'a controller of 14 bits' => ['b00740 b0273f', ['channel' => 1, 'controller' => 7, 'value' => 0x40 << 7 | 0x3F]];
        // MIDI 1.0, "RPN and NRPN": RPN 0 is the range of the pitch bend.
        yield 'a registered parameter' => [
            'b16500 b16400 b1060c b12632',
            ['channel' => 2, 'parameter' => 0, 'value' => 12 << 7 | 50],
        ];
        yield 'a non-registered parameter' => [
            'b26302 b2622c b20601',
            ['channel' => 3, 'parameter' => 2 << 7 | 44, 'value' => 1 << 7],
        ];
        // MIDI Time Code: 01:37:52:16 at 25 frames a second, in eight pieces; it is two frames old when they are whole.
        yield 'time code in quarter frames' => [
            'f100 f111 f124 f133 f145 f152 f161 f172',
            ['time' => '01:37:52:18', 'hours' => 1, 'minutes' => 37, 'seconds' => 52, 'frames' => 18],
        ];
    }

    /** @param array<string, int|float|string> $fields */
    #[DataProvider('whole')]
    public function testWhatSeveralMessagesSayTogether(string $bytes, array $fields): void
    {
        $assemblers = new Assemblers();
        $codec = new MidiCodec();
        $last = null;
        foreach (explode(' ', $bytes) as $i => $hex) {
            $message = $codec->receive((string) hex2bin($hex), '')[0];
            self::assertInstanceOf(Message::class, $message);
            $last = $assemblers->push('lectern', '127.0.0.2', $message);
            self::assertNull(
                $assemblers->push('other', "127.0.0.{$i}", $codec->receive("\xF1\x71", '')[0]),
                'another sender says nothing of it',
            );
        }
        self::assertSame($fields, $last?->fields());
    }

    public function testBeatsAreCountedFromTheStart(): void
    {
        $assemblers = new Assemblers();
        $codec = new MidiCodec();
        $beats = [];
        foreach (['fa', ...array_fill(0, 49, 'f8'), 'fc', 'f8', 'f20008', 'fb', 'f8'] as $hex) {
            $beat = $assemblers->push('p', 's', $codec->receive((string) hex2bin($hex), '')[0]);
            if ($beat !== null) {
                $beats[] = $beat->fields()['beat'];
            }
        }
        // Song position 1024 sixteenths is beat 257.
        self::assertSame([1, 2, 3, 257], $beats);
    }

    public function testTheyLiveThroughAnEditThatKeepsThePort(): void
    {
        $plan = fn(string $name): Plan => (new Compiler(new Identity('test')))->compile(
            ShowReader::fromArray([...Rig::document(), 'name' => $name]),
        );
        $assemblers = new Assemblers();
        $codec = new MidiCodec();
        $push = static fn(string $hex): ?Message => $assemblers->push(
            'tablet',
            's',
            $codec->receive((string) hex2bin($hex), '')[0],
        );
        $push('b00740');
        $assemblers->adopt($plan('Edited'));
        self::assertSame(0x40 << 7 | 1, $push('b02701')?->number(1), 'the high part is still known');
        $assemblers->adopt(Plan::empty());
        self::assertSame(1, $push('b02701')?->number(1), 'the port is gone, and with it what it knew');
    }

    /** @return iterable<string, array{string, string, array<string, int|float|string>}> bytes, address and fields */
    public static function exact(): iterable
    {
        yield 'show control' => [
            'f07f14020101322e3500310037f7',
            '/show-control/20/go',
            ['device' => 20, 'format' => 1, 'command' => 'go', 'cue' => '2.5', 'list' => '1', 'path' => '7'],
        ];
        yield 'show control that fires a macro' => [
            'f07f7f020107 05f7',
            '/show-control/127/fire',
            ['device' => 127, 'format' => 1, 'command' => 'fire', 'macro' => 5],
        ];
        yield 'machine control' => [
            bin2hex((new MachineControl(MachineCommand::DeferredPlay, 3))->message()->encode()),
            '/machine-control/3/deferred-play',
            ['device' => 3, 'command' => 'deferred-play'],
        ];
        yield 'system exclusive' => ['f0417f2af7', '/system-exclusive', ['data' => 'f0417f2af7']];
        yield 'machine control that is not known stays bytes' => [
            'f07f01067ff7',
            '/system-exclusive',
            ['data' => 'f07f01067ff7'],
        ];
        yield 'a jump of time code' => [
            bin2hex(
                (new FullFrame(
                    \NimbleJunction\Core\Wire\TimeCode::of(\NimbleJunction\Core\Wire\FrameRate::Ebu, 10, 20, 30, 24),
                ))->message()->encode(),
            ),
            '/time-code',
            ['time' => '10:20:30:24', 'hours' => 10, 'minutes' => 20, 'seconds' => 30, 'frames' => 24],
        ];
    }

    /** @param array<string, int|float|string> $fields */
    #[DataProvider('exact')]
    public function testExactFieldsAndTheSameBytesOutAgain(string $bytes, string $address, array $fields): void
    {
        $bytes = (string) hex2bin(str_replace(' ', '', $bytes));
        $message = (new MidiCodec())->receive($bytes, '')[0];
        self::assertInstanceOf(Message::class, $message);
        self::assertSame([$address, $fields], [$message->address(), $message->fields()]);
        self::assertSame(bin2hex($bytes), bin2hex((new MidiCodec())->write($message)));
    }

    public function testArtNetTriggersCommandsAndTimeCode(): void
    {
        $receiver = new ArtNetReceiver([]);
        self::assertSame(['key' => 3, 'sub-key' => 7], $this->fields($receiver, (new Trigger(3, 7))->encode()));
        self::assertSame(
            ['text' => 'SwoutText=Playback&'],
            $this->fields($receiver, (new Command('SwoutText=Playback&'))->encode()),
        );
        self::assertSame('01:02:03:04', $this->fields($receiver, (new TimeCode(1, 2, 3, 4, 1))->encode())['time']);
    }

    public function testARouteTakesWhatIsPutTogether(): void
    {
        $cable = [
            'id' => 'lectern',
            'name' => 'Lectern',
            'protocol' => 'midi',
            'link' => ['kind' => 'cable', 'device' => 'lectern'],
            'receive' => [],
        ];
        $route = [
            'id' => 'wide',
            'name' => 'Wide',
            'from' => ['kind' => 'message', 'port' => 'lectern', 'address' => '/controller-14/1/7', 'high' => 16383],
            'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 5],
        ];
        $rig = new Rig(['ports' => [...Rig::document()['ports'], $cable], 'routes' => [$route]]);
        $key = (string) array_key_first(
            array_filter(
                $rig->junction->plan()->endpoints,
                static fn($endpoint): bool => \in_array('lectern', $endpoint->portIds, true),
            ),
        );
        foreach (['b0077f', 'b0277f', 'b0087f'] as $hex) {
            $rig->junction->arrived($key, 'cable', 0, (string) hex2bin($hex), $rig->nanos());
        }
        self::assertSame(255, $rig->level(5));
        self::assertContains('Lectern: controller 7 on channel 1 in 14 bits at 16383', $rig->titles());
        self::assertNotContains('Lectern: controller 8 on channel 1 in 14 bits at 16256', $rig->titles(), 'nobody asks for it');
    }

    /** @return array<string, int|float|string> */
    private function fields(ArtNetReceiver $receiver, string $bytes): array
    {
        $message = $receiver->receive($bytes, '127.0.0.1')[0];
        self::assertInstanceOf(Message::class, $message);

        return $message->fields();
    }
}
