<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Step\CurveStep;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Curve;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Controls are told what they drive: motors, lamps, pages. */
final class FeedbackTest extends TestCase
{
    private const FADER = [
        'id' => 'r',
        'name' => 'R',
        'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 7, 'bits' => 14],
        'steps' => [['kind' => 'scale', 'from' => [0, 16383], 'to' => [0, 255]]],
        'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
        'back' => ['kind' => 'value'],
    ];

    /** @var list<string> what the lectern was told, in hexadecimal */
    private array $told = [];

    public function testAMotorFollowsTheDeskAndNotTheHandOnIt(): void
    {
        $rig = $this->rig([self::FADER]);
        self::assertSame(['b00700b02700'], $this->told, 'at the beginning it is told where it belongs');
        $this->takes($rig->sacn([9 => 255]));
        $this->passes($rig, 0.05);
        self::assertSame('b0077fb0277f', end($this->told));
        $count = \count($this->told);
        foreach (['b00740', 'b02700', 'b00720', 'b02700'] as $hex) {
            $this->arrives($rig, $hex);
            $this->passes($rig, 0.02);
        }
        self::assertCount($count, $this->told, 'a hand is on it');
        $this->passes($rig, 0.35);
        self::assertSame('b0077fb0277f', end($this->told), 'the desk is higher: the motor goes back when the hand has left');
        self::assertCount($count + 1, $this->told);
    }

    public function testWhatComesBackAsItWasToldIsNoHand(): void
    {
        $rig = $this->rig([self::FADER]);
        $this->takes($rig->sacn([9 => 200]));
        $this->passes($rig, 0.05);
        $back = (string) end($this->told);
        foreach (str_split($back, 6) as $piece) {
            $this->arrives($rig, $piece);
        }
        self::assertSame(0, $rig->junction->points()->read($this->point('route:r/fired')));
        self::assertContains('note: "R" leaves it: it is what its control was told a moment ago', $rig->hops('message'));
        $this->takes($rig->sacn([9 => 10], sequence: 2));
        $this->passes($rig, 0.5);
        self::assertSame(10, $rig->level(9), 'no echo holds it up');
    }

