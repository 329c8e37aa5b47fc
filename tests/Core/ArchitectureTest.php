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
        yield 'core knows only itself' => ['core', '/^use (?!NimbleJunction\\\\Core\\\\)\w+\\\\/m'];
        yield 'core reaches nothing outside' => ['core', '/(?<![>:\w$])(socket_\w+|stream_\w+|fsockopen|fopen|file_get_contents|file_put_contents|microtime|hrtime|time|date|random_int|random_bytes|rand|mt_rand|getenv|usleep|sleep)\(/'];
        yield 'the wire knows no signal, port or route' => ['core/Wire', '/^use NimbleJunction\\\\Core\\\\(?!Wire\\\\)/m'];
        yield 'the engine knows no framework' => ['engine', '/^use (function )?(?!NimbleJunction\\\\(Core|Engine)\\\\|Amp\\\\|Revolt\\\\)\w+\\\\/m'];
        yield 'stand-ins know the wire and a loop' => ['standins', '/^use (?!NimbleJunction\\\\(StandIn|Core\\\\Wire)\\\\|Revolt\\\\)\w+\\\\/m'];
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

    public function testNoFormatKnowsAnother(): void
    {
        foreach (glob(self::root().'/core/Wire/*', GLOB_ONLYDIR) ?: [] as $folder) {
            $own = basename($folder);
            foreach (self::files("core/Wire/{$own}", 'php') as $path => $text) {
                self::assertDoesNotMatchRegularExpression("/^use NimbleJunction\\\\Core\\\\Wire\\\\(?!({$own}|Layout)\\\\)\\w+\\\\/m", $text, $path);
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

    /** @return iterable<string, string> text by path */
    private static function files(string $folder, string $extension): iterable
    {
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(self::root()."/{$folder}", \FilesystemIterator::SKIP_DOTS)) as $file) {
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
