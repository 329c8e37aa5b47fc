<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Sacn\Data;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\StateFolder;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/**
 * What people build of routes, once each with an engine of its own, real packets, and virtual cables. Bytes by MIDI 1.0,
 * MIDI Show Control 1.1, MIDI Machine Control 1.0 and OSC 1.0 (from memory).
 */
final class RealEveningsTest extends TestCase
{
    private const NET = '127.78.46';
    private static StateFolder $folder;
    private static EngineProcess $engine;
    private static int $live;

    /** @var array<string, Udp> by name */
    private static array $ends = [];

    /** @var array<string, resource> cables by name */
    private static array $cables = [];

    public static function setUpBeforeClass(): void
    {
        self::$folder = new StateFolder();
        self::$live = Background::freePort();
        $net = self::NET;
        self::$ends = [
            'desk' => new Udp("{$net}.5", 9000),
            'tablet' => new Udp("{$net}.6", 9001),
            'node' => new Udp("{$net}.3", 5568),
            'house' => new Udp("{$net}.11", 5568),
        ];
        self::$engine = self::$folder->engine(self::document(), ['--live=127.0.0.1:'.self::$live]);
        foreach (['slides', 'lectern'] as $name) {
            $path = self::$folder->path."/cables/{$name}.midi";
            self::$cables[$name] = Background::until(static fn(): mixed => @stream_socket_client("unix://{$path}"), "The cable {$name}");
            stream_set_blocking(self::$cables[$name], false);
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$engine->stop();
        array_map(fclose(...), self::$cables);
        array_map(static fn(Udp $end) => $end->close(), self::$ends);
        self::$folder->delete();
        self::$ends = self::$cables = [];
    }

    public function testASlidesNoteIsACueAtTheDesk(): void
    {
        fwrite(self::$cables['slides'], (string) hex2bin('903164'));
        self::assertSame(self::osc('/cue/49/start'), $this->atDesk('/cue/49'));
    }

    public function testShowControlOfTheDeskOpensTheHouse(): void
    {
        fwrite(self::$cables['slides'], (string) hex2bin('f07f7f020101322e35f7'));
        self::assertSame(self::osc('/house', Argument::int(1)), $this->atDesk('/house'));
    }

    public function testAPanelsFaderIsTheLasersSizeAndItsMotorFollows(): void
    {
        fwrite(self::$cables['lectern'], (string) hex2bin('b00240'));
        $this->untilLevels([3 => 129]);
        self::$ends['tablet']->send(self::osc('/size', Argument::float(1.0)), self::NET.'.1:8000');
        $this->untilLevels([3 => 255]);
        self::assertSame('b0027f', $this->fromLectern('b0027f'));
    }

    public function testATabletAndALevelBothWaysWithoutEcho(): void
    {
        // At the beginning it is told where it stands.
        self::$ends['tablet']->until(static fn(string $bytes): bool => $bytes === self::osc('/lamp', Argument::float(0.0)));
        self::$ends['tablet']->send(self::osc('/lamp', Argument::float(0.2)), self::NET.'.1:8000');
        $this->untilLevels([5 => 51]);
        $back = array_filter(
            array_column(self::$ends['tablet']->collect(0.5), 1),
            static fn(string $bytes): bool => str_starts_with($bytes, '/lamp') && $bytes !== self::osc('/lamp', Argument::float(0.2)),
        );
        self::assertSame([], $back);
        $this->desk([5 => 255]);
        self::$ends['tablet']->until(static fn(string $bytes): bool => $bytes === self::osc('/lamp', Argument::float(1.0)));
        $this->addToAssertionCount(1);
    }

    public function testASpareSlotIsALayerOfAMediaServer(): void
    {
        $this->desk([100 => 0]);
        $this->desk([100 => 255]);
        self::assertSame(
            self::osc('/layer/1/opacity', Argument::float(1.0)),
            $this->atDesk('/layer/1/opacity', self::osc('/layer/1/opacity', Argument::float(1.0))),
        );
    }

    public function testAStickIsPanAndTiltInSixteenBits(): void
    {
        $page = new LiveLink(self::$live, Role::Operator, [
            ['do' => 'lend', 'devices' => ['controller Glass Stick']],
            ['do' => 'lent', 'device' => 'controller Glass Stick', 'state' => '{"axes": {"0": 0, "1": 0}, "buttons": {}}'],
            ['do' => 'lent', 'device' => 'controller Glass Stick', 'state' => '{"axes": {"0": 0.5, "1": -1}, "buttons": {}}'],
        ], 1.0);
        $page->heard();
        // 0.75 of 65,535 is 49,151.25: 191 and 255; nothing is 0 and 0.
        $this->untilLevels([21 => 191, 22 => 255, 23 => 0, 24 => 0]);
    }

    public function testANonRegisteredParameterIsAParameter(): void
    {
        fwrite(self::$cables['lectern'], (string) hex2bin('b06302b0622cb0067fb0267f'));
        $this->untilLevels([31 => 255, 32 => 255]);
    }

    public function testAPartOfAnAddressIsANote(): void
    {
        self::$ends['tablet']->send(self::osc('/pad/36/hit'), self::NET.'.1:8000');
        self::assertSame('992464', $this->fromLectern('992464'));
    }

    public function testMachineControlStartsAPlayer(): void
    {
        fwrite(self::$cables['slides'], (string) hex2bin('f07f7f0602f7'));
        self::assertSame(self::osc('/player/play', Argument::int(1)), $this->atDesk('/player/play'));
    }

    private static function osc(string $address, Argument ...$arguments): string
    {
        return (new Message($address, array_values($arguments)))->encode();
    }

    private function atDesk(string $address, ?string $bytes = null): string
    {
        return self::$ends['desk']->until(
            static fn(string $one): bool => $bytes === null ? str_starts_with($one, $address) : $one === $bytes,
        );
    }

    /** @return string what came out of the lectern's cable, up to these bytes */
    private function fromLectern(string $hex): string
    {
        $all = '';
        Background::until(static function () use (&$all, $hex): bool {
            $all .= bin2hex((string) fread(self::$cables['lectern'], 4096));

            return str_contains($all, $hex);
        }, "{$hex} at the lectern");

        return substr($all, (int) strrpos($all, $hex), \strlen($hex));
    }

    /** @param array<int, int> $slots level by slot of the house desk's universe */
    private function desk(array $slots): void
    {
        static $sequence = 0;
        self::$ends['house']->send(
            (new Data('house-----------', 1, Rig::levels($slots), ++$sequence & 255))->encode(),
            self::NET.'.1:5568',
        );
    }

    /** @param array<int, int> $levels by slot of what leaves */
    private function untilLevels(array $levels): void
    {
        self::$ends['node']->until(static function (string $bytes) use ($levels): bool {
            foreach ($levels as $slot => $level) {
                if (\ord($bytes[125 + $slot] ?? "\0") !== $level) {
                    return false;
                }
            }

            return \strlen($bytes) === 638;
        });
        $this->addToAssertionCount(1);
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        $net = self::NET;
        $osc = static fn(string $address, array $arguments = []): array => [
            'kind' => 'send',
            'port' => 'desk',
            'message' => ['kind' => 'osc', 'address' => $address, 'arguments' => $arguments],
        ];
        $cable = static fn(string $id): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'protocol' => 'midi',
            'link' => ['kind' => 'cable', 'device' => $id],
            'receive' => ['enabled' => true],
            'send' => ['enabled' => true],
        ];
        $scale = static fn(int|float $from, int|float $until, int|float $low, int|float $high): array => [
            'kind' => 'scale',
            'from' => [$from, $until],
            'to' => [$low, $high],
        ];
        $routes = [
            'slide' => ['when' => ['kind' => 'note-on', 'port' => 'slides', 'note' => 49], 'do' => [$osc('/cue/{note}/start')]],
            'msc' => ['when' => ['kind' => 'msc', 'port' => 'slides', 'command' => 'go', 'cue' => '2.5'], 'do' => [['kind' => 'set', 'point' => 'value:house', 'value' => 1]]],
            'house' => ['when' => ['kind' => 'point', 'point' => 'value:house'], 'do' => [$osc('/house', [['kind' => 'int']])]],
            'size' => [
                'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 2],
                'steps' => [$scale(0, 127, 0, 255)],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/3']],
                'back' => ['kind' => 'value'],
            ],
            'size-2' => ['when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/size'], 'steps' => [$scale(0, 1, 0, 255)], 'do' => [['kind' => 'set', 'point' => 'slot:palm/3']]],
            'lamp' => [
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/lamp'],
                'steps' => [$scale(0, 1, 0, 255)],
                'do' => [['kind' => 'set', 'point' => 'slot:palm/5']],
                'back' => ['kind' => 'value'],
            ],
            'layer' => ['when' => ['kind' => 'slot', 'point' => 'arriving:palm/100'], 'steps' => [$scale(0, 255, 0, 1)], 'do' => [$osc('/layer/1/opacity', [['kind' => 'float']])]],
            'pan' => ['when' => ['kind' => 'message', 'port' => 'stick', 'address' => '/axis/1'], 'steps' => [$scale(-1, 1, 0, 100)], 'do' => [['kind' => 'set', 'point' => 'fixture:head/pan']]],
            'tilt' => ['when' => ['kind' => 'message', 'port' => 'stick', 'address' => '/axis/2'], 'steps' => [$scale(-1, 1, 0, 100)], 'do' => [['kind' => 'set', 'point' => 'fixture:head/tilt']]],
            'nrpn' => ['when' => ['kind' => 'nrpn', 'port' => 'lectern', 'parameter' => 300], 'steps' => [$scale(0, 16383, 0, 100)], 'do' => [['kind' => 'set', 'point' => 'fixture:other/pan']]],
            'pad' => [
                'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/pad/{n}/hit', 'takes' => 'message'],
                'do' => [['kind' => 'send', 'port' => 'lectern', 'message' => ['kind' => 'note', 'channel' => 10, 'note' => '{n}', 'velocity' => 100]]],
            ],
            'mmc' => ['when' => ['kind' => 'mmc', 'port' => 'slides', 'command' => 'play'], 'do' => [$osc('/player/play', [['kind' => 'int', 'value' => 1]])]],
        ];

        return [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Evenings',
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => 'htp']],
            'values' => [['id' => 'house', 'name' => 'House open', 'type' => 'switch']],
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'tilt', 'slots' => 2]]]],
            'fixtures' => [
                ['id' => 'head', 'name' => 'Head', 'profile' => 'head', 'universe' => 'palm', 'first' => 21],
                ['id' => 'other', 'name' => 'Other', 'profile' => 'head', 'universe' => 'palm', 'first' => 31],
            ],
            'ports' => [
                $cable('slides'),
                $cable('lectern'),
                ['id' => 'desk', 'name' => 'Desk', 'protocol' => 'osc', 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.5"], 'port' => 9000]],
                ['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['address' => "{$net}.1", 'port' => 8000], 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.6"], 'port' => 9001]],
                ['id' => 'house', 'name' => 'House', 'protocol' => 'sacn', 'receive' => ['address' => "{$net}.1", 'feeds' => [['number' => 1, 'universe' => 'palm']]]],
                ['id' => 'node', 'name' => 'Node', 'protocol' => 'sacn', 'send' => ['address' => "{$net}.1", 'to' => ["{$net}.3"], 'carries' => [['number' => 7, 'universe' => 'palm']]]],
                ['id' => 'stick', 'name' => 'Stick', 'protocol' => 'controller', 'link' => ['kind' => 'browser', 'device' => 'Glass Stick'], 'receive' => ['deadZone' => 0]],
            ],
            'routes' => array_map(
                static fn(string $id, array $route): array => ['id' => $id, 'name' => ucfirst($id)] + $route,
                array_keys($routes),
                $routes,
            ),
        ];
    }
}
