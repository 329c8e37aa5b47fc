<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Furnishing;

use NimbleJunction\Core\Furnishing\Laying;
use NimbleJunction\Core\Furnishing\Templates;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Evening;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Templates: what they lay on pages is sound, does not overlap, and is bound to what the show has. */
final class TemplatesTest extends TestCase
{
    public function testABankHasEightFadersARowEachWithItsButtonBelowIt(): void
    {
        $masters = array_map(static fn(int $i): array => ['id' => "m{$i}", 'name' => "Master {$i}"], range(1, 11));
        $pages = $this->pages(['kind' => 'faders', 'of' => 'masters', 'count' => 64], ['masters' => $masters]);
        self::assertSame(
            [16, 6],
            array_map(static fn(array $page): int => \count($page['controls']), $pages),
            'the second bank begins another page',
        );
        foreach ($pages as $page) {
            $faders = array_filter($page['controls'], static fn(array $one): bool => $one['does']['kind'] === 'fader');
            foreach ($faders as $fader) {
                $id = substr($fader['id'], 0, -\strlen('-fader'));
                $button = current(array_filter($page['controls'], static fn(array $one): bool => $one['id'] === "{$id}-button"));
                self::assertSame([$fader['column'], $fader['row'] + $fader['height']], [$button['column'], $button['row']]);
                self::assertSame("master:{$id}/flash", $button['does']['points'][0]['point']);
            }
        }
    }

    public function testABankForNothingHasPlacesToBindLater(): void
    {
        $pages = $this->pages(['kind' => 'faders', 'of' => 'nothing', 'count' => 3]);
        self::assertSame(['Fader 1', 'Fader 2', 'Fader 3'], array_column(\array_slice($pages[0]['controls'], 0, 3), 'name'));
        self::assertSame(['kind' => 'fader'], $pages[0]['controls'][0]['does']);
    }

    public function testLooksOfAListAreThoseThatItsCuesNameAndAreCalledAsTheyAreCalledThen(): void
    {
        $looks = array_map(
            static fn(string $id): array => ['id' => $id, 'name' => ucfirst($id), 'values' => Evening::values(['fixture:a/level' => 1])],
            ['doors', 'ferns', 'roof'],
        );
        $list = [
            'id' => 'walk',
            'name' => 'Walk',
            'cues' => [['number' => '1', 'look' => 'roof'], ['number' => '2', 'look' => 'doors'], ['number' => '3', 'look' => 'roof']],
        ];
        $changes = ['looks' => $looks, 'lists' => [$list]];
        self::assertSame(
            ['doors', 'roof'],
            array_column($this->pages(['kind' => 'looks', 'list' => 'walk'], $changes)[0]['controls'], 'id'),
        );
        $all = $this->pages(['kind' => 'looks', 'columns' => 2], $changes)[0]['controls'];
        self::assertSame([[1, 1], [2, 1], [1, 2]], array_map(static fn(array $one): array => [$one['column'], $one['row']], $all));
        self::assertSame(['{name}', '{name}', '{name}'], array_column($all, 'text'));
    }

    public function testAFixtureHasAPadForPanAndTiltAndASelectorForItsRangesAndNothingForWhatIsNeverDriven(): void
    {
        $parameters = [
            ['name' => 'pan', 'role' => 'pan'], ['name' => 'tilt', 'role' => 'tilt'], ['name' => 'dimmer', 'role' => 'dimmer'], ['name' => 'zoom', 'role' => 'zoom'],
            ['name' => 'gobo', 'role' => 'gobo-wheel', 'ranges' => [['name' => 'open', 'first' => 0, 'last' => 99], ['name' => 'star', 'first' => 100, 'last' => 255]]],
            ['name' => 'reset', 'role' => 'reset', 'neverDriven' => true],
        ];
        $changes = [
            'profiles' => [['id' => 'spot', 'name' => 'Spot', 'parameters' => $parameters]],
            'fixtures' => [['id' => 's', 'name' => 'Spot one', 'profile' => 'spot', 'universe' => 'palm', 'first' => 1]],
            'groups' => [],
        ];
        $controls = $this->pages(['kind' => 'fixture', 'fixture' => 's'], $changes)[0]['controls'];
        $kinds = array_combine(array_column($controls, 'id'), array_map(static fn(array $one): string => $one['does']['kind'], $controls));
        self::assertSame(['position' => 'pad', 'dimmer' => 'fader', 'zoom' => 'knob', 'gobo' => 'selector'], $kinds);
        self::assertSame('fixture:s/pan', $controls[0]['does']['across'][0]['point']);
    }

