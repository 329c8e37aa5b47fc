<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Document;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Address;
use NimbleJunction\Core\Document\Field\NumberList;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Field\WholeList;
use NimbleJunction\Core\Document\Field\Word;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Universe\Curve;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every type of field: what it reads, what it refuses and with which words, and that its JSON Schema, held against
 * the values by opis/json-schema, takes and refuses the same.
 */
final class FieldsTest extends TestCase
{
    /**
     * @return iterable<string, array{Field, list<array{mixed, mixed}>, list<array{mixed, string}>}> a field; what stands
     * there and what is read of it; what is wrong, and words of why
     */
    public static function types(): iterable
    {
        yield 'whole' => [
            Field::whole('x', 'X', 1, 16),
            [[1, 1], [16, 16]],
            [
                [0, 'from 1 to 16'],
                [17, 'from 1 to 16'],
                [1.5, 'whole number'],
                ['1', 'whole number'],
                [true, 'whole number'],
                [[], 'whole number'],
            ],
        ];
        yield 'number' => [
            Field::number('x', 'X', -1.0, 1.0),
            [[-1, -1.0], [0.25, 0.25], [1, 1.0]],
            [[1.01, 'from -1 to 1'], ['0', 'from -1 to 1'], [false, 'from -1 to 1']],
        ];
        yield 'so many numbers' => [
            Field::numbers('x', 'X', 0.0, 127.0, [0.0, 1.0]),
            [[[0, 127], [0.0, 127.0]], [[5, 2.5], [5.0, 2.5]]],
            [[[1], 'Give 2 numbers.'], [[1, 2, 3], 'at most 2'], [[1, 128], 'from 0 to 127'], ['1, 2', 'list']],
        ];
        yield 'any number of numbers' => [
            new NumberList('x', 'X', 3, -1.0, 1.0, true),
            [[[], []], [[0, 0.5, 1], [0.0, 0.5, 1.0]]],
            [[[0, 0, 0, 0], 'at most 3'], [[2], 'from -1 to 1'], [['0'], 'from -1 to 1']],
        ];
        yield 'any number of whole numbers' => [
            new WholeList('x', 'X', 4, 1, 512),
            [[[1, 512], [1, 512]]],
            [[[0], 'from 1 to 512'], [[1.5], 'whole numbers'], [[1, 2, 3, 4, 5], 'at most 4']],
        ];
        yield 'text' => [
            Field::text('x', 'X', null, 5),
            [['abc', 'abc'], ['Žiar!', 'Žiar!'], ['12345', '12345']],
            [['', '1 to 5 characters'], ['123456', '1 to 5 characters'], [7, '1 to 5 characters'], [[], '1 to 5 characters']],
        ];
        yield 'texts' => [
            new TextList('x', 'X', 2, 4),
            [[['a', 'b'], ['a', 'b']], [[], []]],
            [[['a', 'b', 'c'], 'at most 2'], [['abcde'], '1 to 4 characters'], [[7], '1 to 4 characters'], ['a', 'list']],
        ];
        yield 'word' => [
            Field::word('x', 'X', ['go', 'stop']),
            [['go', 'go'], ['stop', 'stop']],
            [['Go', 'Use one of: go, stop.'], ['', 'Use one of'], [0, 'Use one of'], [[], 'Use one of']],
        ];
        yield 'choice' => [
            Field::choice('x', 'X', Curve::class),
            [['square', Curve::Square], ['linear', Curve::Linear]],
            [['cubic', 'Use one of: linear, square'], [1, 'Use one of']],
        ];
        yield 'flag' => [
            Field::flag('x', 'X', true),
            [[true, true], [false, false]],
            [[1, 'Use true or false.'], ['true', 'Use true or false.'], [[], 'Use true or false.']],
        ];
        yield 'value' => [
            Field::anything('x', 'X'),
            [[1, 1], [0.5, 0.5], ['on', 'on'], [true, 1], [false, 0], ['', '']],
            [[[], 'Use a number, a text, true or false.']],
        ];
        yield 'id of another part' => [
            Field::port('x'),
            [['desk', 'desk'], ['1', '1'], ['a-b', 'a-b']],
            [
                ['Desk', 'small letters'],
                ['-a', 'small letters'],
                ['a b', 'small letters'],
                [1, 'small letters'],
                [str_repeat('a', 61), 'small letters'],
            ],
        ];
        yield 'pattern' => [
            Field::pattern('x', 'X', '#^/[^\s\#]{1,9}$#D', 'It begins with a slash.'),
            [['/a', '/a'], ['/žiar', '/žiar']],
            [
                ['a', 'It begins with a slash.'],
                ['/', 'It begins with a slash.'],
                ["/a\n", 'It begins with a slash.'],
                ['/a#', 'It begins with a slash.'],
                [1, 'It begins with a slash.'],
            ],
        ];
        yield 'address' => [
            new Address('x', 'X'),
            [['10.0.0.7', '10.0.0.7'], ['255.255.255.255', '255.255.255.255']],
            [['10.0.0', 'IPv4'], ['10.0.0.256', 'IPv4'], ['node.example', 'IPv4'], ['::1', 'IPv4'], [10, 'IPv4']],
        ];
        yield 'addresses' => [
            Field::addresses('x', 'X', 2),
            [[[], []], [['10.0.0.7', '10.0.0.8'], ['10.0.0.7', '10.0.0.8']]],
            [[['10.0.0'], 'IPv4'], [['10.0.0.1', '10.0.0.2', '10.0.0.3'], 'at most 2'], ['10.0.0.1', 'list']],
        ];
        yield 'our own address' => [
            Field::ourAddress('x', 'X'),
            [['0.0.0.0', '0.0.0.0'], ['eth0', 'eth0'], ['enp0s31f6', 'enp0s31f6']],
            [['10.0.0.300', 'our own IPv4'], ['eth 0', 'our own IPv4'], ['0', 'our own IPv4'], ['', 'our own IPv4']],
        ];
        yield 'point' => [
            Field::point('x'),
            [],
            [['lamp', 'Name a point'], ['slot:', 'Name a point'], ['SLOT:palm/1', 'Name a point'], [5, 'Name a point']],
        ];
    }

