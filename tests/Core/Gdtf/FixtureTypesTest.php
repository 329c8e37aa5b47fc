<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Gdtf;

use NimbleJunction\Core\Gdtf\DmxValue;
use NimbleJunction\Core\Gdtf\FixtureTypes;
use NimbleJunction\Core\Gdtf\FixtureTypeWriter;
use NimbleJunction\Core\Gdtf\NotTaken;
use NimbleJunction\Core\Gdtf\Wheels;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Patch\Profile;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Fixture types by the names of DIN SPEC 15800 (from memory): in and out, and what is made to do harm. */
final class FixtureTypesTest extends TestCase
{
    private const TYPE = <<<'XML'
        <?xml version="1.0" encoding="UTF-8"?>
        <GDTF DataVersion="1.2">
          <FixtureType Name="Moss Bar 4" ShortName="MB4" LongName="Moss Bar 4" Manufacturer="Fernhall workshop" Description="" FixtureTypeID="00000000-0000-0000-0000-000000000001">
            <AttributeDefinitions>
              <FeatureGroups><FeatureGroup Name="Dimmer" Pretty="Dimmer"><Feature Name="Dimmer"/></FeatureGroup></FeatureGroups>
              <Attributes>
                <Attribute Name="Dimmer" Pretty="Dim" Feature="Dimmer.Dimmer" PhysicalUnit="LuminousIntensity"/>
                <Attribute Name="Pan" Pretty="P" Feature="Position.PanTilt" PhysicalUnit="Angle"/>
                <Attribute Name="Shutter1" Pretty="Sh1" Feature="Beam.Beam"/>
                <Attribute Name="Shutter1Strobe" Pretty="Strobe1" Feature="Beam.Beam" PhysicalUnit="Frequency"/>
                <Attribute Name="Color1" Pretty="C1" Feature="Color.Color"/>
                <Attribute Name="ColorAdd_R" Pretty="R" Feature="Color.RGB" PhysicalUnit="ColorComponent"/>
                <Attribute Name="ColorAdd_G" Pretty="G" Feature="Color.RGB" PhysicalUnit="ColorComponent"/>
                <Attribute Name="FixtureGlobalReset" Pretty="Reset" Feature="Control.Control"/>
                <Attribute Name="LeafWidth" Pretty="Leaf" Feature="Beam.Beam" PhysicalUnit="Length"/>
              </Attributes>
            </AttributeDefinitions>
            <Wheels><Wheel Name="Colours"><Slot Name="Open" Color="0.312700,0.329000,100.000000"/><Slot Name="Amber" Color="0.510000,0.440000,60.000000"/></Wheel></Wheels>
            <Models><Model Name="Body" Length="1" Width="0.1" Height="0.1"/></Models>
            <Geometries>
              <Geometry Name="Base">
                <Axis Name="Head"/>
                <GeometryReference Name="Pixel 1" Geometry="Pixel"><Break DMXBreak="1" DMXOffset="8"/></GeometryReference>
                <GeometryReference Name="Pixel 2" Geometry="Pixel"><Break DMXBreak="1" DMXOffset="10"/></GeometryReference>
                <GeometryReference Name="Pixel 3" Geometry="Pixel"><Break DMXBreak="1" DMXOffset="14"/></GeometryReference>
              </Geometry>
              <Geometry Name="Pixel"><Beam Name="Lens"/></Geometry>
            </Geometries>
            <DMXModes>
              <DMXMode Name="Full" Geometry="Base">
                <DMXChannels>
                  <DMXChannel DMXBreak="1" Offset="1,2" Geometry="Head" InitialFunction="Head_Pan.Pan.Pan 1"><LogicalChannel Attribute="Pan"><ChannelFunction Name="Pan 1" Attribute="Pan" DMXFrom="0/2" Default="128/1" PhysicalFrom="-270" PhysicalTo="270"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="3" Geometry="Base"><LogicalChannel Attribute="Dimmer"><ChannelFunction Name="Dimmer 1" Attribute="Dimmer" DMXFrom="0/1" Default="0/1" PhysicalFrom="0" PhysicalTo="1"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="4" Geometry="Base" InitialFunction="Base_Shutter1.Shutter1.Open">
                    <LogicalChannel Attribute="Shutter1">
                      <ChannelFunction Name="Closed" Attribute="Shutter1" DMXFrom="0/1"/>
                      <ChannelFunction Name="Strobe" Attribute="Shutter1Strobe" DMXFrom="17/1" PhysicalFrom="0.5" PhysicalTo="25"/>
                      <ChannelFunction Name="Open" Attribute="Shutter1" DMXFrom="132/1" Default="200/1"/>
                    </LogicalChannel>
                  </DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="5" Geometry="Base"><LogicalChannel Attribute="Color1"><ChannelFunction Name="Wheel" Attribute="Color1" DMXFrom="0/1" Wheel="Colours"><ChannelSet Name="" DMXFrom="0/1" WheelSlotIndex="1"/><ChannelSet Name="Warm" DMXFrom="64/1" WheelSlotIndex="2"/></ChannelFunction></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="6" Geometry="Base"><LogicalChannel Attribute="FixtureGlobalReset"><ChannelFunction Name="Reset" Attribute="FixtureGlobalReset" DMXFrom="0/1"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="7" Geometry="Base"><LogicalChannel Attribute="LeafWidth"><ChannelFunction Name="Leaf" Attribute="LeafWidth" OriginalAttribute="leaf width" DMXFrom="0/1" PhysicalFrom="0" PhysicalTo="2" ModeMaster="Base_Shutter1"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="1" Geometry="Lens"><LogicalChannel Attribute="ColorAdd_R"><ChannelFunction Name="R" Attribute="ColorAdd_R" DMXFrom="0/1" PhysicalFrom="0" PhysicalTo="1"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="2" Geometry="Pixel"><LogicalChannel Attribute="ColorAdd_G"><ChannelFunction Name="G" Attribute="ColorAdd_G" DMXFrom="0/1" PhysicalFrom="0" PhysicalTo="1"/></LogicalChannel></DMXChannel>
                  <DMXChannel DMXBreak="1" Offset="" Geometry="Pixel"><LogicalChannel Attribute="Dimmer"/></DMXChannel>
                  <DMXChannel DMXBreak="2" Offset="1" Geometry="Base"><LogicalChannel Attribute="Dimmer"/></DMXChannel>
                </DMXChannels>
                <Relations><Relation Name="Virtual" Master="Base_Dimmer" Follower="Pixel_Dimmer" Type="Multiply"/></Relations>
              </DMXMode>
              <DMXMode Name="Small" Geometry="Base"><DMXChannels><DMXChannel DMXBreak="1" Offset="1" Geometry="Base"><LogicalChannel Attribute="Dimmer"><ChannelFunction Name="Dimmer 1" Attribute="Dimmer" DMXFrom="0/1"/></LogicalChannel></DMXChannel></DMXChannels></DMXMode>
            </DMXModes>
          </FixtureType>
        </GDTF>
        XML;

