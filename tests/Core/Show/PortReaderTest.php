<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use Database\Seeders\FernhallGlasshouse;
use NimbleJunction\Core\Show\LinkKind;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\PortsOfEachKind;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Ports that are more than a UDP port: what their documents may say, and what their other ends need. */
final class PortReaderTest extends TestCase
{
    use PortsOfEachKind;

    /** @return iterable<string, array{array<string, mixed>, string, string}> a port, the path of its fault, words of it */
    public static function wrong(): iterable
    {
        yield 'MIDI over nothing' => [
            array_diff_key(self::CABLE, ['link' => 0]),
            'link',
            'Say over what it goes: browser, session, device, cable.',
        ];
        yield 'MIDI over UDP' => [[...self::CABLE, 'link' => ['kind' => 'udp']], 'link/kind', 'browser, session, device, cable'];
        yield 'a cable with a slash in its name' => [
            [...self::CABLE, 'link' => ['kind' => 'cable', 'device' => '../slides']],
            'link/device',
            '1 to 40 small letters, digits and hyphens',
        ];
        yield 'a device that is no path' => [
            [...self::CABLE, 'link' => ['kind' => 'device', 'device' => 'midi1']],
            'link/device',
            'like /dev/snd/midiC1D0',
        ];
        yield 'a cable with an address' => [
            [...self::CABLE, 'receive' => ['address' => '10.0.0.1']],
            'receive/address',
            'not known here',
        ];
        yield 'an OSC port on a serial device' => [
            [...self::TCP, 'link' => ['kind' => 'serial', 'device' => '/dev/ttyUSB0']],
            'link/kind',
            'udp, tcp',
        ];
        yield 'an unknown framing' => [
            [...self::TCP, 'link' => ['kind' => 'tcp', 'framing' => 'lines']],
            'link/framing',
            'length, slip',
        ];
        yield 'a framing without a stream' => [
            [...self::TCP, 'link' => ['kind' => 'udp', 'framing' => 'slip'], 'send' => ['to' => ['10.0.0.9'], 'port' => 1]],
            'link/framing',
            'not known here',
        ];
        yield 'a controller that is sent to' => [
            [...self::STICK, 'send' => ['enabled' => true]],
            'send',
            'a game controller has nothing to send to',
        ];
        yield 'a dead zone of everything' => [
            [...self::STICK, 'receive' => ['deadZone' => 0.95]],
            'receive/deadZone',
            '0 to 0.9',
        ];
        yield 'a centre outside' => [[...self::STICK, 'receive' => ['centres' => [0, 1.5]]], 'receive/centres/1', '-1 to 1'];
        yield 'an adapter with a strange name' => [
            ['id' => 'extra', 'name' => 'Extra', 'protocol' => 'sacn', 'receive' => ['address' => 'eth 1; rm']],
            'receive/address',
            'or the name of a network adapter',
        ];
        yield 'an address that is none' => [
            ['id' => 'extra', 'name' => 'Extra', 'protocol' => 'sacn', 'receive' => ['address' => '10.0.0.300']],
            'receive/address',
            'one of our own IPv4 addresses',
        ];
        yield 'a priority beyond 200' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'art-net',
                'receive' => ['priorities' => [['from' => '10.0.0.7', 'priority' => 201]]],
            ],
            'receive/priorities/0/priority',
            '0 to 200',
        ];
        yield 'a poll to a name' => [
            ['id' => 'extra', 'name' => 'Extra', 'protocol' => 'art-net', 'receive' => ['poll' => ['everybody']]],
            'receive/poll/0',
            'IPv4',
        ];
        yield 'a sACN port that polls' => [
            ['id' => 'extra', 'name' => 'Extra', 'protocol' => 'sacn', 'receive' => ['poll' => ['10.0.0.255']]],
            'receive/poll',
            'not known here',
        ];
        yield 'a network of 33 bits' => [
            [...self::TCP, 'allow' => ['10.0.0.0/33']],
            'allow/0',
            'like 192.168.1.10 or 192.168.1.0/24',
        ];
        yield 'no lines at all' => [[...self::SACN, 'send' => [...self::SACN['send'], 'lines' => 0]], 'send/lines', '1 to 1024'];
        yield 'a slot priority of 201' => [
            [...self::SACN, 'send' => [...self::SACN['send'], 'slotPriorities' => [['first' => 1, 'priority' => 201]]]],
            'send/slotPriorities/0/priority',
            '0 to 200',
        ];
        yield 'a run that ends before it begins' => [
            [
                ...self::SACN,
                'send' => [...self::SACN['send'], 'slotPriorities' => [['first' => 9, 'last' => 3, 'priority' => 1]]],
            ],
            'send/slotPriorities/0/last',
            '9 to 512',
        ];
        yield 'a synchronisation universe too high' => [
            [...self::SACN, 'send' => [...self::SACN['send'], 'syncUniverse' => 64000]],
            'send/syncUniverse',
            '0 to 63999',
        ];
        yield 'a heartbeat without a slash' => [
            [...self::TCP, 'send' => ['to' => [], 'port' => 1, 'heartbeat' => 'alive']],
            'send/heartbeat',
            'begins with "/"',
        ];
        yield 'a heartbeat too fast' => [
            [...self::TCP, 'send' => ['to' => [], 'port' => 1, 'heartbeat' => '/alive', 'heartbeatSeconds' => 0.01]],
            'send/heartbeatSeconds',
            '0.1 to 60',
        ];
        yield 'a rank for what arrives' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'sacn',
                'receive' => ['feeds' => [['number' => 1, 'universe' => 'palm', 'rank' => 1]]],
            ],
            'receive/feeds/0/rank',
            'not known here',
        ];
    }

    /** @param array<string, mixed> $port */
    #[DataProvider('wrong')]
    public function testSaysWhatIsWrongWithAPort(array $port, string $path, string $words): void
    {
        try {
            ShowReader::fromArray([...Rig::document(), 'ports' => [...Rig::document()['ports'], $port]]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            $fault = array_values(array_filter(
                $refused->faults,
                static fn($fault): bool => $fault->path === "/ports/5/{$path}",
            ))[0] ?? null;
            self::assertNotNull($fault, $refused->getMessage());
            self::assertStringContainsString($words, $fault->spelled());
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function sound(): iterable
    {
        yield 'a cable' => [self::CABLE];
        yield 'a controller' => [self::STICK];
        yield 'TCP' => [self::TCP];
        yield 'sACN with everything' => [self::SACN];
        yield 'a serial line' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'dmx-line',
                'link' => ['kind' => 'serial', 'device' => '/dev/ttyUSB0'],
                'send' => ['carries' => [['number' => 1, 'universe' => 'palm']]],
            ],
        ];
        yield 'a session' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'midi',
                'link' => ['kind' => 'session'],
                'receive' => ['address' => '10.0.0.1', 'port' => 5006],
                'allow' => ['10.0.0.0/8', '192.168.1.7'],
            ],
        ];
        yield 'an adapter by name' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'sacn',
                'receive' => ['address' => 'eth1', 'multicast' => true],
                'send' => ['address' => 'enp0s31f6', 'multicast' => true],
            ],
        ];
        yield 'senders with priorities' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'art-net',
                'receive' => ['address' => '10.0.0.1', 'priorities' => [['from' => '10.0.0.7', 'priority' => 150]]],
            ],
        ];
        yield 'TCP without a number to send to' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'osc',
                'link' => ['kind' => 'tcp'],
                'receive' => ['port' => 8100],
                'send' => ['to' => []],
            ],
        ];
        yield 'OSC that answers' => [
            [
                'id' => 'extra',
                'name' => 'Extra',
                'protocol' => 'osc',
                'receive' => ['port' => 8200],
                'send' => ['port' => 9200, 'replies' => true, 'heartbeat' => '/alive', 'heartbeatSeconds' => 0.5],
            ],
        ];
    }

    /** @param array<string, mixed> $port */
    #[DataProvider('sound')]
    public function testWhatIsSoundIsTakenByReaderAndSchema(array $port): void
    {
        $document = [...Rig::document(), 'ports' => [...Rig::document()['ports'], $port]];
        self::assertSame('Extra', ShowReader::fromArray($document)->ports['extra']->name);
        $schema = (string) file_get_contents(\dirname(__DIR__, 3).'/schema/show.schema.json');
        $result = (new Validator())->validate(json_decode(json_encode($document, JSON_THROW_ON_ERROR)), $schema);
        self::assertTrue($result->isValid());
    }

    /** The engine's code is compiled while it runs, and what is compiled has once been wrong: the sixth edit was refused. */
    public function testADocumentIsReadAsWellTheThreeHundredthTime(): void
    {
        $ports = array_map(static fn(array $sound): array => $sound[0], array_values(iterator_to_array(self::sound())));
        $documents = [
            FernhallGlasshouse::document('127.0.0'),
            [...Rig::document(), 'name' => 'Everything', 'ports' => [...Rig::document()['ports'], ...array_map(static fn(array $port, int $i): array => [...$port, 'id' => "extra-{$i}"], $ports, array_keys($ports))]],
        ];
        $process = new Process(
            ['bin/engine-php', 'tests/Support/read-often.php'],
            \dirname(__DIR__, 3),
            null,
            json_encode($documents, JSON_THROW_ON_ERROR),
            180,
        );
        $process->mustRun();
        self::assertSame(
            ['compiled' => true, 'otherwise' => []],
            json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR),
        );
    }

    public function testEveryKindOfLinkBelongsToAProtocol(): void
    {
        $kinds = array_unique(
            array_merge(
                ...array_map(
                    static fn($protocol): array => array_column(LinkKind::of($protocol), 'value'),
                    \NimbleJunction\Core\Signal\Protocol::cases(),
                ),
            ),
        );
        self::assertEqualsCanonicalizing(array_column(LinkKind::cases(), 'value'), $kinds);
    }

    public function testRoutesOfMidiReadAsSentencesWithNameAndNumber(): void
    {
        $route = static fn(array $from, array $to): array => ['id' => 'extra', 'name' => 'Extra', 'from' => $from, 'to' => $to];
        $slot = ['kind' => 'slot', 'universe' => 'palm', 'slot' => 9];
        $read = static function (array $route, int $middleC): string {
            $show = ShowReader::fromArray(
                [
                    ...Rig::document(),
                    'ports' => [...Rig::document()['ports'], self::CABLE],
                    'routes' => [$route],
                    'middleC' => $middleC,
                ],
            );

            return Sentence::of($show->routes['extra'], $show);
        };
        $note = $route(['kind' => 'message', 'port' => 'extra', 'address' => '/note/1/48', 'low' => 0, 'high' => 127], $slot);
        // Note 48 is C3 where note 60 is C4 (common practice, no source).
        self::assertSame(
            'When note 48 (C3) on channel 1 arrives on Extra, set slot 9 of Palm House: its velocity, 0 to 127, becomes level 0 to 255.',
            $read($note, 4),
        );
        self::assertStringContainsString('note 48 (C2) on channel 1', $read($note, 3));
        $out = $route($slot, ['kind' => 'message', 'port' => 'extra', 'address' => '/controller/2/7', 'low' => 0, 'high' => 127]);
        self::assertSame(
            'When slot 9 of Palm House changes, send controller 7 on channel 2 on Extra: level 0 to 255 becomes 0 to 127, as a whole number.',
            $read($out, 4),
        );
    }
}
