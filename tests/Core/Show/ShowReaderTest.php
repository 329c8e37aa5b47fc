<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\Numbering;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ShowReaderTest extends TestCase
{
    /**
     * @return iterable<string, array{list<string|int>, mixed, string, string, bool}> where, what, path, words, whether a
     * schema can tell
     */
    public static function wrong(): iterable
    {
        yield 'another format' => [['format'], 'something', '/format', 'nimble-junction/show', true];
        yield 'a later version' => [['version'], 3, '/version', 'from 1 to 2', true];
        yield 'no name' => [['name'], '', '/name', '1 to 120 characters', true];
        yield 'unknown field' => [['colour'], 'red', '/colour', 'not known here', true];
        yield 'unknown field in a universe' => [['universes', 0, 'size'], 5, '/universes/0/size', 'not known here', true];
        yield 'a bad id' => [['universes', 0, 'id'], 'Palm House', '/universes/0/id', 'small letters', true];
        yield 'an unknown merge rule' => [['universes', 0, 'merge'], 'sum', '/universes/0/merge', 'htp, ltp', true];
        yield 'an unknown protocol' => [
            ['ports', 0, 'protocol'],
            'telex',
            '/ports/0/protocol',
            'art-net, sacn, osc, dmx-line',
            true,
        ];
        yield 'a port number too high' => [['ports', 0, 'receive', 'port'], 70000, '/ports/0/receive/port', '1 to 65535', true];
        yield 'an address' => [['ports', 0, 'receive', 'address'], '300.1.2.3', '/ports/0/receive/address', 'IPv4', true];
        yield 'a target' => [['ports', 3, 'send', 'to', 0], 'node.example', '/ports/3/send/to/0', 'IPv4', true];
        yield 'sACN universe 0' => [
            ['ports', 1, 'receive', 'feeds', 0, 'number'],
            0,
            '/ports/1/receive/feeds/0/number',
            '1 to 63999',
            false,
        ];
        yield 'a port-address too high' => [
            ['ports', 0, 'receive', 'feeds', 0, 'number'],
            32768,
            '/ports/0/receive/feeds/0/number',
            '0 to 32767',
            false,
        ];
        yield 'a universe that is not there' => [
            ['ports', 0, 'receive', 'feeds', 0, 'universe'],
            'nowhere',
            '/ports/0/receive/feeds/0/universe',
            'Universes are: palm',
            false,
        ];
        yield 'nobody to send to' => [['ports', 3, 'send', 'to'], [], '/ports/3/send/to', 'nobody', false];
        yield 'too fast' => [['ports', 3, 'send', 'perSecond'], 45, '/ports/3/send/perSecond', '1 to 44', true];
        yield 'priority 201' => [['ports', 0, 'receive', 'priority'], 201, '/ports/0/receive/priority', '0 to 200', true];
        yield 'slot 513' => [['routes', 0, 'to', 'slot'], 513, '/routes/0/to/slot', '1 to 512', true];
        yield 'level 256' => [['routes', 0, 'to', 'high'], 256, '/routes/0/to/high', '0 to 255', true];
        yield 'an address without a slash' => [
            ['routes', 0, 'from', 'address'],
            'lamp',
            '/routes/0/from/address',
            'begins with "/"',
            true,
        ];
        yield 'a route from a desk' => [
            ['routes', 0, 'from', 'port'],
            'house',
            '/routes/0/from/port',
            'carries no messages',
            false,
        ];
        yield 'a route from nowhere' => [
            ['routes', 0, 'from', 'port'],
            'nobody',
            '/routes/0/from/port',
            'no port "nobody"',
            false,
        ];
        yield 'a list that is not one' => [['ports'], 'none', '/ports', 'list', true];
        yield 'a number as text' => [['routes', 0, 'to', 'slot'], '5', '/routes/0/to/slot', 'whole number', true];
        yield 'an id twice' => [['ports', 1, 'id'], 'house', '/ports/1/id', 'used twice', false];
    }

    /** @param list<string|int> $where */
    #[DataProvider('wrong')]
    public function testSaysWhatIsWrongWhereAndWhatIsAllowed(
        array $where,
        mixed $what,
        string $path,
        string $words,
        bool $schemaTells,
    ): void {
        $document = Rig::document();
        $at = &$document;
        foreach ($where as $key) {
            $at = &$at[$key];
        }
        $at = $what;
        unset($at);
        try {
            ShowReader::fromArray($document);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            $fault = array_values(array_filter($refused->faults, static fn($fault): bool => $fault->path === $path))[0] ?? null;
            self::assertNotNull($fault, $refused->getMessage());
            self::assertStringContainsString($words, $fault->spelled());
        }
        self::assertSame(! $schemaTells, self::schemaAccepts($document), 'the published schema agrees');
    }

    public function testASoundDocumentIsTakenByReaderAndSchema(): void
    {
        self::assertTrue(self::schemaAccepts(Rig::document()));
        self::assertCount(5, ShowReader::fromArray(Rig::document())->ports);
    }

    public function testWhatIsNotJsonIsRefused(): void
    {
        $this->expectException(ShowRefused::class);
        $this->expectExceptionMessage('it is not JSON (Syntax error)');
        ShowReader::fromJson('{"format": ');
    }

    public function testRoutesReadAsSentences(): void
    {
        $show = ShowReader::fromArray(Rig::document());
        self::assertSame(
            'When /lamp arrives on Tablet, set slot 5 of Palm House: its first argument, 0 to 1, becomes level 0 to 255.',
            Sentence::of($show->routes['in'], $show),
        );
        self::assertSame(
            'When slot 5 of Palm House changes, send /lamp on Tablet: level 0 to 255 becomes 0 to 1, as a float.',
            Sentence::of($show->routes['out'], $show),
        );
    }

    public function testWhatTheOtherEndNeedsIsSaidInItsTerms(): void
    {
        $show = ShowReader::fromArray(Rig::document());
        $lines = static fn(string $port): array => array_column(
            OtherEnd::of($show->ports[$port], $show, ['127.0.0.1']),
            'value',
            'label',
        );
        self::assertSame('8000', $lines('tablet')['Its send port (our receive port)'], 'the two ports of an OSC link cross');
        self::assertSame('9000', $lines('tablet')['Its receive port (our send port)']);
        self::assertSame('0:0:1', $lines('house')['Palm House: Net : Sub-Net : Universe, from 0']);
        self::assertSame('2', $lines('house')['Palm House: if it counts from 1']);
        self::assertSame('239.255.0.1', $lines('guest')['Palm House: its multicast group']);
        self::assertSame(
            [
                'in from House desk: Art-Net 0:0:1 (port-address 1 from 0; number 2 on a desk that counts from 1)',
                'in from Guest desk: sACN universe 1 (counted from 1)',
            ],
            \array_slice(Numbering::ofUniverses($show)['palm'], 0, 2),
        );
    }

    /** @param array<string, mixed> $document */
    private static function schemaAccepts(array $document): bool
    {
        return (new Validator())->validate(
            json_decode(json_encode($document, JSON_THROW_ON_ERROR)),
            (string) file_get_contents(\dirname(__DIR__, 3).'/schema/show.schema.json'),
        )->isValid();
    }
}
