<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** Something that pages are told: its public properties are the fields, here and in the page's types. */
abstract readonly class Said implements \JsonSerializable
{
    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        $maps = Shapes::mapsOf(static::class);
        $fields = [];
        foreach (get_object_vars($this) as $name => $value) {
            // An empty map would be written as a list.
            $fields[(string) $name] = \in_array($name, $maps, true) ? (object) $value : $value;
        }

        return $fields;
    }
}
