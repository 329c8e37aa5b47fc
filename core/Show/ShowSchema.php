<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Point\Reference;

/** The JSON Schema of a show document, as the classes of its parts describe them. */
final class ShowSchema
{
    /** @return array<string, mixed> */
    public static function document(): array
    {
        $lists = [];
        $parts = [];
        foreach (Show::LISTS as $list => [$class, $most]) {
            $lists[$list] = ['type' => 'array', 'maxItems' => $most, 'items' => ['$ref' => '#/$defs/'.Schema::nameOf($class)]];
            $parts[Schema::nameOf($class)] = [$class];
        }
        $all = ShowReader::kinds()->kinds;
        $parts += Schema::heldBy(array_merge(...array_values($all)));
        $kinds = array_map(static fn(array $classes): array => Schema::ofKinds(...$classes), $all);

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            '$id' => 'https://nimble-junction.invalid/schema/show.schema.json',
            'title' => 'ShowDocument',
            'description' => 'A whole show: universes, ports, routes between them, and what it has of its own.',
            'type' => 'object',
            'required' => ['format', 'version', 'name'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => Show::FORMAT],
                'version' => ['const' => Show::VERSION],
                'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 120],
                'middleC' => [
                    'description' => 'Octave number of MIDI note 60: makers differ.',
                    'type' => 'integer',
                    'minimum' => 3,
                    'maximum' => 5,
                    'default' => 4,
                ],
                ...$lists,
            ],
            '$defs' => [
                'id' => ['type' => 'string', 'pattern' => '^[a-z0-9][a-z0-9-]{0,59}$'],
                'point' => ['description' => Reference::RULE, 'type' => 'string', 'pattern' => trim(Reference::PATTERN, '#uD')],
                ...Schema::definitions($parts),
                ...$kinds,
            ],
        ];
    }
}
