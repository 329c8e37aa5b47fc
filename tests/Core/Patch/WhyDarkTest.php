<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Check\Reason;
use NimbleJunction\Core\Check\WhyDark;
use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** "Why is it dark?": each reason, with who is behind it. */
final class WhyDarkTest extends TestCase
{
    /** A moving head of the library at 11: pan 11, tilt 12, shutter 13, level 14, red 15, green 16, blue 17, zoom 18, reset 19. */
    private const LIT = [13 => 200, 14 => 255, 15 => 255, 16 => 10, 17 => 0];

    public function testWhatIsLitSaysWhatLeavesAndWhere(): void
    {
        $rig = self::rig();
        $rig->artNet(self::LIT);
        self::assertSame(['', 'level is at 100 %.', 'Palm House is sent by Node, Net.'], self::said($rig));
    }

    public function testItsLevelItsShutterAndItsColour(): void
    {
        $rig = self::rig();
        $rig->artNet(array_replace(self::LIT, [14 => 0, 13 => 5]));
        [$dark] = self::said($rig);
        self::assertStringContainsString('shutter is closed, at 5. ', $dark);
        self::assertStringContainsString('level is at 0. ', $dark);
        $rig->artNet(array_replace(self::LIT, [15 => 0, 16 => 0]));
        self::assertStringContainsString('Its colour is black: red, green, blue are at 0.', self::said($rig)[0]);
    }

    public function testAHoldIsNamedWithWhatIsToBeReleased(): void
    {
        $rig = self::rig();
        $rig->artNet(self::LIT);
        $rig->junction->hold('palm', [new Hold(13, 0, 'the guide', $rig->nanos() + 9_000_000_000)], $rig->nanos());
        $reason = self::reasons($rig)[0];
        self::assertTrue($reason->keepsDark);
        self::assertStringContainsString('by the guide', $reason->words);
        self::assertSame('level', $reason->release);
    }

    public function testNobodyGivesItAnythingOrNobodyDoesAnyMore(): void
    {
        $rig = self::rig();
        self::assertStringContainsString('Nobody has given Palm House any levels yet.', self::said($rig)[0]);
        $rig = self::rig(['whenLost' => 'stop']);
        $rig->artNet(self::LIT);
        $rig->pass(15.0);
        self::assertStringContainsString('All senders of Palm House are lost', self::said($rig)[0]);
    }

    public function testNoWayOut(): void
    {
        $rig = self::rig();
        $rig->artNet(self::LIT);
        $ports = $rig->document['ports'];
        $rig->adopt([
            ...self::parts(),
            'ports' => array_values(array_filter(
                $ports,
                static fn(array $one): bool => ! \in_array($one['id'], ['node', 'net'], true),
            )),
        ]);
        self::assertStringContainsString('No port sends Palm House.', self::said($rig)[0]);
        $one = array_values(array_filter($ports, static fn(array $one): bool => $one['id'] !== 'net'));
        $rig->adopt([
            ...self::parts(),
            'ports' => array_map(
                static fn(array $port): array => $port['id'] === 'node' ? [...$port, 'enabled' => false] : $port,
                $one,
            ),
        ]);
        self::assertStringContainsString('Node, which sends Palm House, is switched off.', self::said($rig)[0]);
        $rig->adopt([...self::parts(), 'ports' => $one]);
        self::assertStringContainsString('Node, which sends Palm House: no such address', self::said($rig, 'no such address')[0]);
    }

    public function testANeighbourOnItsAddressAndWhatIsNeverDriven(): void
    {
        $parts = self::parts();
        $parts['fixtures'][] = ['id' => 'other', 'name' => 'Other', 'profile' => 'dimmer', 'universe' => 'palm', 'first' => 14];
        $parts['profiles'][] = Library::all()[0];
        $parts['profiles'][0]['parameters'][3]['neverDriven'] = true;
        $rig = new Rig($parts);
        $rig->artNet(self::LIT);
        $said = self::said($rig);
        self::assertStringContainsString('level is at 0, as it is never driven.', $said[0]);
        self::assertStringContainsString('Other listens to some of its slots: what is meant', implode(' ', $said));
    }

    public function testAVirtualIntensityAndNotTheColourThatItScales(): void
    {
        $rig = self::rig();
        $rig->adopt([
            'profiles' => [Library::all()[1]],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'rgb', 'universe' => 'palm', 'first' => 11]],
        ]);
        $rig->artNet([11 => 255]);
        $rig->junction->hold(
            'palm:intensity',
            [new Hold(10, 0, 'the guide', $rig->nanos() + 9_000_000_000), new Hold(11, 0, 'the guide', $rig->nanos() + 9_000_000_000)],
            $rig->nanos(),
        );
        self::assertStringStartsWith('intensity is at 0. ', self::said($rig)[0]);
        self::assertStringContainsString('by the guide', self::said($rig)[0]);
        self::assertStringNotContainsString('colour is black', self::said($rig)[0]);
        self::assertSame('intensity', self::reasons($rig)[0]->release);
        $rig->artNet([11 => 0]);
        self::assertStringContainsString('colour is black', self::said($rig)[0]);
    }

    /** @return list<string> all that keeps it dark, and then each that does not */
    private static function said(Rig $rig, string $fault = ''): array
    {
        $reasons = self::reasons($rig, $fault);
        $dark = array_filter($reasons, static fn(Reason $one): bool => $one->keepsDark);
        $rest = array_filter($reasons, static fn(Reason $one): bool => ! $one->keepsDark);

        return [
            implode(' ', array_map(static fn(Reason $one): string => $one->words, $dark)),
            ...array_map(static fn(Reason $one): string => $one->words, array_values($rest)),
        ];
    }

    /** @return list<Reason> */
    private static function reasons(Rig $rig, string $fault = ''): array
    {
        $show = ShowReader::fromArray($rig->document);
        $why = new WhyDark(
            $show,
            $rig->junction->plan(),
            $show->fixtures['left'],
            $rig->junction->universes()['palm'],
            $rig->junction->universes()['palm:intensity'] ?? null,
            static fn(string $port): string => $fault,
        );

        return $why->reasons();
    }

    /** @param array<string, mixed> $universe */
    private static function rig(array $universe = []): Rig
    {
        return new Rig([...self::parts(), 'universes' => [['id' => 'palm', 'name' => 'Palm House', ...$universe]]]);
    }

    /** @return array{profiles: list<array<string, mixed>>, fixtures: list<array<string, mixed>>} */
    private static function parts(): array
    {
        return [
            'profiles' => [Library::all()[6]],
            'fixtures' => [['id' => 'left', 'name' => 'Left', 'profile' => 'moving-head', 'universe' => 'palm', 'first' => 11]],
        ];
    }
}
