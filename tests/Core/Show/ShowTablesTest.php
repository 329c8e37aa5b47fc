<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowTables;
use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What is written for people of the parts of a show is what their classes say. */
final class ShowTablesTest extends TestCase
{
    public function testTheGuideHasEveryKindAndEveryPart(): void
    {
        $kinds = ShowTables::kinds();
        foreach (ShowReader::kinds()->kinds as $classes) {
            foreach ($classes as $class) {
                self::assertStringContainsString("| `{$class::kind()}` | {$class::label()} |", $kinds);
            }
        }
        $parts = ShowTables::parts();
        foreach (Show::LISTS as $list => [$class]) {
            if ($list !== 'routes') {
                self::assertStringContainsString('### `'.Schema::nameOf($class).'`', $parts);
            }
        }
        self::assertStringContainsString('| `framing` | Framing | `kind` is tcp |', $parts);
        self::assertStringContainsString('| `port` | Our receive port (TCP) | `link/kind` is tcp; needed |', $parts);
    }

    public function testSchemaAndGuideAreOfToday(): void
    {
        self::assertSame(0, (new Process(['bin/show-schema', '--check'], Background::root()))->run(), 'run bin/show-schema');
    }

    /** What a protocol has not is not known there, and its way out is said. */
    public function testEverySideHasOnlyWhatItsProtocolHas(): void
    {
        $sides = array_column(Schema::described(Show::classOf('ports'))['fields'], null, 'name');
        $names = static fn(string $side, string $protocol): array => array_values(
            array_unique(array_column(((array) $sides[$side]['sides'])[$protocol]['fields'], 'name')),
        );
        self::assertSame(
            ['address', 'port', 'enabled', 'poll', 'priority', 'priorities', 'lastResort', 'timeOut', 'feeds'],
            $names('receive', 'art-net'),
        );
        self::assertSame(['address', 'port', 'enabled', 'multicast', 'lastResort', 'timeOut', 'feeds'], $names('receive', 'sacn'));
        self::assertSame(['enabled', 'deadZone', 'centres'], $names('receive', 'controller'));
        self::assertSame(['to', 'port', 'enabled', 'address', 'replies', 'heartbeat', 'heartbeatSeconds'], $names('send', 'osc'));
        self::assertSame(['to', 'port', 'enabled', 'address'], $names('send', 'midi'));
        self::assertArrayNotHasKey('controller', (array) $sides['send']['sides'], 'a game controller has nothing to send to');
    }
}
