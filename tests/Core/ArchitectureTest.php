<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The arrows of the house run one way, and its rooms stay small enough to live in. */
final class ArchitectureTest extends TestCase
{
    /** @return iterable<string, array{string, string}> folder, and what its files must not contain */
    public static function arrows(): iterable
    {
        yield 'core knows only itself, and one library that reads formulas' => [
            'core',
            '/^use (?!NimbleJunction\\\\Core\\\\|Symfony\\\\Component\\\\ExpressionLanguage\\\\)\w+\\\\/m',
        ];
        yield 'core reaches nothing outside' => [
            'core',
            '/(?<![>:\w$])(socket_\w+|stream_\w+|fsockopen|fopen|file_get_contents|file_put_contents|microtime|hrtime|time|date|random_int|random_bytes|rand|mt_rand|getenv|usleep|sleep)\(/',
        ];
        yield 'the wire knows no signal, port or route' => ['core/Wire', '/^use NimbleJunction\\\\Core\\\\(?!Wire\\\\)/m'];
        yield 'the engine knows no framework' => [
            'engine',
            '/^use (function )?(?!NimbleJunction\\\\(Core|Engine)\\\\|Amp\\\\|Revolt\\\\)\w+\\\\/m',
        ];
        yield 'stand-ins know the wire and a loop' => [
            'standins',
            '/^use (?!NimbleJunction\\\\(StandIn|Core\\\\Wire)\\\\|Revolt\\\\)\w+\\\\/m',
        ];
        yield 'the application knows what it starts' => ['app', '/^use NimbleJunction\\\\Tests/m'];
    }

    #[DataProvider('arrows')]
    public function testNoArrowTurnsBack(string $folder, string $forbidden): void
    {
        $looked = 0;
        foreach (self::files($folder, 'php') as $path => $text) {
            ++$looked;
            self::assertDoesNotMatchRegularExpression($forbidden, $text, $path);
        }
        self::assertGreaterThan(3, $looked);
    }

    /**
     * Wire ← Signal ← (Universe, Patch, Port, Route …) ← Plan ← Live ← Junction; words for people stand
     * beside that, and nothing below knows them.
     */
    public function testTheRoomsOfTheCoreFormNoCircle(): void
    {
        $knows = [];
        foreach (self::files('core', 'php') as $path => $text) {
            $rest = substr($path, \strlen(self::root().'/core/'));
            $room = str_contains($rest, '/') ? (string) strstr($rest, '/', true) : 'Junction';
            preg_match_all('/NimbleJunction\\\\Core\\\\([A-Z]\w+)(\\\\\w+)?/', $text, $found, PREG_SET_ORDER);
            foreach ($found as $one) {
                if (! isset($one[2]) && $one[1] !== 'Junction') {
                    continue;
                }
                $other = $one[1];
                if ($other !== $room) {
                    $knows[$room][$other] = basename($path);
                }
            }
        }
        self::assertGreaterThan(12, \count($knows));
        self::assertSame([], self::circle($knows));
        foreach (['Junction', 'Live', 'Plan', 'Words', 'Check', 'Preview', 'Rerouting', 'Sheet', 'Starting', 'Rehearsal'] as $top) {
            foreach ([
                'Wire',
                'Signal',
                'State',
                'Trace',
                'Universe',
                'Patch',
                'Route',
                'Port',
                'Show',
                'Codec',
                'Scope',
            ] as $below) {
                self::assertArrayNotHasKey($top, $knows[$below] ?? [], "{$below} must not know {$top}");
            }
        }
    }

    public function testACircleIsFound(): void
    {
        self::assertSame(['A', 'B', 'C', 'A'], self::circle(['A' => ['B' => 'x'], 'B' => ['C' => 'y'], 'C' => ['A' => 'z']]));
        self::assertSame([], self::circle(['A' => ['B' => 'x', 'C' => 'x'], 'B' => ['C' => 'y']]));
    }

    public function testNoFormatKnowsAnother(): void
    {
        foreach (glob(self::root().'/core/Wire/*', GLOB_ONLYDIR) ?: [] as $folder) {
            $own = basename($folder);
            foreach (self::files("core/Wire/{$own}", 'php') as $path => $text) {
                self::assertDoesNotMatchRegularExpression(
                    "/^use NimbleJunction\\\\Core\\\\Wire\\\\(?!({$own}|Layout)\\\\)\\w+\\\\/m",
                    $text,
                    $path,
                );
            }
        }
    }

    public function testNoViewImportsAnother(): void
    {
        $views = ['overview', 'ports', 'patch', 'universes', 'scope', 'routes', 'standins', 'packets', 'show', 'login'];
        foreach ($views as $view) {
            $others = implode('|', array_diff($views, [$view]));
            foreach ([...self::files("resources/ts/{$view}", 'vue'), ...self::files("resources/ts/{$view}", 'ts')] as $path => $text) {
                self::assertDoesNotMatchRegularExpression("#from '(@|\\.\\.)/({$others})/#", $text, $path);
            }
        }
    }

    public function testNoRoomIsCrowded(): void
    {
        foreach (['core', 'engine', 'standins', 'app', 'database', 'tests', 'bench'] as $folder) {
            foreach (self::files($folder, 'php') as $path => $text) {
                self::assertLessThanOrEqual(400, substr_count($text, "\n"), $path);
            }
        }
        foreach (self::files('resources/ts', 'vue') as $path => $text) {
            self::assertLessThanOrEqual(250, substr_count($text, "\n"), $path);
        }
    }

    /**
     * @param array<string, array<string, string>> $knows
     *
     * @return list<string> rooms on the way round; none where there is no circle
     */
    private static function circle(array $knows): array
    {
        $isDone = [];
        $walk = static function (string $room, array $way) use (&$walk, &$isDone, $knows): array {
            $place = array_search($room, $way, true);
            if ($place !== false) {
                return [...\array_slice($way, $place), $room];
            }
            foreach (isset($isDone[$room]) ? [] : array_keys($knows[$room] ?? []) as $other) {
                $circle = $walk($other, [...$way, $room]);
                if ($circle !== []) {
                    return $circle;
                }
            }
            $isDone[$room] = true;

            return [];
        };
        foreach (array_keys($knows) as $room) {
            $circle = $walk($room, []);
            if ($circle !== []) {
                return $circle;
            }
        }

        return [];
    }

    /** @return iterable<string, string> text by path */
    private static function files(string $folder, string $extension): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(
            self::root()."/{$folder}",
            \FilesystemIterator::SKIP_DOTS,
        )) as $file) {
            if ($file->getExtension() === $extension) {
                yield $file->getPathname() => (string) file_get_contents($file->getPathname());
            }
        }
    }

    private static function root(): string
    {
        return \dirname(__DIR__, 2);
    }
}