    public function testAFixtureTypeBecomesAProfile(): void
    {
        $taken = FixtureTypes::fromXml(self::TYPE);
        $profile = self::profile($taken->profile);
        self::assertSame(
            ['Moss Bar 4', 'Fernhall workshop', ['full', 'small']],
            [$profile->name, $profile->maker, array_keys($profile->byMode)],
        );
        $full = $profile->mode('full')->footprint;
        $places = array_map(static fn($one): array => $one->slots, $full->byKey);
        self::assertSame([
            'pan' => [1, 2], 'level' => [3], 'shutter' => [4], 'colour wheel' => [5], 'reset' => [6], 'leaf width' => [7],
            'pixel-1/red' => [8], 'pixel-1/green' => [9], 'pixel-2/red' => [10], 'pixel-2/green' => [11], 'pixel-3/red' => [14], 'pixel-3/green' => [15],
        ], $places);
        $pan = $full->find('pan')?->parameter;
        self::assertSame(
            ['°', [-270.0, 270.0], 0x8080],
            [$pan?->unit, $pan?->physical, $pan?->default],
            '128/1 in two bytes is its byte twice',
        );
        $shutter = $full->find('shutter')?->parameter;
        self::assertSame(
            [['Closed', 0, 16, ''], ['Strobe', 17, 131, 'Hz'], ['Open', 132, 255, '']],
            array_map(static fn($one): array => [$one->name, $one->first, $one->last, $one->unit], $shutter->ranges ?? []),
        );
        self::assertSame([200, 25.0], [$shutter?->default, $shutter?->ranges[1]->physical(131)]);
        self::assertSame(
            [['Open', 0, 63, '#ffffff'], ['Warm', 64, 255]],
            array_map(
                static fn($one): array => $one->name === 'Warm'
                    ? [$one->name, $one->first, $one->last]
                    : [$one->name, $one->first, $one->last, $one->colour],
                $full->find('colour wheel')->parameter->ranges ?? [],
            ),
        );
        self::assertTrue($full->find('reset')?->parameter->neverDriven);
        self::assertSame(1, $profile->mode('small')->footprint->slots);
    }

