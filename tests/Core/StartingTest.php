<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Starting\Starts;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What routes can begin from: each makes ordinary routes, and they do what they say. */
final class StartingTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, int, string, string, string}> what is asked for, how many routes, bytes that
     * arrive, the end of what left or "slot level"
     */
    public static function starts(): iterable
    {
        $go = 'f07f7f02010132f7';
        yield 'a panel of slots' => [['kind' => 'panel-of-slots', 'universe' => 'palm', 'first' => 101, 'does' => 'set', 'target' => 'slot:fern/{n}'], 16, 'dmx', '102', 'fern 2 255'];
        yield 'a bank of faders' => [['kind' => 'fader-bank', 'port' => 'lectern', 'first' => 20, 'target' => 'slot:palm/{n}', 'begins' => 31], 8, 'lectern', 'b0157f', 'palm 32 255'];
        yield 'notes by velocity' => [['kind' => 'notes-velocity', 'port' => 'lectern', 'target' => 'slot:palm/{n}'], 16, 'lectern', '902540', 'palm 2 129'];
        yield 'notes that are held' => [['kind' => 'notes-held', 'port' => 'lectern', 'target' => 'slot:palm/{n}'], 16, 'lectern', '902501', 'palm 2 255'];
        yield 'slides to show control' => [['kind' => 'slide-cues', 'port' => 'lectern', 'to' => 'lectern', 'list' => '1'], 12, 'lectern', '903140', 'f07f7f02010132'.'0031f7'];
        yield 'slides to OSC' => [['kind' => 'slide-cues', 'port' => 'lectern', 'to' => 'tablet', 'as' => 'osc'], 12, 'lectern', '903140', bin2hex("/cue/2/start\0\0\0\0,\0\0\0")];
        yield 'a page of OSC' => [['kind' => 'osc-page', 'port' => 'tablet', 'target' => 'slot:palm/{n}'], 8, 'tablet', bin2hex("/page/fader/2\0\0\0,f\0\0\x3F\x80\0\0"), 'palm 2 255'];
        yield 'GO to OSC' => [['kind' => 'msc-osc', 'port' => 'lectern', 'to' => 'tablet', 'address' => '/cue/{cue}/go'], 2, 'lectern', $go, bin2hex("/cue/2/go\0\0\0,\0\0\0")];
        yield 'OSC to GO' => [['kind' => 'msc-osc', 'port' => 'lectern', 'to' => 'tablet', 'address' => '/cue/{cue}/go'], 2, 'tablet', bin2hex("/cue/7.5/go\0,\0\0\0"), 'f07f7f020101372e35f7'];
        yield 'levels to controllers' => [['kind' => 'levels-controllers', 'universe' => 'palm', 'first' => 101, 'to' => 'lectern', 'controller' => 40], 8, 'dmx', '102', 'b0297f'];
        yield 'a plain go note' => [['kind' => 'go-notes', 'port' => 'lectern', 'cues' => [1, 2.5, 7], 'to' => 'lectern'], 1, 'lectern', '903c40 903c00 903c40', 'f07f7f020101322e35f7'];
        yield 'beats a minute' => [['kind' => 'player-tempo', 'port' => 'tablet', 'point' => 'slot:palm/1'], 1, 'tablet', bin2hex("/player/bpm\0,f\0\0\x42\xF0\0\0"), 'palm 1 120'];
        yield 'a universe to spare' => [['kind' => 'spare-universe', 'universe' => 'palm', 'first' => 101, 'to' => 'tablet'], 8, 'dmx', '102', bin2hex("/layer/2/opacity\0\0\0\0,f\0\0\x3F\x80\0\0")];
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('starts')]
    public function testItMakesRoutesThatDoWhatTheySay(
        array $asked,
        int $count,
        string $where,
        string $what,
        string $expected,
    ): void {
        $routes = [];
        foreach (Starts::read($asked)->routes() as $i => $route) {
            $routes[] = ['id' => "r{$i}"] + $route;
        }
        self::assertCount($count, $routes);
        $rig = new Rig([
            'universes' => [...Rig::document()['universes'], ['id' => 'fern', 'name' => 'Fern']],
            'ports' => [...Rig::document()['ports'], Rig::CABLE],
            'routes' => $routes,
        ]);
        $left = [];
        foreach (explode(' ', $what) as $one) {
            $packets = match ($where) {
                'dmx' => [...$rig->sacn([(int) $one => 0]), ...$rig->sacn([(int) $one => 255])],
                'tablet' => $rig->junction->arrived(
                    $this->endpoint($rig, 'tablet'),
                    '127.0.0.15',
                    9000,
                    (string) hex2bin($one),
                    $rig->nanos(),
                ),
                default => $rig->junction->arrived('midi cable lectern', 'cable lectern', 0, (string) hex2bin($one), $rig->nanos()),
            };
            foreach ($packets as $packet) {
                $left[] = bin2hex($packet->bytes);
            }
        }
        if (preg_match('/^(\w+) (\d+) (\d+)$/D', $expected, $found) === 1) {
            self::assertSame((int) $found[3], $rig->level((int) $found[2], $found[1]));
        } else {
            self::assertContains($expected, $left);
        }
    }

    public function testEveryStartIsTriedHere(): void
    {
        $tried = array_unique(array_map(static fn(array $one): string => $one[0]['kind'], iterator_to_array(self::starts())));
        self::assertSame(\count(Starts::ALL), \count($tried));
    }

    public function testWhatIsMissingIsNamed(): void
    {
        foreach ([
            [[], 'kind'],
            [['kind' => 'go-notes'], 'port'],
            [['kind' => 'fader-bank', 'port' => 'p', 'count' => 900], 'count'],
        ] as [$asked, $field]) {
            try {
                Starts::read($asked);
                self::fail("{$field} is wrong");
            } catch (ShowRefused $refused) {
                self::assertStringContainsString("/{$field}", $refused->getMessage());
            }
        }
    }

    private function endpoint(Rig $rig, string $port): string
    {
        return (string) array_key_first(array_filter(
            $rig->junction->plan()->endpoints,
            static fn($one): bool => \in_array($port, $one->portIds, true),
        ));
    }
}