    /**
     * @param list<array{mixed, mixed}> $sound
     * @param list<array{mixed, string}> $wrong
     */
    #[DataProvider('types')]
    public function testATypeReadsAndRefusesAsItsSchemaDoes(Field $field, array $sound, array $wrong): void
    {
        foreach ($sound as [$stands, $read]) {
            [$value, $faults] = self::read($field, ['x' => $stands]);
            self::assertSame([[], $read], [$faults, $value]);
            self::assertTrue(self::schemaTakes($field, $stands), 'the schema takes '.json_encode($stands));
        }
        foreach ($wrong as [$stands, $words]) {
            [$value, $faults] = self::read($field, ['x' => $stands]);
            self::assertNotSame([], $faults, 'taken: '.json_encode($stands));
            self::assertStringContainsString($words, $faults[0]->spelled());
            self::assertStringStartsWith('/x', $faults[0]->path);
            self::assertFalse(self::schemaTakes($field, $stands), 'the schema takes '.json_encode($stands));
        }
        [, $faults] = self::read($field, []);
        self::assertSame($field->isNeeded, $faults !== [], 'what is needed is missed, what is not is not');
        self::assertSame(['x', $field->label], [$field->described()['name'], $field->described()['label']]);
    }

    public function testAFieldThatHangsOnAnotherOne(): void
    {
        $least = Field::whole('last', 'Last', 1, 512, null, false)->atLeast('first');
        self::assertSame([9, []], self::read($least, [], ['first' => 9]), 'left out, it is the same');
        self::assertStringContainsString('from 9 to 512', self::read($least, ['last' => 3], ['first' => 9])[1][0]->spelled());
        $ranged = Field::whole('number', 'Number', 0, 99)->rangedBy('protocol', ['one' => [1, 9], 'two' => [0, 99]]);
        self::assertStringContainsString(
            'from 1 to 9',
            self::read($ranged, ['number' => 10], ['protocol' => 'one'])[1][0]->spelled(),
        );
        self::assertSame([10, []], self::read($ranged, ['number' => 10], ['protocol' => 'two']));
        $decided = Word::decidedBy('kind', 'Kind', 'protocol', ['one' => ['a', 'b'], 'two' => ['c']]);
        self::assertSame(['a', []], self::read($decided, [], ['protocol' => 'one']), 'the first is the usual one');
        self::assertSame(['c', []], self::read($decided, [], ['protocol' => 'two']));
        self::assertStringContainsString(
            'Use one of: c.',
            self::read($decided, ['kind' => 'a'], ['protocol' => 'two'])[1][0]->spelled(),
        );
        $like = Field::flag('announce', 'Announce', false)->like('multicast');
        self::assertSame(
            [[true, []], [false, []], [false, []]],
            [
                self::read($like, [], ['multicast' => true]),
                self::read($like, [], ['multicast' => false]),
                self::read($like, ['announce' => false], ['multicast' => true]),
            ],
        );
    }

