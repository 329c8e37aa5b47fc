<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Route;

use NimbleJunction\Core\Patch\Library;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Kinds;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;

/** Whatever a document, a page or a sender says: it is refused in words, or it works; nothing is thrown. */
final class HostileRoutesTest extends TestCase
{
    private const VALUES = [
        null,
        true,
        false,
        0,
        1,
        -1,
        7,
        1.5,
        1e12,
        '',
        'x',
        '/a',
        'slot:palm/5',
        'value:open',
        'route:r',
        'tablet',
        'go',
        "\0",
        '{value}{{value}',
        [],
        [1],
        [1, 2],
        [[]],
        ['kind' => 'set'],
        ['a' => 'b'],
    ];

    public function testRoutesOfRandomFieldsAreRefusedOrRun(): void
    {
        mt_srand(13);
        $validator = new Validator();
        $schema = (string) file_get_contents(__DIR__.'/../../../schema/show.schema.json');
        $taken = $refused = 0;
        for ($i = 0; $i < 1500; ++$i) {
            $route = [
                'id' => 'r',
                'name' => 'R',
                'when' => mt_rand(0, 3) === 0 ? $this->whatever() : $this->part('trigger', 0),
                'if' => $this->parts('condition'),
                'steps' => $this->parts('step'),
                'do' => $this->parts('action'),
            ];
            $document = [...Rig::document(), 'routes' => [$route], 'values' => [['id' => 'open', 'name' => 'Open']]];
            try {
                $show = ShowReader::fromArray($document);
                ++$taken;
                foreach ($show->routes['r']->route->triggers ?? [] as $trigger) {
                    self::assertInstanceOf(
                        Taken::class,
                        $trigger->take($trigger->sample()),
                        'it takes its own: '.json_encode($route['when']),
                    );
                }
                self::assertTrue(
                    $validator->validate(json_decode((string) json_encode(self::withoutNothing($document))), $schema)->isValid(),
                    'the published schema agrees: '.json_encode($route),
                );
            } catch (ShowRefused $exception) {
                ++$refused;
                self::assertMatchesRegularExpression('#^/routes/0/#', $exception->getMessage());

                continue;
            }
            $rig = new Rig(['routes' => [$route], 'values' => $document['values']]);
            $rig->osc('/a', 1.0);
            $rig->osc('/go');
            $rig->osc('/a', "text \0 {value}");
            $rig->junction->press(Reference::parse('route:r') ?? self::fail(), new Act('ada', 'Ada'), $rig->nanos());
            $rig->pass(0.5);
        }
        self::assertGreaterThan(20, $taken, 'some of them are routes');
        self::assertGreaterThan(500, $refused);
    }

    public function testAnythingMayBeSaidOfAnyPoint(): void
    {
        $rig = new Rig(
            [
                'values' => [
                    ['id' => 'open', 'name' => 'Open'],
                    ['id' => 'text', 'name' => 'Text', 'type' => 'text'],
                    ['id' => 'n', 'name' => 'N', 'type' => 'number', 'low' => -5, 'high' => 5],
                ],
                'profiles' => [Library::all()[1]],
                'fixtures' => [['id' => 'par', 'name' => 'Par', 'profile' => 'rgb', 'universe' => 'palm', 'first' => 11]],
                'pixels' => [['id' => 'wall', 'name' => 'Wall', 'layout' => ['kind' => 'line', 'count' => 9], 'universes' => ['palm'], 'first' => 101]],
            ],
        );
        $act = new Act('ada', 'Ada');
        $said = 0;
        foreach ([
            'slot:palm/1',
            'slot:palm/0',
            'slot:palm/513',
            'slot:gone/1',
            'hold:palm/2',
            'hold:palm/x',
            'port:house/alive',
            'port:house/none',
            'port:gone/alive',
            'route:in',
            'route:in/enabled',
            'route:in/none',
            'route:gone',
            'value:open',
            'value:text',
            'value:n',
            'value:gone',
            'fixture:gone/pan',
            'fixture:par/red',
            'fixture:par/intensity',
            'light:par',
            'pixels:wall/red',
            'pixels:wall/3/blue',
            'pixels:wall/99/blue',
            'pixels:gone/red',
            'dot:wall',
            'dot:wall/speed',
            'dot:wall/none',
            'dot:gone',
            'look:doors',
        ] as $text) {
            $reference = Reference::parse($text) ?? self::fail($text);
            foreach ([0, 1, -1, 300, 1.5, -1e300, \INF, \NAN, '', 'x', '12', "\xFF\xFE", str_repeat('y', 5000)] as $value) {
                $refusal = $rig->junction->set($reference, $value, $act, $rig->nanos())[0];
                $rig->junction->press($reference, $act, $rig->nanos());
                $rig->junction->points()->read($reference);
                $said += $refusal === '' ? 0 : 1;
            }
        }
        self::assertGreaterThan(100, $said);
        self::assertSame([null, null, null], array_map(Reference::parse(...), ['', 'slot', 'SLOT:palm/1']));
        self::assertIsString(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
        );
    }

    /**
     * The reader takes a null for a field that is left out; a schema does not.
     *
     * @param array<mixed> $document
     *
     * @return array<mixed>
     */
    private static function withoutNothing(array $document): array
    {
        $left = array_filter($document, static fn(mixed $one): bool => $one !== null);

        return array_map(static fn(mixed $one): mixed => \is_array($one) ? self::withoutNothing($one) : $one, $left);
    }

    /** @return list<mixed> */
    private function parts(string $of): array
    {
        return array_map(
            fn(): mixed => mt_rand(0, 5) === 0 ? $this->whatever() : $this->part($of, 0),
            array_fill(0, mt_rand(0, 2), 0),
        );
    }

    /** @return array<string, mixed> */
    private function part(string $of, int $depth): array
    {
        $kinds = Kinds::all()->described()[$of];
        $kind = $kinds[mt_rand(0, \count($kinds) - 1)];
        $part = ['kind' => $kind['kind']];
        foreach ($kind['fields'] as $field) {
            $part[$field['name']] = match (true) {
                mt_rand(0, 12) === 0 => $this->whatever(),
                $field['type'] === 'port' => 'tablet',
                $field['type'] === 'universe' => 'palm',
                $field['type'] === 'point' => ['slot:palm/5', 'value:open', 'route:r', 'hold:palm/5'][mt_rand(0, 3)],
                $field['type'] === 'word' => $field['words'][mt_rand(0, \count($field['words']) - 1)],
                $field['type'] === 'parts' => $depth < 3 ? [$this->part($field['of'], $depth + 1)] : [],
                $field['type'] === 'part' => $this->part($field['of'], $depth + 1),
                $field['type'] === 'whole' => mt_rand((int) $field['low'], min((int) $field['high'], (int) $field['low'] + 20)),
                \in_array($field['type'], ['numbers', 'list'], true) => [0, 1],
                $field['type'] === 'text' => ['/a', '/go', 'f0 41 f7', '2.5', '{value}'][mt_rand(0, 4)],
                default => 1,
            };
        }

        return $part;
    }

    private function whatever(): mixed
    {
        return self::VALUES[mt_rand(0, \count(self::VALUES) - 1)];
    }
}
