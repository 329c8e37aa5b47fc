<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Offer;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Port\OutgoingPacket;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Points of ours as a fixture: the same table at slots, by OSC and by MIDI. Expected values are by arithmetic of the table alone. */
final class OfferTest extends TestCase
{
    public function testALevelFollowsInSixteenBitsAndTheThreeWaysAgree(): void
    {
        $rig = self::rig([self::level('Size', '16', -50, 50)]);
        foreach ([
            [0, 0, -50.0],
            [128, 0, -50 + 100 * 32768 / 65535],
            [255, 255, 50.0],
            [0, 1, -50 + 100 / 65535],
        ] as [$coarse, $fine, $expected]) {
            $rig->sacn([101 => $coarse, 102 => $fine]);
            self::assertEqualsWithDelta($expected, self::value($rig, 'number'), 1e-9);
        }
        $rig->osc('/walk/size', -12.5);
        self::assertSame(-12.5, self::value($rig, 'number'));
        // MIDI 1.0: controller 16 with its finer part at 48 (from memory).
        $rig->arrive('midi cable lectern', hex2bin('b01040'), 'cable lectern');
        $rig->arrive('midi cable lectern', hex2bin('b03000'), 'cable lectern');
        self::assertEqualsWithDelta(-50 + 100 * 8192 / 16383, self::value($rig, 'number'), 1e-9);
    }

    public function testEveryValueOfEightBitsIsInOrderAndItsEndsAreMet(): void
    {
        $rig = self::rig([self::level('Size', '8', 0, 100)]);
        $before = -1.0;
        for ($level = 0; $level <= 255; ++$level) {
            $rig->sacn([101 => $level]);
            $now = (float) self::value($rig, 'number');
            self::assertEqualsWithDelta(100 * $level / 255, $now, 1e-9);
            self::assertGreaterThan($before, $now);
            $before = $now;
        }
    }

    public function testZeroChangesNothingAndOthersAreANumber(): void
    {
        $points = array_map(static fn(string $id): array => ['point' => "value:{$id}"], ['a', 'b', 'c']);
        $rig = self::rig([['name' => 'Look', 'functions' => [['kind' => 'number', 'points' => $points]]]]);
        $on = static fn(): string => implode(
            '',
            array_map(static fn(string $id): string => (string) self::value($rig, $id), ['a', 'b', 'c']),
        );
        foreach ([[0, '000'], [2, '010'], [0, '010'], [3, '011'], [200, '011'], [1, '111'], [2, '101']] as [$level, $expected]) {
            $rig->sacn([101 => $level]);
            self::assertSame($expected, $on(), "at {$level}");
        }
        $rig->osc('/walk/look', 2);
        self::assertSame('111', $on());
        $rig->osc('/walk/look', 0);
        $rig->osc('/walk/look', 4);
        self::assertSame('111', $on());
        $rig->arrive('midi cable lectern', hex2bin('b01001'), 'cable lectern');
        self::assertSame('011', $on());
    }

    public function testGoingOnIsPressedAsItRisesAndNotByWhatStandsThereWhenTheDeskComes(): void
    {
        $rig = self::rig([['name' => 'Go', 'functions' => [['kind' => 'press', 'point' => 'value:a']]]]);
        foreach ([[255, 0], [200, 0], [127, 0], [128, 1], [255, 1], [0, 1], [129, 0]] as [$level, $expected]) {
            $rig->sacn([101 => $level]);
            self::assertSame($expected, self::value($rig, 'a'), "at {$level}");
        }
        $rig->osc('/walk/go');
        self::assertSame(1, self::value($rig, 'a'));
        $rig->osc('/walk/go', 0.0);
        self::assertSame(1, self::value($rig, 'a'), 'a button that is let go');
        $rig->osc('/walk/go', 1.0);
        self::assertSame(0, self::value($rig, 'a'));
        $rig->arrive('midi cable lectern', hex2bin('901040'), 'cable lectern');
        $rig->arrive('midi cable lectern', hex2bin('901000'), 'cable lectern');
        self::assertSame(1, self::value($rig, 'a'));
    }