    public function testWhatIsNotUnderstoodIsListed(): void
    {
        $left = implode("\n", FixtureTypes::fromXml(self::TYPE)->left);
        foreach ([
            '(Models)',
            'Dimmer of Pixel, which takes no slot',
            'an address of its own (break 2)',
            '1 relations',
            '"Leaf" of LeafWidth depends on Base_Shutter1',
        ] as $words) {
            self::assertStringContainsString($words, $left);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function library(): iterable
    {
        foreach (Library::all() as $profile) {
            yield $profile['name'] => [$profile];
        }
        yield 'modes' => [['id' => 'two', 'name' => 'Two modes', 'modes' => [
            ['id' => 'small', 'name' => 'Small', 'parameters' => [['name' => 'level', 'role' => 'dimmer']]],
            ['id' => 'large', 'name' => 'Large', 'parameters' => [['name' => 'level', 'role' => 'dimmer', 'at' => [3, 1], 'slots' => 2, 'default' => 513]], 'cells' => [['id' => 'cell', 'name' => 'Cell', 'count' => 2, 'at' => [4, 9], 'parameters' => [['name' => 'red', 'role' => 'red']]]]],
        ]]];
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('library')]
    public function testWhatGoesOutComesInAgain(array $part): void
    {
        $before = self::profile($part);
        $after = self::profile(FixtureTypes::fromXml(FixtureTypeWriter::xml($before))->profile);
        self::assertSame($before->name, $after->name);
        self::assertSame(\count($before->byMode), \count($after->byMode));
        foreach (array_values($before->byMode) as $i => $mode) {
            $again = array_values($after->byMode)[$i];
            self::assertSame(self::said($mode->footprint), self::said($again->footprint));
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function hostile(): iterable
    {
        yield 'an entity' => ['<?xml version="1.0"?><!DOCTYPE GDTF [<!ENTITY a SYSTEM "file:///etc/passwd">]><GDTF><FixtureType Name="&a;"/></GDTF>', 'declares entities of its own'];
        yield 'a bomb of entities' => ['<?xml version="1.0"?><!DOCTYPE a [<!ENTITY b "cccccccccc"><!ENTITY d "&b;&b;&b;&b;&b;&b;&b;&b;">]><GDTF>&d;</GDTF>', 'declares entities of its own'];
        yield 'the same in another encoding' => [(string) mb_convert_encoding('<?xml version="1.0" encoding="UTF-16"?><!DOCTYPE GDTF [<!ENTITY a "b">]><GDTF/>', 'UTF-16', 'UTF-8'), 'declares entities of its own'];
        yield 'a hundred thousand nodes' => ['<GDTF><FixtureType>'.implode('', array_map(static fn(int $i): string => "<A{$i}/>", range(1, 100_000))).'</FixtureType></GDTF>', 'more than 80000 nodes'];
        yield 'a very deep one' => [str_repeat('<A>', 200).str_repeat('</A>', 200), 'nested deeper than 64'];
        yield 'another kind of XML' => ['<html/>', 'describes no fixture type'];
        yield 'half an XML' => [substr(self::TYPE, 0, 900), 'no sound XML'];
        yield 'no mode' => ['<GDTF><FixtureType Name="x"/></GDTF>', 'no DMX mode'];
        yield 'nothing' => ['', 'no XML'];
        yield 'two channels in one slot' => ['<GDTF><FixtureType Name="x"><DMXModes><DMXMode Name="a"><DMXChannels><DMXChannel Offset="1"/><DMXChannel Offset="1"/></DMXChannels></DMXMode></DMXModes></FixtureType></GDTF>', 'slot 1 belongs to'];
    }

    #[DataProvider('hostile')]
    public function testWhatIsMadeToDoHarmIsRefused(string $xml, string $words): void
    {
        try {
            FixtureTypes::fromXml($xml);
            self::fail('it was taken');
        } catch (NotTaken $refused) {
            self::assertStringContainsString($words, $refused->getMessage());
        }
    }

    /** @return iterable<string, array{string, int, int|null}> */
    public static function values(): iterable
    {
        yield 'a byte' => ['128/1', 1, 128];
        yield 'a byte in two is repeated' => ['255/1', 2, 65535];
        yield 'a byte in two, moved up' => ['255/1s', 2, 65280];
        yield 'two bytes in one' => ['32768/2', 1, 128];
        yield 'three bytes' => ['8388608/3', 3, 8388608];
        yield 'without its bytes' => ['7', 1, 7];
        yield 'too large for its bytes' => ['999/1', 1, 255];
        yield 'nothing' => ['None', 1, null];
    }

    #[DataProvider('values')]
    public function testValuesAsTheyAreWritten(string $text, int $bytes, ?int $value): void
    {
        self::assertSame($value, DmxValue::read($text, $bytes));
    }

    /** The primaries of sRGB in xyY: IEC 61966-2-1 (from memory). */
    public function testColoursOfWheels(): void
    {
        self::assertSame(
            ['#ff0000', '#00ff00', '#0000ff', '#ffffff', ''],
            array_map(
                Wheels::colour(...),
                ['0.6400,0.3300,21.26', '0.3000,0.6000,71.52', '0.1500,0.0600,7.22', '0.3127,0.3290,100', 'none'],
            ),
        );
        foreach (['#ffb347', '#7fae5a', '#102030'] as $colour) {
            self::assertSame($colour, Wheels::colour(Wheels::written($colour)));
        }
    }

    /** @return list<array<mixed>> */
    private static function said(\NimbleJunction\Core\Patch\Footprint $footprint): array
    {
        return array_map(static fn($one): array => [
            $one->name, $one->slots, $one->parameter->role?->value, $one->parameter->default, $one->parameter->neverDriven,
            array_map(static fn($range): array => [$range->name, $range->first, $range->last, $range->unit], $one->parameter->ranges),
        ], $footprint->placed);
    }

    /** @param array<string, mixed> $part */
    private static function profile(array $part): Profile
    {
        return array_values(ShowReader::fromArray([...Rig::document(), 'profiles' => [[...$part, 'id' => 'taken']]])->profiles)[0];
    }
}
