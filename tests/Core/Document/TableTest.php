<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Document;

use NimbleJunction\Core\Document\Cell;
use NimbleJunction\Core\Document\Table;
use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ValueEntry;
use NimbleJunction\Tests\Support\RandomShow;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lists as tables: whatever a show says can be written into cells, and read from them again. */
final class TableTest extends TestCase
{
    public function testEveryPartOfAnyShowComesBackFromItsRow(): void
    {
        mt_srand(11);
        for ($i = 0; $i < 40; ++$i) {
            $document = RandomShow::make();
            foreach (Show::LISTS as $list => [$class]) {
                $table = new Table($class);
                foreach ($document[$list] as $part) {
                    self::assertEquals(self::said($part), self::said($table->part($table->row($part), [])), json_encode($part));
                }
            }
        }
    }

    public function testACellThatIsNotThereLeavesItsFieldAndAnEmptyOneTakesItOut(): void
    {
        $table = new Table(PortEntry::class);
        $port = [
            'id' => 'a',
            'name' => 'A',
            'protocol' => 'osc',
            'receive' => ['port' => 8001],
            'send' => ['to' => ['10.0.0.7', '10.0.0.8'], 'port' => 9000],
        ];
        self::assertSame('10.0.0.7; 10.0.0.8', $table->row($port)['send/to']);
        self::assertSame(
            ['yes', '', ''],
            [$table->row($port)['receive'], $table->row($port)['receive/enabled'], $table->row($port)['link']],
        );
        self::assertSame(['name' => 'B'] + $port, ['name' => 'B'] + $table->part(['name' => 'B'], $port));
        $changed = $table->part(
            ['send/to' => '10.0.0.9', 'receive/port' => '', 'send/port' => ' 9001 ', 'enabled' => 'No'],
            $port,
        );
        self::assertSame(['to' => ['10.0.0.9'], 'port' => 9001], $changed['send']);
        self::assertSame([[], false], [$changed['receive'], $changed['enabled']]);
        self::assertArrayNotHasKey('send', $table->part(['send' => 'no'], $port));
        self::assertSame(
            ['port' => 8000],
            $table->part(['receive' => 'yes', 'receive/port' => '8000'], ['id' => 'new'])['receive'],
        );
        self::assertSame(['id' => 'new'], $table->part(['receive' => '', 'receive/port' => ''], ['id' => 'new']));
    }

    /** @return iterable<array{Cell, string, mixed}> */
    public static function cells(): iterable
    {
        yield [Cell::Number, '12,5', 12.5];
        yield [Cell::Number, '0x1F', '0x1F'];
        yield [Cell::Number, 'twelve', 'twelve'];
        yield [Cell::Flag, 'TRUE', true];
        yield [Cell::Flag, 'off', false];
        yield [Cell::Flag, 'perhaps', 'perhaps'];
        yield [Cell::Series, '1;2 ; 3', [1, 2, 3]];
        yield [Cell::Series, '["a;b"]', ['a;b']];
        yield [Cell::Structure, '[{"number":1}]', [['number' => 1]]];
        yield [Cell::Structure, '[{"number":1}', '[{"number":1}'];
        yield [Cell::Anything, 'yes', true];
        yield [Cell::Anything, '"yes"', 'yes'];
        yield [Cell::Anything, '7', 7];
        yield [Cell::Anything, 'seven', 'seven'];
        yield [Cell::Text, ' as it is ', ' as it is '];
    }

    #[DataProvider('cells')]
    public function testACellIsReadAsItsFieldMeansIt(Cell $cell, string $text, mixed $value): void
    {
        self::assertSame($value, $cell->read($text));
        self::assertEquals($value, $cell->read($cell->spelled($value)), 'and written so that it comes back');
    }

    public function testWhatAValueBeginsWithKeepsItsType(): void
    {
        $table = new Table(ValueEntry::class);
        foreach (['1', 'yes', 'null', '[', 'plain', true, 1.5] as $start) {
            $value = ['id' => 'v', 'name' => 'V', 'type' => 'text', 'start' => $start];
            self::assertSame($value, $table->part($table->row($value), []));
        }
    }

    /** What is left out means the same as what says nothing. @param array<mixed> $part @return array<mixed> */
    private static function said(array $part): array
    {
        $part = array_filter($part, static fn(mixed $value): bool => $value !== '' && $value !== null);
        ksort($part);

        return array_map(
            static fn(mixed $value): mixed => \is_array($value) && ! array_is_list($value) ? self::said($value) : $value,
            $part,
        );
    }
}
