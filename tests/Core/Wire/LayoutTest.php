<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Wire;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Layout\Part;
use NimbleJunction\Core\Wire\Layout\Unwritable;
use NimbleJunction\Core\Wire\Malformed;
use PHPUnit\Framework\TestCase;

/** One description of fields serves for reading, writing and showing. */
final class LayoutTest extends TestCase
{
    public function testEveryKindOfFieldIsReadAndWritten(): void
    {
        $bytes = "ID\0\x12\x34\x34\x12Palm\0\0\x7f\0\0\x01\xAB\xCD\x01\x02\x03rest";
        $values = self::layout()->read($bytes);
        self::assertSame([0x1234, 0x1234], [$values->int('big'), $values->int('little')]);
        self::assertSame(
            ['Palm', '127.0.0.1', "\xAB\xCD", 'rest'],
            [$values->text('name'), $values->text('address'), $values->text('raw'), $values->text('more')],
        );
        self::assertSame([1, 2, 3], $values->numbers('three'));
        self::assertSame(
            $bytes,
            self::layout()->write(
                [
                    'big' => 0x1234,
                    'little' => 0x1234,
                    'name' => 'Palm',
                    'address' => '127.0.0.1',
                    'raw' => "\xAB\xCD",
                    'three' => "\1\2\3",
                    'more' => 'rest',
                ],
            ),
        );
        self::assertSame([0, '', []], [$values->int('nothing'), $values->text('nothing'), $values->numbers('nothing')]);
    }

    public function testPlainFieldsGoThereAndBack(): void
    {
        $bytes = "ID\0\x12\x34\x34\x12Palm\0\0\x7f\0\0\x01\xAB\xCD\x01\x02\x03rest";
        $plain = Part::group('', 0, 0, self::layout()->parts($bytes))->plain();
        self::assertSame(
            [
                'id' => 'ID',
                'big' => 4660,
                'little' => 4660,
                'name' => 'Palm',
                'address' => '127.0.0.1',
                'raw' => 'abcd',
                'three' => [1, 2, 3],
                'more' => bin2hex('rest'),
            ],
            $plain,
        );
        self::assertIsArray($plain);
        self::assertSame($bytes, self::layout()->writePlain($plain));
        self::assertSame(11 + 2, \strlen(self::layout()->writePlain(['big' => 1])), 'as much as must be there, and no more');
    }

    public function testFieldsAtTheEndMayBeMissing(): void
    {
        $short = "ID\0\x12\x34\x34\x12Palm\0\0";
        self::assertSame('Palm', self::layout()->read($short)->text('name'));
        self::assertCount(4, self::layout()->parts($short));
        try {
            self::layout()->read(substr($short, 0, 12));
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame(12, $malformed->offset);
        }
    }

    public function testWhatIsFixedMustBeSo(): void
    {
        try {
            self::layout()->read("IX\0\x12\x34\x34\x12Palm\0\0");
            self::fail('it was taken');
        } catch (Malformed $malformed) {
            self::assertSame([0, 'id is 495800, 494400 is required'], [$malformed->offset, $malformed->reason]);
        }
    }

    public function testWhatCannotBeWrittenNamesItsField(): void
    {
        foreach ([
            [['big' => 65536], 'big: it is 65536; use a whole number from 0 to 65535'],
            [['big' => -1], 'big: it is -1'],

            [['name' => 'much too long'], 'name: it is "much too long"; use a text of at most 5 bytes'],
            [['address' => '127.0.0.256'], 'use an IPv4 address'],
            [['raw' => 'abc'], 'raw: it is "abc"; use bytes in hexadecimal'],
            [['raw' => 'ab'], '2 bytes are needed'],
            [['three' => [1, 2]], '3 bytes are needed'],
            [['three' => [1, 2, 300]], 'use a list of whole numbers from 0 to 255'],
            [['id' => 'XX'], 'it is always "ID"'],
            [['colour' => 1], 'known are id, big, little'],
        ] as $case) {
            [$fields, $words] = $case;
            try {
                self::layout()->writePlain($fields);
                self::fail("written: {$words}");
            } catch (Unwritable $unwritable) {
                self::assertStringContainsString($words, $unwritable->getMessage());
            }
        }
    }

    public function testEightBytesKeepAllTheirBits(): void
    {
        $layout = new Layout('wide', 'none', 8, Field::number('wide', 8));
        foreach (['ffffffffffffffff', '8000000000000000', '7fffffffffffffff', '0000000000000001'] as $hex) {
            $value = $layout->read((string) hex2bin($hex))->int('wide');
            self::assertSame($hex, bin2hex($layout->write(['wide' => $value])));
        }
    }

    private static function layout(): Layout
    {
        return new Layout(
            'test',
            'none',
            13,
            Field::fixed('id', "ID\0"),
            Field::number('big', 2),
            Field::numberLowFirst('little', 2),
            Field::text('name', 6),
            Field::address('address'),
            Field::bytes('raw', 2),
            Field::numbers('three', 3),
            Field::bytes('more'),
        );
    }
}