    public function testALampIsOnOffAndBlinks(): void
    {
        $rig = $this->rig([[
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'note-on', 'port' => 'lectern', 'channel' => 1, 'note' => 36],
            'steps' => [['kind' => 'toggle', 'on' => 1, 'off' => 0]],
            'do' => [['kind' => 'set', 'point' => 'value:house']],
            'back' => ['kind' => 'lamp', 'on' => 5, 'off' => 1, 'blink' => 2, 'blinks' => 'value:alarm'],
        ]]);
        self::assertSame(['902401'], $this->told);
        $this->arrives($rig, '90247f');
        $this->passes($rig, 0.4);
        self::assertSame('902405', end($this->told));
        $this->takes($rig->junction->set($this->point('value:alarm'), 1, new Act('ada', 'Ada'), $rig->nanos())[1]);
        $this->passes($rig, 0.1);
        self::assertSame('902402', end($this->told));
        $this->takes($rig->junction->set($this->point('value:alarm'), 0, new Act('ada', 'Ada'), $rig->nanos())[1]);
        $this->takes($rig->junction->set($this->point('value:house'), 0, new Act('ada', 'Ada'), $rig->nanos())[1]);
        $this->passes($rig, 0.1);
        self::assertSame('902401', end($this->told));
    }

    public function testAPageIsToldNamesOnceAndColoursWheneverTheyChange(): void
    {
        $osc = static fn(string $address, string $tag, string $data): string => $address.str_repeat("\0", 4 - \strlen($address) % 4).",{$tag}\0\0"
            .$data;
        $rig = new Rig(self::parts([[
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/1/fader'],
            'steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 255]]],
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
            'back' => ['kind' => 'page', 'name' => 'Fern', 'colourAddress' => '/1/fader/color', 'on' => 'amber'],
        ]]));
        $told = fn(array $packets): array => array_values(array_map(
            static fn($packet): string => $packet->bytes,
            array_filter($packets, static fn($packet): bool => $packet->portId === 'tablet'),
        ));
        [$name, $gray, $amber] = [$osc('/1/fader/name', 's', "Fern\0\0\0\0"), $osc('/1/fader/color', 's', "gray\0\0\0\0"), $osc('/1/fader/color', 's', "amber\0\0\0")];
        $value = static fn(float $to): string => $osc('/1/fader', 'f', pack('G', $to));
        $beginning = $told(array_column($rig->pass(0.1), 1));
        sort($beginning);
        self::assertSame([$value(0.0), $gray, $name], $beginning);
        self::assertEqualsCanonicalizing([$amber, $value(1.0)], $told([...$rig->sacn([9 => 255]), ...array_column($rig->pass(0.1), 1)]));
        self::assertSame([$value(51 / 255)], $told([...$rig->sacn([9 => 51]), ...array_column($rig->pass(0.1), 1)]), 'it is on still');
        $anew = $rig->junction->press($this->point('route:r/show'), new Act('anna', 'anna'), $rig->nanos())[1];
        self::assertContains($name, $told([...$anew, ...array_column($rig->pass(0.5), 1)]), 'on request all is told anew');
    }

    public function testItIsToldAgainOnRequestAndEverySoOften(): void
    {
        $rig = $this->rig([['back' => ['kind' => 'value', 'every' => 5]] + self::FADER]);
        $this->passes($rig, 11.0);
        self::assertCount(3, $this->told, 'at once, and twice more');
        $this->takes($rig->junction->press($this->point('route:r/show'), new Act('ada', 'Ada'), $rig->nanos())[1]);
        self::assertCount(4, $this->told);
        $this->takes($rig->junction->joined('midi cable lectern', $rig->nanos()));
        $this->passes($rig, 0.1);
        self::assertCount(5, $this->told, 'who is new knows nothing');
    }

    public function testWhatIsNotWorthTellingIsNotTold(): void
    {
        $rig = $this->rig([['back' => ['kind' => 'value', 'band' => 300, 'gap' => 0.1]] + self::FADER]);
        for ($i = 1; $i <= 50; ++$i) {
            $this->takes($rig->sacn([9 => 100 + $i % 3], sequence: $i));
            $this->passes($rig, 0.02);
        }
        self::assertCount(2, $this->told);
        for ($i = 1; $i <= 50; ++$i) {
            $this->takes($rig->sacn([9 => 2 * $i], sequence: 100 + $i));
            $this->passes($rig, 0.02);
        }
        self::assertLessThanOrEqual(2 + 12, \count($this->told), 'ten a second, as it says');
    }

    /** Every step that is gone back leads to where it came from. */
    public function testACurveIsGoneBack(): void
    {
        $rising = array_filter(Curve::cases(), static fn(Curve $one): bool => $one !== Curve::Switched);
        foreach ($rising as $curve) {
            $step = new CurveStep($curve->value);
            for ($i = 0; $i <= 1000; ++$i) {
                self::assertEqualsWithDelta($i / 1000, $curve->apply($step->reversed($i / 1000)), 1e-6, $curve->value);
            }
        }
    }

    public function testWhatCannotBeToldIsRefused(): void
    {
        foreach ([
            ['steps' => [['kind' => 'toggle', 'on' => 1, 'off' => 0]], 'words' => 'step 1, "Each press turns it over", cannot be gone back'],
            ['when' => ['kind' => 'note', 'port' => 'lectern'], 'words' => 'is no single control that could show anything'],
            ['do' => [['kind' => 'press', 'point' => 'value:house']], 'words' => 'the route sets no point whose value could be shown'],
            ['back' => ['kind' => 'value', 'of' => 'value:nobody'], 'words' => 'there is no point "value:nobody"'],
        ] as $change) {
            try {
                $this->rig([array_diff_key($change, ['words' => 1]) + self::FADER]);
                self::fail($change['words']);
            } catch (ShowRefused $refused) {
                self::assertStringContainsString($change['words'], $refused->getMessage());
            }
        }
    }

    public function testWhatItShowsIsKnownAfterARestart(): void
    {
        $rig = $this->rig([self::FADER]);
        $this->takes($rig->sacn([9 => 200]));
        $this->passes($rig, 0.1);
        $state = json_decode((string) json_encode($rig->junction->rooms()->state($rig->nanos())), true);
        $this->told = [];
        $again = new Rig(self::parts([self::FADER]));
        $again->junction->restore($state, $again->nanos());
        $this->passes($again, 0.2);
        self::assertSame([], $this->told);
    }

    /** @param list<array<string, mixed>> $routes */
    private function rig(array $routes): Rig
    {
        $this->told = [];
        $rig = new Rig(self::parts($routes));
        $this->passes($rig, 0.01);

        return $rig;
    }

    /**
     * @param list<array<string, mixed>> $routes
     *
     * @return array<string, mixed>
     */
    private static function parts(array $routes): array
    {
        return [
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'values' => [['id' => 'house', 'name' => 'House'], ['id' => 'alarm', 'name' => 'Alarm']],
            'routes' => $routes,
        ];
    }

    private function arrives(Rig $rig, string $hex): void
    {
        $this->takes($rig->junction->arrived('midi cable lectern', 'cable lectern', 0, (string) hex2bin($hex), $rig->nanos()));
    }

    private function passes(Rig $rig, float $seconds): void
    {
        for ($left = $seconds; $left > 1e-9; $left -= 0.01) {
            $this->takes(array_column($rig->pass(min(0.01, $left)), 1));
        }
    }

    /** @param list<mixed> $packets */
    private function takes(array $packets): void
    {
        foreach ($packets as $packet) {
            $packet = \is_array($packet) ? $packet[1] : $packet;
            if ($packet->portId === 'lectern') {
                $this->told[] = bin2hex($packet->bytes);
            }
        }
    }

    private function point(string $text): Reference
    {
        return Reference::parse($text) ?? self::fail($text);
    }
}
