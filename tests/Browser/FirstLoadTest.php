<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\TestCase;

/** What a browser has to fetch before the overview stands there. */
final class FirstLoadTest extends TestCase
{
    private const MOST_BYTES = 160 * 1024;
    private const PAGES = 10;

    public function testTheScriptOfTheOverviewIsSmall(): void
    {
        $files = $this->needed('resources/ts/main.ts', 'resources/ts/overview/OverviewPage.vue');
        $bytes = 0;
        foreach ($files as $file) {
            $bytes += \strlen((string) gzencode((string) file_get_contents(self::folder()."/{$file}"), 9));
        }
        self::assertLessThanOrEqual(self::MOST_BYTES, $bytes, implode(', ', $files));
    }

    public function testEachOtherPageIsAPieceOfItsOwn(): void
    {
        $pages = array_filter(array_keys(self::manifest()), static fn(string $source): bool => str_ends_with($source, 'Page.vue'));
        self::assertGreaterThanOrEqual(self::PAGES, \count($pages));
        $first = $this->needed('resources/ts/main.ts');
        foreach ($pages as $page) {
            self::assertNotContains(self::manifest()[$page]['file'], $first, $page);
        }
    }

    /** @return list<string> the scripts that these need, with all that they import at once */
    private function needed(string ...$sources): array
    {
        $found = [];
        for ($open = $sources; $open !== [];) {
            $source = array_pop($open);
            if (! isset($found[$source])) {
                $found[$source] = self::manifest()[$source]['file'];
                array_push($open, ...self::manifest()[$source]['imports'] ?? []);
            }
        }

        return array_values($found);
    }

    /** @return array<string, array{file: string, imports?: list<string>}> */
    private static function manifest(): array
    {
        return json_decode((string) file_get_contents(self::folder().'/manifest.json'), true, flags: JSON_THROW_ON_ERROR);
    }

    private static function folder(): string
    {
        return Background::root().'/public/build';
    }
}
