<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Document;

use NimbleJunction\Core\Document\Patching;
use NimbleJunction\Core\Document\Pointer;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Pointers and patches as the standards' own examples have them: RFC 6901, section 5, and RFC 6902, appendix A (from memory). */
final class PatchingTest extends TestCase
{
    private const EXAMPLE = '{"foo": ["bar", "baz"], "": 0, "a/b": 1, "c%d": 2, "e^f": 3, "g|h": 4, "i\\\\j": 5, "k\"l": 6, " ": 7, "m~n": 8}';

    /** @return iterable<string, array{string, mixed}> */
    public static function places(): iterable
    {
        yield 'an item' => ['/foo/0', 'bar'];
        yield 'an empty name' => ['/', 0];
        yield 'a slash' => ['/a~1b', 1];
        yield 'a percent sign' => ['/c%d', 2];
        yield 'a caret' => ['/e^f', 3];
        yield 'a bar' => ['/g|h', 4];
        yield 'a backslash' => ['/i\\j', 5];
        yield 'a quotation mark' => ['/k"l', 6];
        yield 'a space' => ['/ ', 7];
        yield 'a tilde' => ['/m~0n', 8];
    }

    #[DataProvider('places')]
    public function testAPlace(string $pointer, mixed $is): void
    {
        self::assertSame($is, Pointer::parse($pointer)->of(json_decode(self::EXAMPLE, true)));
        self::assertSame($pointer, Pointer::parse($pointer)->text());
    }