    public function testRunsOfOneParameterEachHaveAnAddressAndANumber(): void
    {
        $rig = self::rig([['name' => 'Speed', 'functions' => [
            ['kind' => 'set', 'point' => 'value:number', 'value' => 0, 'first' => 1, 'last' => 9, 'name' => 'Stop here'],
            ['kind' => 'level', 'point' => 'value:number', 'low' => 10, 'high' => 100, 'first' => 10, 'last' => 199],
            ['kind' => 'press', 'point' => 'value:a', 'first' => 200],
        ]]]);
        $rig->sacn([101 => 0]);
        foreach ([[10, 10.0, 0], [199, 100.0, 0], [0, 100.0, 0], [5, 0.0, 0], [230, 0.0, 1], [9, 0.0, 1]] as [$level, $number, $switch]) {
            $rig->sacn([101 => $level]);
            self::assertSame([$number, $switch], [(float) self::value($rig, 'number'), self::value($rig, 'a')], "at {$level}");
        }
        $rig->osc('/walk/speed/2', 55.0);
        self::assertSame(55.0, self::value($rig, 'number'));
        $rig->osc('/walk/speed/stop-here');
        self::assertEquals(0, self::value($rig, 'number'));
        $rig->arrive('midi cable lectern', hex2bin('b0117f'), 'cable lectern');
        self::assertSame(100.0, self::value($rig, 'number'));
        $rig->arrive('midi cable lectern', hex2bin('90127f'), 'cable lectern');
        self::assertSame(0, self::value($rig, 'a'));
    }

    public function testWholeNumbersMakeASwitchOfTheUpperHalf(): void
    {
        $rig = self::rig([[
            'name' => 'Doors',
            'functions' => [['kind' => 'level', 'point' => 'value:a', 'low' => 0, 'high' => 1, 'whole' => true]],
        ]]);
        foreach ([[255, 1], [127, 0], [128, 1], [0, 0]] as [$level, $expected]) {
            $rig->sacn([101 => $level]);
            self::assertSame($expected, self::value($rig, 'a'));
        }
        // MIDI 1.0: a switch is off to 63 and on from 64 (from memory).
        foreach ([[64, 1], [63, 0]] as [$level, $expected]) {
            $rig->arrive('midi cable lectern', "\xB0\x10".\chr($level), 'cable lectern');
            self::assertSame($expected, self::value($rig, 'a'));
        }
    }

