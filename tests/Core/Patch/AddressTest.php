<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\DipSwitches;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\TypedAddress;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Addresses as they are typed, said and set with switches. */
final class AddressTest extends TestCase
{
    /** @return iterable<string, array{int, string}> address, and which switches are on; a handbook's table, common practice, no source */
    public static function switches(): iterable
    {
        yield '1' => [1, '1 on'];
        yield '3' => [3, '1 and 2 on'];
        yield '17' => [17, '1 and 5 on'];
        yield '100' => [100, '3, 6 and 7 on'];
        yield '101' => [101, '1, 3, 6 and 7 on'];
        yield '256' => [256, '9 on'];
        yield '511' => [511, '1, 2, 3, 4, 5, 6, 7, 8 and 9 on'];
    }

    #[DataProvider('switches')]
    public function testTheSwitchesOfAnAddress(int $address, string $words): void
    {
        self::assertSame($words, DipSwitches::spelled(DipSwitches::of($address)));
    }

    public function testEveryAddressComesBackFromItsSwitches(): void
    {
        for ($address = 1; $address <= 512; ++$address) {
            self::assertSame($address, DipSwitches::address(DipSwitches::of($address, 10) ?? []));
            self::assertSame($address, DipSwitches::address(DipSwitches::of($address, 9, true) ?? [], true));
        }
        self::assertNull(DipSwitches::of(512), '512 takes a tenth switch, or a device that counts from 0');
        self::assertNull(DipSwitches::address(array_fill(0, 9, false)), 'there is no address 0');
        self::assertNull(DipSwitches::address(array_fill(0, 10, true)), '1023 is past a universe');
        self::assertSame('all off', DipSwitches::spelled(DipSwitches::of(1, 9, true)));
    }

    /** @return iterable<string, array{string, list<array{string, int}>}> what is typed, and what it may mean */
    public static function typed(): iterable
    {
        // fern is sACN 3, and the second in the list; lily is Art-Net 0:0:2, which is number 3 on a desk; palm is the first, and
        // Art-Net 0:0:1.
        yield 'a slot where one is' => ['101', [['fern', 101]]];
        yield 'counted from 1, with a point' => ['2.101', [['palm', 101], ['fern', 101]]];
        yield 'the same with a stroke' => ['3/101', [['lily', 101], ['fern', 101]]];
        // (3 - 1) × 512 + 101 = 1125, worked out by hand.
        yield 'counted through' => ['1125', [['lily', 101], ['fern', 101]]];
        yield 'the last of the first universe, counted through' => ['1024', [['palm', 512], ['fern', 512]]];
        yield 'Art-Net, from 0' => ['0:0:2/101', [['lily', 101]]];
        yield 'Art-Net without its Net' => ['0:2/101', [['lily', 101]]];
        yield 'by its id' => ['palm/5', [['palm', 5]]];
        yield 'by its name' => ['Fern Gallery 5', [['fern', 5]]];
    }

    /** @param list<array{string, int}> $wanted */
    #[DataProvider('typed')]
    public function testWhatIsTyped(string $text, array $wanted): void
    {
        $read = TypedAddress::read($text, self::show(), 'fern');
        self::assertSame('', $read->problem);
        self::assertSame($wanted, array_map(static fn(array $way): array => [$way['universe'], $way['slot']], $read->ways));
    }

    public function testItIsRepeatedInEveryNumbering(): void
    {
        $way = TypedAddress::read('lily/101', self::show())->ways[0];
        self::assertSame([
            'Art-Net 0:0:2/101 (port-address 2, from 0)',
            '3.101 on a desk that counts from 1',
            '1125 counted through',
        ], $way['numberings']);
        self::assertSame(
            ['sACN universe 3, slot 1', '3.1 on a desk that counts from 1', '1025 counted through'],
            TypedAddress::numberings('fern', 1, self::show()),
        );
        self::assertSame(
            ['4.7 on a desk that counts from 1', '1543 counted through'],
            TypedAddress::numberings('spare', 7, self::show()),
            'no network: by its place in the list',
        );
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'nothing' => ['', '"" is no address. Type 101, 3.101'];
        yield 'words' => ['left of the door', 'is no address'];
        yield 'slot 0' => ['3.0', 'Slot 0 is not there: a universe has slots 1 to 512.'];
        yield 'slot 513' => ['3.513', 'Slot 513 is not there'];
        yield 'a universe that nobody has' => ['77.1', 'No universe here has the number 77'];
        yield 'an Art-Net address past its range' => ['0:16:0/1', 'Sub-Net'];
        yield 'an Art-Net address that nobody has' => ['1:2:3/1', 'No port here has Art-Net 1:2:3'];
        yield 'a name that nobody has' => ['orchid/5', 'No universe is called "orchid"'];
        yield 'zero' => ['0', 'counted from 1'];
        yield 'very far' => ['999999999', 'No universe here'];
        yield 'more digits than there are slots' => ['99999999999999999999', 'is no address'];
    }

    #[DataProvider('wrong')]
    public function testWhatMeansNothingIsSaid(string $text, string $words): void
    {
        $read = TypedAddress::read($text, self::show());
        self::assertSame([], $read->ways);
        self::assertStringContainsString($words, $read->problem);
    }

    private static function show(): Show
    {
        return ShowReader::fromArray([...Rig::document(),
            'universes' => [
                ['id' => 'palm', 'name' => 'Palm House'],
                ['id' => 'fern', 'name' => 'Fern Gallery'],
                ['id' => 'lily', 'name' => 'Lily Pond'],
                ['id' => 'spare', 'name' => 'Spare'],
            ],
            'ports' => [
                [
                    'id' => 'house',
                    'name' => 'House desk',
                    'protocol' => 'art-net',
                    'receive' => ['feeds' => [['number' => 1, 'universe' => 'palm'], ['number' => 2, 'universe' => 'lily']]],
                ],
                [
                    'id' => 'node',
                    'name' => 'Node',
                    'protocol' => 'sacn',
                    'send' => ['to' => ['127.0.0.14'], 'carries' => [['number' => 3, 'universe' => 'fern']]],
                ],
            ],
            'routes' => [],
        ]);
    }
}
