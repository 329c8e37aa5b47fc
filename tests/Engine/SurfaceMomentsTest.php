<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use Amp\Socket\Socket;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Engine\People;
use NimbleJunction\Engine\Said\ControlLife;
use NimbleJunction\Engine\Surfaces\Moment;
use NimbleJunction\Engine\Surfaces\Touching;
use PHPUnit\Framework\TestCase;

/** What surfaces are told, and which hands are on their controls: by themselves, without a link. */
final class SurfaceMomentsTest extends TestCase
{
    public function testOnlyWhatHasChangedIsNewsAndAllOfItForWhoeverComes(): void
    {
        $moment = new Moment('guide');
        $moment->is(['a' => $this->life(0.1), 'b' => $this->life(0.5)], 1);
        self::assertSame(1, $moment->revision);
        $moment->is(['a' => $this->life(0.1), 'b' => $this->life(0.5)], 2);
        self::assertSame(1, $moment->revision, 'nothing has changed');
        $moment->is(['a' => $this->life(0.2), 'b' => $this->life(0.5)], 3);
        $moment->is(['a' => $this->life(0.2), 'b' => $this->life(0.6)], 4);
        self::assertSame(['a', 'b'], $this->told($moment, 0));
        self::assertSame(['a', 'b'], $this->told($moment, 1));
        self::assertSame(['b'], $this->told($moment, 2));
        self::assertSame([], $this->told($moment, 3));
        self::assertSame($moment->since(2), $moment->since(2), 'written once');
    }

    public function testAWordMoreIsNewsAndAControlThatGoesIsNone(): void
    {
        $moment = new Moment('guide');
        $moment->is(['a' => new ControlLife([0.5], '50 %', true, true, true)], 1);
        foreach ([
            new ControlLife([0.5], '51 %', true, true, true),
            new ControlLife([0.5], '51 %', false, true, true),
            new ControlLife([0.5], '51 %', false, false, true),
            new ControlLife([0.5], '51 %', false, false, false),
            new ControlLife([0.5], '51 %', false, false, false, 'Moss'),
            new ControlLife([null], '51 %', false, false, false, 'Moss'),
        ] as $i => $life) {
            $moment->is(['a' => $life], $i + 2);
            self::assertSame($i + 2, $moment->revision);
        }
        $moment->is([], 9);
        self::assertSame([], $this->told($moment, 0));
    }

    public function testASurfaceWithoutControlsIsTold(): void
    {
        $message = json_decode((new Moment('guide'))->since(0), false, flags: JSON_THROW_ON_ERROR);
        self::assertEquals(
            (object) ['type' => 'controls', 'surface' => 'guide', 'controls' => new \stdClass()],
            $message,
            'an object, though it is empty',
        );
    }

    public function testNobodyTouchesFasterThanTenFingersCan(): void
    {
        $touching = new Touching();
        $client = $this->client('one');
        $second = 1_000_000_000;
        $allowed = 0;
        for ($i = 0; $i < 5000; ++$i) {
            $allowed += (int) $touching->mayTouch($client, 7 * $second + $i * 100_000);
        }
        self::assertSame(1000, $allowed);
        self::assertTrue($touching->mayTouch($client, 8 * $second), 'the next second is another one');
        self::assertTrue($touching->mayTouch($this->client('two'), 7 * $second), 'and others are others');
        self::assertSame(8 * $second, $touching->lastAt($client));
    }

    public function testWhoGoesLetsGoOfWhatIsDownAndOfNothingElse(): void
    {
        $touching = new Touching();
        $client = $this->client('one');
        $act = new Act('person', 'Guide');
        $bell = Reference::parse('surface:guide/bell');
        $stick = Reference::parse('surface:guide/pad/across');
        self::assertNotNull($bell);
        self::assertNotNull($stick);
        $touching->holds($client, $bell, 1.0, 0.0, $act);
        $touching->holds($client, $stick, 80.0, 50.0, $act);
        $touching->holds($client, $stick, 20.0, 50.0, $act);
        $touching->holds($client, $bell, 0.0, 0.0, $act);
        self::assertEquals([[$stick, 50.0, $act]], $touching->gone($client), 'the bell has come up already');
        self::assertSame([], $touching->gone($client));
        self::assertNull($touching->lastAt($client));
    }

    public function testPeopleStandWhereTheyAreAndGuestsAtTheirSurface(): void
    {
        $people = new People(new Touching());
        $ada = $this->client('Ada', Role::Builder);
        $guest = $this->client('Guide', Role::Guest, 'guide', 'v1');
        $people->came($ada);
        $people->came($guest);
        $people->stands($ada, 'Ports');
        $people->stands($this->client('nobody'), 'Routes');
        self::assertSame(
            [['Guide', 'guest', '/s/guide', '10.0.0.9', null]],
            array_map(
                static fn($one): array => [$one->name, $one->role, $one->place, $one->address, $one->touchedAt],
                $people->beside($ada),
            ),
        );
        self::assertSame(['Ports'], array_column($people->beside($guest), 'place'));
        self::assertFalse($people->sendAway(1), 'people of the show are not sent away');
        self::assertFalse($people->sendAway(99));
        self::assertTrue($people->sendAway(2));
        $people->left($ada);
        self::assertSame([], $people->beside($guest));
    }

    private function life(float $at): ControlLife
    {
        return new ControlLife([$at], '', false, true, true);
    }

    /** @return list<string> */
    private function told(Moment $moment, int $since): array
    {
        $message = json_decode($moment->since($since), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(['controls', 'guide'], [$message['type'], $message['surface']]);

        return array_keys($message['controls']);
    }

    private function client(string $name, Role $role = Role::Operator, string $surface = '', string $visit = ''): Client
    {
        return new Client($this->createStub(Socket::class), new Token($name, $role, 0, $surface, $visit), 0, '10.0.0.9');
    }
}
