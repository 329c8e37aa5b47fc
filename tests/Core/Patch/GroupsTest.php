<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Patch;

use NimbleJunction\Core\Patch\Fan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Groups, in their order, with groups among them; what is set on one, and what is spread over one. */
final class GroupsTest extends TestCase
{
    public function testGroupsWithinGroupsKeepTheirOrderAndHaveEachOnce(): void
    {
        $groups = ShowReader::fromArray([...Rig::document(), ...self::parts()])->patch()->groups;
        self::assertSame(['b', 'a'], $groups->fixtures('some'));
        self::assertSame(['c', 'b', 'a'], $groups->fixtures('all'));
        self::assertSame([], $groups->fixtures('none'));
    }

    public function testWhatIsSetOnAGroupIsSetOnEach(): void
    {
        $rig = new Rig(self::parts());
        $point = Reference::parse('group:all/level') ?? throw new \LogicException('it is one');
        self::assertSame('', $rig->junction->set($point, 50, new Act('route x', 'X'), $rig->nanos())[0]);
        self::assertSame([128, 128, 128], $rig->levelsOf(1, 2, 3));
        self::assertEqualsWithDelta(50.2, $rig->junction->points()->read($point), 0.1);
        self::assertSame(
            ['All, level', 0.0, 100.0, '%'],
            [
                $rig->junction->points()->describe($point)?->name,
                $rig->junction->points()->describe($point)?->low,
                $rig->junction->points()->describe($point)?->high,
                $rig->junction->points()->describe($point)?->unit,
            ],
        );
        $rig->artNet([1 => 200]);
        self::assertNull($rig->junction->points()->read($point), 'they differ: there is no one value');
        $leaves = Reference::parse('group:some/level/leaves') ?? throw new \LogicException('it is one');
        self::assertNull($rig->junction->points()->read($leaves));
        $rig->junction->hold('palm', [new Hold(0, 128, 'a', $rig->nanos() + 9_000_000_000)], $rig->nanos());
        self::assertEqualsWithDelta(50.2, $rig->junction->points()->read($leaves), 0.1, 'what leaves');
        $nothing = Reference::parse('group:all/pan') ?? throw new \LogicException('it is one');
        self::assertSame(
            'there is no such parameter',
            $rig->junction->set($nothing, 50, new Act('route x', 'X'), $rig->nanos())[0],
        );
    }

    public function testARouteDrivesAGroupAndGoesAlongWhenItsMembersMove(): void
    {
        $route = [
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/all'],
            'do' => [['kind' => 'set', 'point' => 'group:some/level']],
        ];
        $rig = new Rig([...self::parts(), 'routes' => [$route]]);
        $rig->osc('/all', 100);
        self::assertSame([255, 255, 0], $rig->levelsOf(1, 2, 3));
        $parts = self::parts();
        $parts['fixtures'][0]['first'] = 101;
        $rig->adopt([...$parts, 'routes' => [$route]]);
        self::assertSame([0, 255, 255], $rig->levelsOf(1, 2, 101));
        $parts['groups'][0]['members'] = ['b'];
        $rig->adopt([...$parts, 'routes' => [$route]]);
        self::assertSame([255, 0], $rig->levelsOf(2, 101), 'who is no member any more is let go');
    }

    /** Worked out by hand. */
    public function testAFan(): void
    {
        self::assertSame([0.0, 25.0, 50.0, 75.0, 100.0], Fan::Across->values(5, 0, 100));
        self::assertSame([100.0, 50.0, 0.0, 50.0, 100.0], Fan::FromMiddle->values(5, 0, 100));
        self::assertSame([-90.0, 90.0], Fan::Across->values(2, -90, 90));
        self::assertSame([[], [7.0]], [Fan::Across->values(0, 7, 9), Fan::Across->values(1, 7, 9)]);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, string, string}> */
    public static function wrong(): iterable
    {
        yield 'a fixture that is not there' => [
            [['id' => 'g', 'name' => 'G', 'members' => ['gone']]],
            '/groups/0/members/0',
            'there is no fixture "gone"',
        ];
        yield 'a group that is not there' => [
            [['id' => 'g', 'name' => 'G', 'members' => ['group:gone']]],
            '/groups/0/members/0',
            'there is no group "gone"',
        ];
        yield 'a circle' => [
            [['id' => 'g', 'name' => 'G', 'members' => ['group:h']], ['id' => 'h', 'name' => 'H', 'members' => ['a', 'group:g']]],
            '/groups/0/members',
            'has itself among its members',
        ];
        yield 'no id at all' => [
            [['id' => 'g', 'name' => 'G', 'members' => ['A B']]],
            '/groups/0/members/0',
            'Name the id of a fixture',
        ];
    }

    /** @param list<array<string, mixed>> $groups */
    #[DataProvider('wrong')]
    public function testWhatDoesNotFitIsRefused(array $groups, string $path, string $words): void
    {
        try {
            ShowReader::fromArray([...Rig::document(), ...self::parts(), 'groups' => $groups]);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            self::assertSame($path, $refused->faults[0]->path);
            self::assertStringContainsString($words, $refused->faults[0]->spelled());
        }
    }

    /** @return array<string, list<array<string, mixed>>> */
    private static function parts(): array
    {
        $fixture = static fn(string $id, int $first): array => [
            'id' => $id,
            'name' => strtoupper($id),
            'profile' => 'dimmer',
            'universe' => 'palm',
            'first' => $first,
        ];

        return [
            'profiles' => [['id' => 'dimmer', 'name' => 'Dimmer', 'parameters' => [['name' => 'level', 'role' => 'dimmer']]]],
            'fixtures' => [$fixture('a', 1), $fixture('b', 2), $fixture('c', 3)],
            'groups' => [
                ['id' => 'some', 'name' => 'Some', 'members' => ['b', 'a']],
                ['id' => 'all', 'name' => 'All', 'members' => ['c', 'group:some', 'a']],
            ],
            'routes' => [],
        ];
    }
}
