<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Route\Kinds;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Show\ShowSchema;
use NimbleJunction\Core\Show\Upgrades;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;

/** Documents of earlier versions open for ever; what is new in this version is told from them by its number. */
final class UpgradesTest extends TestCase
{
    public function testWhatVersion1CalledRangesAreCopies(): void
    {
        $copy = [
            'id' => 'r',
            'name' => 'Row',
            'from' => ['universe' => 'palm', 'first' => 1],
            'to' => ['universe' => 'roof', 'first' => 5],
        ];
        $universes = [['id' => 'palm', 'name' => 'Palm House'], ['id' => 'roof', 'name' => 'Roof']];
        $old = [...Rig::document(), 'version' => 1, 'universes' => $universes, 'ranges' => [$copy]];
        $new = Upgrades::toNewest($old);
        self::assertSame([2, [$copy], false], [$new['version'], $new['copies'], isset($new['ranges'])]);
        self::assertSame($new, Upgrades::toNewest($new));
        self::assertEquals(ShowReader::fromArray($old), ShowReader::fromArray($new));
        self::assertTrue(
            (new Validator())->validate(
                json_decode((string) json_encode($new)),
                (string) file_get_contents(__DIR__.'/../../../schema/show.schema.json'),
            )->isValid(),
        );
        $this->refused([...$old, 'ranges' => [[...$copy, 'repeat' => 0]]], '/ranges/0/repeat');
        $this->refused([...$new, 'copies' => [[...$copy, 'repeat' => 0]]], '/copies/0/repeat');
        $this->refused([...$old, 'values' => []], '/values');
        $this->refused([...$new, 'ranges' => []], '/ranges');
        $this->refused([...$new, 'version' => Show::VERSION + 1], '/version');
    }

    /** The published schema says of every part what its class says: bin/show-schema writes it. */
    public function testTheSchemaIsWhatThePartsSayOfThemselves(): void
    {
        $schema = json_decode(
            (string) file_get_contents(__DIR__.'/../../../schema/show.schema.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $made = json_decode(json_encode(ShowSchema::document(), JSON_THROW_ON_ERROR), true, flags: JSON_THROW_ON_ERROR);
        foreach ($made['$defs'] as $name => $definition) {
            self::assertSame($definition, $schema['$defs'][$name] ?? null, $name);
        }
        self::assertSame($made, $schema);
    }

    public function testALongRouteIsRefusedFieldByField(): void
    {
        $route = [
            'id' => 'r',
            'name' => 'R',
            'when' => ['kind' => 'note', 'port' => 'nobody', 'channel' => 17],
            'do' => [
                ['kind' => 'set', 'point' => 'slot:palm/600'],
                ['kind' => 'dance'],
                [
                    'kind' => 'send',
                    'port' => 'tablet',
                    'message' => ['kind' => 'note', 'channel' => 1, 'note' => 1, 'colour' => 'red'],
                ],
            ],
        ];
        $this->refused(
            [...Rig::document(), 'routes' => [$route]],
            '/routes/0/when/channel',
            '/routes/0/do/1/kind',
            '/routes/0/do/2/message/colour',
        );
        $route = [
            'id' => 'r',
            'name' => 'R',
            'when' => [
                ['kind' => 'osc', 'port' => 'nobody', 'address' => '/a'],
                ['kind' => 'osc', 'port' => 'node', 'address' => '/a'],
            ],
            'if' => [['kind' => 'point', 'point' => 'value:gone', 'is' => 1]],
            'do' => [
                ['kind' => 'set', 'point' => 'slot:palm/600'],
                ['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'note', 'channel' => 1, 'note' => 1]],
                ['kind' => 'repeat', 'times' => 2, 'do' => [['kind' => 'press', 'point' => 'route:gone']]],
            ],
        ];
        $this->refused(
            [...Rig::document(), 'routes' => [$route]],
            '/routes/0/when/0/port',
            '/routes/0/when/1/port',
            '/routes/0/if/0/point',
            '/routes/0/do/0/point',
            '/routes/0/do/1/port',
            '/routes/0/do/2/do/0/point',
        );
        $this->refused(
            [...Rig::document(), 'routes' => [['id' => 'r', 'name' => 'R', 'when' => ['kind' => 'started']]]],
            '/routes/0/do',
        );
        // Every field that is needed is missed, whatever its type.
        foreach (['trigger' => 'when', 'condition' => 'if', 'step' => 'steps', 'action' => 'do'] as $of => $list) {
            foreach (Kinds::all()->described()[$of] as $kind) {
                $needed = array_column(
                    array_filter($kind['fields'], static fn(array $field): bool => $field['isNeeded']),
                    'name',
                );
                $route = [
                    'id' => 'r',
                    'name' => 'R',
                    'when' => [['kind' => 'started']],
                    'do' => [['kind' => 'press', 'point' => 'route:r']],
                ];
                $route[$list] = [['kind' => $kind['kind']]];
                if ($needed !== []) {
                    $this->refused(
                        [...Rig::document(), 'routes' => [$route]],
                        ...array_map(static fn(string $name): string => "/routes/0/{$list}/0/{$name}", $needed),
                    );
                }
            }
        }
        $this->refused(
            [
                ...Rig::document(),
                'values' => [
                    ['id' => 'a', 'name' => 'A', 'type' => 'choice'],
                    ['id' => 'b', 'name' => 'B', 'type' => 'number', 'low' => 5, 'high' => 1],
                ],
            ],
            '/values/0/choices',
            '/values/1/high',
        );
    }

    public function testALongRouteIsASentence(): void
    {
        $route = [
            'id' => 'r',
            'name' => 'R',
            'enabled' => false,
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/a'],
            'if' => [['kind' => 'point', 'point' => 'value:open', 'is' => 1]],
            'steps' => [['kind' => 'scale', 'from' => [0, 1], 'to' => [0, 255]]],
            'do' => [['kind' => 'set', 'point' => 'slot:palm/9']],
        ];
        $show = ShowReader::fromArray(
            [...Rig::document(), 'routes' => [$route], 'values' => [['id' => 'open', 'name' => 'House open']]],
        );
        self::assertSame(
            'When /a arrives on Tablet and "House open" is 1, set slot 9 of Palm House: 0 to 1 becomes 0 to 255. Switched off.',
            Sentence::of($show->routes['r'], $show),
        );
    }

    /** @param array<string, mixed> $document */
    private function refused(array $document, string ...$paths): void
    {
        try {
            ShowReader::fromArray($document);
            self::fail('it was taken');
        } catch (ShowRefused $refused) {
            foreach ($paths as $path) {
                self::assertStringContainsString("{$path}:", $refused->getMessage());
            }
        }
    }
}