    public function testAFieldThatIsThereOnlySometimes(): void
    {
        $field = Field::whole('low', 'Low', 0, 9, 0)->only('type', 'number', 'step');
        $reading = static function (mixed $type): Reading {
            $reading = Reading::with(new Kinds());
            $reading->note('type', $type);

            return $reading->inner('part');
        };
        self::assertTrue($field->applies($reading('number')), 'a part around it says so');
        self::assertTrue($field->applies($reading('step')));
        self::assertFalse($field->applies($reading('text')));
        self::assertFalse($field->applies($reading(null)));
        self::assertSame(['type', ['number', 'step']], [$field->described()['onlyAt'], $field->described()['onlyWords']]);
        self::assertFalse(Field::whole('low', 'Low', 0, 9)->only('type', 'number')->isAlwaysNeeded());
        $inner = Reading::with(new Kinds());
        $inner->inner('link')->note('kind', Curve::Square);
        self::assertSame(
            ['square', ''],
            [$inner->word('link/kind'), $inner->word('link/other')],
            'seen from outside by its path',
        );
    }

    public function testAPartIsReadWholeWhateverIsWrongWithIt(): void
    {
        [$part, $faults] = self::readPart(
            SamplePart::class,
            [
                'name' => '',
                'size' => 99,
                'mood' => 'loud',
                'colour' => 'red',
                'inner' => ['low' => 9, 'high' => 1],
                'rows' => [['low' => 1], 'x', ['low' => 1, 'high' => 2, 'wide' => 3]],
            ],
        );
        self::assertInstanceOf(
            SamplePart::class,
            $part,
            'something sound stands in for what is wrong, so that more can be found',
        );
        self::assertSame([
            '/name', '/size', '/mood', '/inner/high', '/rows/1', '/rows/2/wide', '/colour',
        ], array_map(static fn(Fault $fault): string => $fault->path, $faults));
        [$part, $faults] = self::readPart(SamplePart::class, ['name' => 'A', 'inner' => ['low' => 1]]);
        self::assertSame([[], 'calm', 1, 1, []], [$faults, $part->mood, $part->inner?->low, $part->inner?->high, $part->rows]);
    }

    public function testTheSchemaOfAPartHasAllThatItHolds(): void
    {
        $definitions = Schema::definitions(['samplePart' => [SamplePart::class]]);
        self::assertSame(['samplePart', 'sampleSpan'], array_keys($definitions));
        self::assertSame(['name'], $definitions['samplePart']['required']);
        self::assertSame(['$ref' => '#/$defs/sampleSpan'], $definitions['samplePart']['properties']['rows']['items']);
        self::assertSame('what it is like', $definitions['samplePart']['properties']['mood']['description']);
        self::assertSame('calm', $definitions['samplePart']['properties']['mood']['default']);
        self::assertSame(
            [
                'anyOf' => [
                    ['type' => 'integer', 'minimum' => 1, 'maximum' => 9],
                    ['type' => 'string', 'minLength' => 1, 'maxLength' => 9],
                ],
            ],
            $definitions['samplePart']['properties']['size'],
            'one name, two shapes',
        );
        $described = Schema::described(SamplePart::class);
        self::assertSame(['Sample part', ''], [$described['label'], $described['kind']]);
        self::assertSame('Sample span', array_column($described['fields'], null, 'name')['rows']['part']['label']);
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, mixed> $beside what other fields of the part say
     *
     * @return array{mixed, list<Fault>}
     */
    private static function read(Field $field, array $document, array $beside = []): array
    {
        $faults = new \ArrayObject();
        $reading = Reading::with(new Kinds());
        foreach ($beside as $name => $value) {
            $reading->note($name, $value);
        }
        $value = $field->read(new Fields($document, '', $faults), $reading);

        return [$value, array_values($faults->getArrayCopy())];
    }

    /**
     * @param class-string<SamplePart> $class
     * @param array<string, mixed> $document
     *
     * @return array{SamplePart, list<Fault>}
     */
    private static function readPart(string $class, array $document): array
    {
        $faults = new \ArrayObject();
        $fields = new Fields($document, '', $faults);
        $part = Reading::with(new Kinds())->part($fields, $class);
        $fields->close();

        return [$part, array_values($faults->getArrayCopy())];
    }

    private static function schemaTakes(Field $field, mixed $value): bool
    {
        $schema = [
            '$defs' => [
                'id' => ['type' => 'string', 'pattern' => '^[a-z0-9][a-z0-9-]{0,59}$'],
                'point' => ['type' => 'string', 'pattern' => '^[a-z]+:[a-z0-9-]{1,60}'],
            ],
            'type' => 'object',
            'properties' => ['x' => $field->schema()],
        ];
        $document = json_decode(json_encode(['x' => $value], JSON_THROW_ON_ERROR));

        return (new Validator())->validate($document, json_encode($schema, JSON_THROW_ON_ERROR))->isValid();
    }
}