    public function testAUniverseHasAFaderForEachOfItsSlots(): void
    {
        $pages = $this->pages(['kind' => 'universe', 'universe' => 'palm']);
        self::assertCount(8, $pages);
        self::assertSame(
            ['slot:palm/1', 'slot:palm/512'],
            [$pages[0]['controls'][0]['does']['points'][0]['point'], $pages[7]['controls'][63]['does']['points'][0]['point']],
        );
    }

    public function testTheTwinOfAPanelHasAControlForEachOfItsPartsThatThisPartMoves(): void
    {
        $part = static fn(string $id, array $does): array => [
            'id' => $id,
            'when' => ['kind' => 'controller', 'port' => 'lectern', 'channel' => 1, 'controller' => 1],
            'does' => $does,
        ];
        $panel = ['id' => 'p', 'name' => 'Panel', 'surface' => 'guide', 'parts' => [
            $part('fader-1', ['kind' => 'fader']),
            $part('wheel', ['kind' => 'encoder']),
            $part('key', ['kind' => 'button']),
            $part('turn', ['kind' => 'button', 'turns' => 'next', 'lamp' => false]),
        ]];
        $changes = [
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'surfaces' => [['id' => 'guide', 'name' => 'Guide']],
            'panels' => [$panel],
        ];
        $controls = $this->pages(['kind' => 'panel', 'panel' => 'p'], $changes)[0]['controls'];
        self::assertSame(
            ['fader', 'knob', 'button'],
            array_map(static fn(array $one): string => $one['does']['kind'], $controls),
            'a button that turns pages moves nothing',
        );
        self::assertSame([['part' => 'wheel']], $controls[1]['hardware']);
    }

    public function testWhatTheShowDoesNotHaveMakesNoPages(): void
    {
        foreach ([
            ['kind' => 'faders', 'of' => 'masters'],
            ['kind' => 'fixture', 'fixture' => 'gone'],
            ['kind' => 'universe', 'universe' => 'gone'],
            ['kind' => 'panel', 'panel' => 'gone'],
            ['kind' => 'looks'],
        ] as $asked) {
            self::assertSame([], Templates::read($asked)->pages(ShowReader::fromArray([...Rig::document(), ...Evening::show()])));
        }
        foreach ([
            [],
            ['kind' => 'garden'],
            ['kind' => 'faders', 'count' => 65],
            ['kind' => 'fixture'],
            ['kind' => 'looks', 'rows' => 2],
        ] as $wrong) {
            try {
                Templates::read($wrong);
                self::fail(json_encode($wrong, JSON_THROW_ON_ERROR));
            } catch (ShowRefused $refused) {
                self::assertNotSame([], $refused->faults);
            }
        }
    }

    public function testControlsAreLaidInRowsAndPagesThatHaveRoomForThem(): void
    {
        $laying = new Laying('Page', 4, 3);
        foreach ([[2, 1], [2, 2], [3, 1], [1, 2], [4, 3]] as $i => [$width, $height]) {
            $laying->add("c{$i}", "C {$i}", $width, $height, ['kind' => 'button']);
        }
        $places = array_map(
            static fn(array $page): array => array_map(static fn(array $one): array => [$one['column'], $one['row']], $page['controls']),
            $laying->pages(),
        );
        self::assertSame([[[1, 1], [3, 1], [1, 3]], [[1, 1]], [[1, 1]]], $places);
        self::assertSame(['Page', 'Page 2', 'Page 3'], array_column($laying->pages(), 'name'));
    }

    /**
     * @param array<string, mixed> $asked
     * @param array<string, mixed> $changes
     *
     * @return list<array<string, mixed>> which a show takes as they are
     */
    private function pages(array $asked, array $changes = []): array
    {
        $document = [...Rig::document(), ...Evening::show(), ...$changes];
        $pages = Templates::read($asked)->pages(ShowReader::fromArray($document));
        $surfaces = array_values(array_filter($document['surfaces'] ?? [], static fn(array $one): bool => $one['id'] !== 'guide'));
        $show = ShowReader::fromArray([
            ...$document,
            'surfaces' => [...$surfaces, ['id' => 'guide', 'name' => 'Guide', 'pages' => $pages]],
        ]);
        self::assertSame(
            array_sum(array_map(static fn(array $page): int => \count($page['controls']), $pages)),
            \count($show->surfaces['guide']->controls),
            'no two have the same id',
        );

        return $pages;
    }
}