    public function testALostDeskMovesNothing(): void
    {
        $rig = new Rig([
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'whenLost' => 'fade', 'fadeSeconds' => 1]],
            ...self::parts([self::level('Size', '8', 0, 100)]),
        ]);
        $rig->sacn([101 => 255]);
        $rig->pass(10.0);
        self::assertSame(0, $rig->level(101), 'the universe has faded away');
        self::assertSame(100.0, self::value($rig, 'number'));
        $rig->sacn([101 => 51]);
        self::assertSame(20.0, self::value($rig, 'number'));
    }

    public function testWhatBecomesOfALevelIsToldBackAndNeverAsAnEcho(): void
    {
        $rig = self::rig([self::level('Size', '8', 0, 100)], ['tells' => true]);
        $rig->pass(1.0);
        $at = $rig->sacn([101 => 255]);
        $left = array_map(
            static fn(OutgoingPacket $packet): string => "{$packet->portId} ".bin2hex($packet->bytes),
            [...$at, ...array_column($rig->pass(1.0), 1)],
        );
        self::assertContains('lectern b0107f', $left);
        self::assertContains('tablet '.bin2hex("/walk/size\0\0,f\0\0".pack('G', 100.0)), $left);
        $said = array_map(static fn(OutgoingPacket $packet): string => $packet->portId, $rig->osc('/walk/size', 50.0));
        $later = array_map(static fn(array $one): string => $one[1]->portId, $rig->pass(1.0));
        self::assertContains('lectern', [...$said, ...$later]);
        self::assertNotContains('tablet', [...$said, ...$later], 'who sent it knows');
    }

    public function testAnOfferThatIsOffOrGoneDoesNothingAndTheTraceSaysWhose(): void
    {
        $parameters = [self::level('Size', '8', 0, 100)];
        $rig = self::rig($parameters);
        $rig->osc('/walk/size', 20.0);
        self::assertStringContainsString('Walk, Size', implode("\n", $rig->hops('message')));
        $rig->adopt(self::parts($parameters, ['enabled' => false]));
        $rig->osc('/walk/size', 30.0);
        $rig->sacn([101 => 255]);
        self::assertSame(20.0, self::value($rig, 'number'));
        $rig->adopt(self::parts($parameters));
        $rig->sacn([101 => 0]);
        self::assertSame(0.0, self::value($rig, 'number'));
        $rig->adopt(['offers' => []] + self::parts($parameters));
        $rig->osc('/walk/size', 30.0);
        self::assertSame(0.0, self::value($rig, 'number'));
    }

    public function testWhatStandsThereAfterARestartIsNoPressAndNoOtherValue(): void
    {
        $parts = self::parts([
            ['name' => 'Go', 'functions' => [['kind' => 'press', 'point' => 'value:a']]],
            self::level('Size', '8', 0, 100),
        ]);
        $rig = new Rig($parts);
        $rig->sacn([101 => 0, 102 => 51]);
        $rig->sacn([101 => 255, 102 => 51]);
        $rig->osc('/walk/size', 90.0);
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $again = new Rig($parts);
        $again->junction->restore($state, $again->nanos());
        self::assertSame([1, 90.0], [self::value($again, 'a'), (float) self::value($again, 'number')]);
        $again->sacn([101 => 255, 102 => 51]);
        self::assertSame(1, self::value($again, 'a'), 'the desk has held it all the time');
        $again->sacn([101 => 0, 102 => 51]);
        $again->sacn([101 => 255, 102 => 51]);
        self::assertSame(0, self::value($again, 'a'));
    }

    public function testSixteenBitsAreMergedWhole(): void
    {
        foreach (['htp' => 2 * 256 + 0.0, 'slot' => 1 * 256 + 201.0] as $merge => $expected) {
            $universe = ['id' => 'palm', 'name' => 'Palm House', 'merge' => $merge];
            $rig = new Rig(['universes' => [$universe], ...self::parts([self::level('Size', '16', 0, 65535)])]);
            $rig->sacn([101 => 1, 102 => 200]);
            $rig->artNet([101 => 2, 102 => 0], sequence: 0);
            $rig->sacn([101 => 1, 102 => 201]);
            self::assertSame($expected, self::value($rig, 'number'), "{$merge}: both bytes are of one desk");
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> changes to the offer, and where the fault is */
    public static function wrong(): iterable
    {
        $level = static fn(array $more = [], string $bits = '8'): array => ['parameters' => [[
            'name' => 'Size',
            'bits' => $bits,
            'functions' => [[...['kind' => 'level', 'point' => 'value:number'], ...$more]],
        ]]];
        yield 'nobody could reach it' => [['universe' => null, 'oscPort' => null, 'midiPort' => null], '/offers/0/universe'];
        yield 'nothing is offered' => [['parameters' => []], '/offers/0/parameters'];
        yield 'it ends after the universe' => [['first' => 512] + $level([], '16'), '/offers/0/first'];
        yield 'no such universe' => [['universe' => 'none'], '/offers/0/universe'];
        yield 'a port of another kind' => [['oscPort' => 'lectern'], '/offers/0/oscPort'];
        yield 'a port that is not there' => [['midiPort' => 'none'], '/offers/0/midiPort'];
        yield 'no such point' => [$level(['point' => 'value:none']), '/offers/0/parameters/0/functions/0/point'];
        yield 'values beyond eight bits' => [$level(['first' => 256]), '/offers/0/parameters/0/functions/0/first'];
        yield 'a run that ends before it begins' => [$level(['first' => 9, 'last' => 8]), '/offers/0/parameters/0/functions/0/last'];
        yield 'controllers end at 127' => [['number' => 127, 'parameters' => [...$level()['parameters'], ['name' => 'Other', 'functions' => $level()['parameters'][0]['functions']]]], '/offers/0/parameters/1/functions/0'];
        yield 'where a finer part comes' => [['number' => 0, 'parameters' => array_map(
            static fn(int $i): array => [
                'name' => "P {$i}",
                'bits' => $i === 0 ? '16' : '8',
                'functions' => [['kind' => 'level', 'point' => 'value:number']],
            ],
            range(0, 32),
        )], '/offers/0/parameters/32/functions/0'];
        yield 'two of one name' => [['parameters' => [['name' => 'Size'], ['name' => 'size']]], '/offers/0/parameters/1/id'];
        yield 'two of one address' => [['parameters' => [['name' => 'Size', 'functions' => [
            ['kind' => 'press', 'point' => 'value:a', 'first' => 10, 'last' => 20, 'name' => 'Go on'],
            ['kind' => 'press', 'point' => 'value:b', 'first' => 30, 'name' => 'go-on'],
        ]]]], '/offers/0/parameters/0/functions/1/name'];
        yield 'two runs of the same values' => [['parameters' => [['name' => 'Size', 'functions' => [
            ['kind' => 'press', 'point' => 'value:a', 'first' => 10, 'last' => 20],
            ['kind' => 'press', 'point' => 'value:b', 'first' => 20],
        ]]]], '/offers/0/parameters/0/functions/1/first'];
    }

    /** @param array<string, mixed> $changes */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidWithItsPath(array $changes, string $path): void
    {
        try {
            self::rig([self::level('Size', '8', 0, 100)], $changes);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertContains($path, array_map(static fn($fault): string => $fault->path, $refused->faults));
        }
    }

    public function testTheOtherEndsAreToldWhatTheyMayControl(): void
    {
        $show = ShowReader::fromArray([
            ...Rig::document(),
            ...self::parts([
                self::level('Size', '16', 0, 100),
                ['name' => 'Go', 'functions' => [['kind' => 'press', 'point' => 'value:a']]],
            ]),
        ]);
        $said = static fn(string $port): array => array_column(
            array_filter(
                OtherEnd::of($show->ports[$port], $show, ['127.0.0.1']),
                static fn(array $line): bool => $line['label'] === 'Offer "Walk"',
            ),
            'value',
        );
        self::assertSame(
            ['Size: /walk/size, number from 0 to 100: "Number" from 0 to 100', 'Go: /walk/go, none, or any number but 0: press "A"'],
            $said('tablet'),
        );
        self::assertSame(
            ['Size: controller 16 and 48, 14 bits, channel 1: "Number" from 0 to 100', 'Go: note 17 (F0), channel 1: press "A"'],
            $said('lectern'),
        );
        self::assertSame(['to patch as a fixture of 3 slots at 101 in Palm House'], $said('house'));
        self::assertSame([], $said('node'));
    }

    public function testSlotsAreCalledByWhatIsOffered(): void
    {
        $show = ShowReader::fromArray([...Rig::document(), ...self::parts([self::level('Size', '16', 0, 100), ['name' => 'Go']])]);
        self::assertSame('Walk, Size (slot 102)', $show->patch()->said('palm', 102, 'slot 102'));
        self::assertSame('Walk, Go (slot 103)', $show->patch()->said('palm', 103, 'slot 103'));
        self::assertSame(104, $show->patch()->nextFree('palm', 1));
    }

    /** @return array<string, mixed> */
    private static function level(string $name, string $bits, float $low, float $high): array
    {
        return [
            'name' => $name,
            'bits' => $bits,
            'functions' => [['kind' => 'level', 'point' => 'value:number', 'low' => $low, 'high' => $high]],
        ];
    }

    /**
     * @param list<array<string, mixed>> $parameters
     * @param array<string, mixed> $changes to the offer; null takes a field away
     */
    private static function rig(array $parameters, array $changes = []): Rig
    {
        return new Rig(self::parts($parameters, $changes));
    }

    /**
     * @param list<array<string, mixed>> $parameters
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function parts(array $parameters, array $changes = []): array
    {
        $offer = [
            'id' => 'walk', 'name' => 'Walk', 'universe' => 'palm', 'first' => 101, 'oscPort' => 'tablet',
            'midiPort' => 'lectern', 'number' => 16, 'parameters' => $parameters,
        ];

        return [
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'routes' => [],
            'values' => [
                ['id' => 'number', 'name' => 'Number', 'type' => 'number', 'low' => -100000, 'high' => 100000],
                ...array_map(static fn(string $id): array => ['id' => $id, 'name' => strtoupper($id), 'type' => 'switch'], ['a', 'b', 'c']),
            ],
            'offers' => [array_filter([...$offer, ...$changes], static fn(mixed $one): bool => $one !== null)],
        ];
    }

    private static function value(Rig $rig, string $id): int|float|string|null
    {
        $reference = Reference::parse("value:{$id}");

        return $reference === null ? null : $rig->junction->points()->read($reference);
    }
}