    /** @return iterable<string, array{string, string, string|null}> document, patch, and what comes of it; null where it is refused */
    public static function patches(): iterable
    {
        yield 'A.1 adding a member' => ['{"foo": "bar"}', '[{"op": "add", "path": "/baz", "value": "qux"}]', '{"baz": "qux", "foo": "bar"}'];
        yield 'A.2 adding an element' => ['{"foo": ["bar", "baz"]}', '[{"op": "add", "path": "/foo/1", "value": "qux"}]', '{"foo": ["bar", "qux", "baz"]}'];
        yield 'A.3 removing a member' => ['{"baz": "qux", "foo": "bar"}', '[{"op": "remove", "path": "/baz"}]', '{"foo": "bar"}'];
        yield 'A.4 removing an element' => ['{"foo": ["bar", "qux", "baz"]}', '[{"op": "remove", "path": "/foo/1"}]', '{"foo": ["bar", "baz"]}'];
        yield 'A.5 replacing a value' => ['{"baz": "qux", "foo": "bar"}', '[{"op": "replace", "path": "/baz", "value": "boo"}]', '{"baz": "boo", "foo": "bar"}'];
        yield 'A.6 moving a value' => [
            '{"foo": {"bar": "baz", "waldo": "fred"}, "qux": {"corge": "grault"}}',
            '[{"op": "move", "from": "/foo/waldo", "path": "/qux/thud"}]',
            '{"foo": {"bar": "baz"}, "qux": {"corge": "grault", "thud": "fred"}}',
        ];
        yield 'A.7 moving an element' => [
            '{"foo": ["all", "grass", "cows", "eat"]}',
            '[{"op": "move", "from": "/foo/1", "path": "/foo/3"}]',
            '{"foo": ["all", "cows", "eat", "grass"]}',
        ];
        yield 'A.8 a test that holds' => [
            '{"baz": "qux", "foo": ["a", 2, "c"]}',
            '[{"op": "test", "path": "/baz", "value": "qux"}, {"op": "test", "path": "/foo/1", "value": 2}]',
            '{"baz": "qux", "foo": ["a", 2, "c"]}',
        ];
        yield 'A.9 a test that does not' => ['{"baz": "qux"}', '[{"op": "test", "path": "/baz", "value": "bar"}]', null];
        yield 'A.10 adding an object' => ['{"foo": "bar"}', '[{"op": "add", "path": "/child", "value": {"grandchild": {}}}]', '{"foo": "bar", "child": {"grandchild": {}}}'];
        yield 'A.11 fields that are not known are passed over' => ['{"foo": "bar"}', '[{"op": "add", "path": "/baz", "value": "qux", "xyz": 123}]', '{"foo": "bar", "baz": "qux"}'];
        yield 'A.12 adding to what is not there' => ['{"foo": "bar"}', '[{"op": "add", "path": "/baz/bat", "value": "qux"}]', null];
        yield 'A.14 escapes' => ['{"/": 9, "~1": 10}', '[{"op": "test", "path": "/~01", "value": 10}]', '{"/": 9, "~1": 10}'];
        yield 'A.15 a number is no text' => ['{"/": 9, "~1": 10}', '[{"op": "test", "path": "/~01", "value": "10"}]', null];
        yield 'A.16 adding a list to a list' => ['{"foo": ["bar"]}', '[{"op": "add", "path": "/foo/-", "value": ["abc", "def"]}]', '{"foo": ["bar", ["abc", "def"]]}'];
        yield 'copying' => ['{"a": [1, 2]}', '[{"op": "copy", "from": "/a/0", "path": "/a/-"}]', '{"a": [1, 2, 1]}'];
        yield 'at the end by its number' => ['{"a": [1, 2]}', '[{"op": "add", "path": "/a/2", "value": 3}]', '{"a": [1, 2, 3]}'];
        yield 'beyond the end' => ['{"a": [1, 2]}', '[{"op": "add", "path": "/a/3", "value": 3}]', null];
        yield 'a number that begins with 0' => ['{"a": [1, 2]}', '[{"op": "remove", "path": "/a/01"}]', null];
        yield 'into itself' => ['{"a": {"b": 1}}', '[{"op": "move", "from": "/a", "path": "/a/b"}]', null];
        yield 'an operation that is none' => ['{"a": 1}', '[{"op": "dance", "path": "/a"}]', null];
        yield 'no value' => ['{"a": 1}', '[{"op": "add", "path": "/b"}]', null];
        yield 'no path' => ['{"a": 1}', '[{"op": "remove"}]', null];
        yield 'no pointer' => ['{"a": 1}', '[{"op": "remove", "path": "a"}]', null];
        yield 'an escape that is none' => ['{"a~2": 1}', '[{"op": "remove", "path": "/a~2"}]', null];
        yield 'no list' => ['{"a": 1}', '{"op": "remove", "path": "/a"}', null];
        yield 'the whole' => ['{"a": 1}', '[{"op": "replace", "path": "", "value": {"b": 2}}]', '{"b": 2}'];
    }

    #[DataProvider('patches')]
    public function testAPatch(string $document, string $patch, ?string $after): void
    {
        try {
            $is = Patching::apply(json_decode($document, true), json_decode($patch, true));
        } catch (\UnexpectedValueException $refused) {
            self::assertNull($after, $refused->getMessage());
            self::assertNotSame('', $refused->getMessage());

            return;
        }
        self::assertEquals(json_decode((string) $after, true), $is);
    }

    public function testAnIdIsAsGoodAsANumber(): void
    {
        $show = ['ports' => [['id' => 'desk', 'name' => 'Desk'], ['id' => '7', 'name' => 'Seven']]];
        self::assertSame('Desk', Pointer::parse('/ports/desk/name')->of($show));
        self::assertSame('Seven', Pointer::parse('/ports/1/name')->of($show));
        self::assertSame('Seven', Pointer::parse('/ports/7/name')->of($show), 'an id of digits, where no item has that number');
        self::assertSame('New', Pointer::parse('/ports/desk/name')->replaced($show, 'New')['ports'][0]['name']);
        self::assertCount(1, Pointer::parse('/ports/desk')->removed($show)['ports']);
        $this->expectExceptionMessage('There is nothing at /ports/node.');
        Pointer::parse('/ports/node/name')->of($show);
    }
}
