<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\RtpMidi\Outcome;
use NimbleJunction\Core\Wire\RtpMidi\Session;
use NimbleJunction\Core\Wire\RtpMidi\SessionState;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\StateFolder;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/**
 * Several guests at one network MIDI port, and one that broke down and comes back. The session protocol is in common
 * use (from memory).
 */
final class GuestsTest extends TestCase
{
    private const NET = '127.78.45';
    private StateFolder $folder;
    private EngineProcess $engine;
    private Udp $desk;
    private Udp $line;

    protected function setUp(): void
    {
        $this->folder = new StateFolder();
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = [
            'id' => 'studio',
            'name' => 'Studio',
            'protocol' => 'midi',
            'link' => ['kind' => 'session'],
            'receive' => ['address' => self::NET.'.1', 'port' => 5004],
            'send' => ['to' => []],
        ];
        $document['routes'] = [
            [
                'id' => 'in',
                'name' => 'In',
                'from' => ['kind' => 'message', 'port' => 'studio', 'address' => '/controller/1/20', 'low' => 0, 'high' => 127],
                'to' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 9],
            ],
            [
                'id' => 'out',
                'name' => 'Out',
                'from' => ['kind' => 'slot', 'universe' => 'palm', 'slot' => 1],
                'to' => [
                    'kind' => 'message',
                    'port' => 'studio',
                    'address' => '/controller/1/16',
                    'low' => 0,
                    'high' => 127,
                    'type' => 'int',
                ],
            ],
        ];
        $this->engine = $this->folder->engine($document);
        $this->desk = new Udp(self::NET.'.11', 6454);
        $this->line = new Udp(self::NET.'.2', 5120);
        $this->level(102);
    }

    protected function tearDown(): void
    {
        $this->desk->close();
        $this->line->close();
        $this->engine->stop();
        $this->folder->delete();
    }

    public function testSeveralGuestsPlayAndAreTold(): void
    {
        $one = $this->guest('.21', 5010, 0x1111);
        $two = $this->guest('.22', 5010, 0x2222);
        foreach ([$one, $two] as $guest) {
            self::assertSame(
                ["\xB0\x10\x33"],
                $this->midi($guest),
                'whoever comes is told what is shown: 102 of 255 is 51 of 127',
            );
        }
        $this->say($one, "\xB0\x14\x7F");
        $this->line->until(static fn(string $bytes): bool => $bytes[9] === "\xFF");
        $this->say($two, "\xB0\x14\x00");
        $this->line->until(static fn(string $bytes): bool => $bytes[9] === "\0");
        $this->level(204);
        foreach ([$one, $two] as $guest) {
            // What was shown before is said again to all when somebody comes.
            for ($i = 0, $midi = []; $i < 5 && $midi !== ["\xB0\x10\x66"]; ++$i) {
                $midi = $this->midi($guest);
            }
            self::assertSame(["\xB0\x10\x66"], $midi, 'both are told');
        }
    }

    public function testAGuestThatBrokeDownIsTakenBackAtOnce(): void
    {
        $before = $this->guest('.21', 5010, 0x1111);
        $this->midi($before);
        // A note sounds while it breaks down: nothing may go on sounding.
        $this->close($before);
        $again = $this->guest('.21', 5010, 0x3333);
        self::assertSame(SessionState::Open, $again['session']->state());
        self::assertSame(["\xB0\x10\x33"], $this->midi($again));
        $this->say($again, "\xB0\x14\x7F");
        $this->line->until(static fn(string $bytes): bool => $bytes[9] === "\xFF");
    }

    public function testOneTooManyIsTurnedAwayAndTheOthersStay(): void
    {
        $guests = [];
        for ($i = 0; $i < 16; ++$i) {
            $guests[] = $this->guest('.'.(21 + $i), 5010, 0x1000 + $i);
        }
        $late = $this->knock('.60', 5010, 0x9999);
        self::assertSame(SessionState::Rejected, $late['session']->state());
        $this->say($guests[0], "\xB0\x14\x7F");
        $this->line->until(static fn(string $bytes): bool => $bytes[9] === "\xFF");
        array_map($this->close(...), $guests);
    }

    private function level(int $level): void
    {
        $this->desk->send((new Dmx(1, Rig::levels([1 => $level])))->encode(), self::NET.'.1:6454');
        $this->line->until(static fn(string $bytes): bool => \ord($bytes[1]) === $level);
    }

    /** @return array{session: Session, control: Udp, data: Udp} in a session */
    private function guest(string $end, int $port, int $ssrc): array
    {
        $guest = $this->knock($end, $port, $ssrc);
        for ($i = 0; $i < 20 && $guest['session']->state() !== SessionState::Open; ++$i) {
            $this->tell($guest, $guest['session']->arrived(true, (string) $guest['data']->receive(30.0), 2));
        }
        self::assertSame(SessionState::Open, $guest['session']->state());

        return $guest;
    }

    /** @return array{session: Session, control: Udp, data: Udp} one whose invitation was answered */
    private function knock(string $end, int $port, int $ssrc): array
    {
        $guest = [
            'session' => new Session("Guest {$ssrc}", $ssrc),
            'control' => new Udp(self::NET.$end, $port),
            'data' => new Udp(self::NET.$end, $port + 1),
        ];
        $this->tell($guest, $guest['session']->invite($ssrc + 7, 0));
        $this->tell($guest, $guest['session']->arrived(false, (string) $guest['control']->receive(30.0), 1));

        return $guest;
    }

    /** @param array{session: Session, control: Udp, data: Udp} $guest */
    private function tell(array $guest, Outcome $outcome): void
    {
        array_map(static fn(string $bytes) => $guest['control']->send($bytes, self::NET.'.1:5004'), $outcome->control);
        array_map(static fn(string $bytes) => $guest['data']->send($bytes, self::NET.'.1:5005'), $outcome->data);
    }

    /** @param array{session: Session, control: Udp, data: Udp} $guest */
    private function say(array $guest, string $midi): void
    {
        $this->tell($guest, $guest['session']->send([$midi], 9));
    }

    /**
     * @param array{session: Session, control: Udp, data: Udp} $guest
     *
     * @return list<string> the next MIDI that it hears
     */
    private function midi(array $guest): array
    {
        for ($i = 0; $i < 20; ++$i) {
            $outcome = $guest['session']->arrived(true, (string) $guest['data']->receive(30.0), 10 + $i);
            $this->tell($guest, $outcome);
            if ($outcome->midi !== []) {
                return $outcome->midi;
            }
        }

        return [];
    }

    /** @param array{session: Session, control: Udp, data: Udp} $guest */
    private function close(array $guest): void
    {
        $guest['control']->close();
        $guest['data']->close();
    }
}
