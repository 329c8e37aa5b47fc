<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;

/** Reads a show document strictly: all of it is sound, or it is refused with every fault found. */
final class ShowReader
{
    public const ADDRESS_PATTERN = '#^/[^\s\#*,?\[\]{}]{1,199}$#D';
    public const ADDRESS_RULE = 'An address begins with "/" and has no spaces and none of # * , ? [ ] { }.';

    /** @throws ShowRefused */
    public static function fromJson(string $json): Show
    {
        try {
            $document = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $exception) {
            throw ShowRefused::notJson($exception->getMessage());
        }

        return self::fromArray(\is_array($document) ? $document : []);
    }

    /**
     * @param array<mixed> $document
     *
     * @throws ShowRefused
     */
    public static function fromArray(array $document): Show
    {
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $version = $document['version'] ?? null;
        $fields = new Fields(Upgrades::toNewest($document), '', $faults);
        $fields->word('format', [Show::FORMAT]);
        $fields->whole('version', 1, Show::VERSION);
        $show = new Show(
            $fields->string('name'),
            self::byId($fields->objects('universes', 1024), UniverseReader::universe(...)),
            self::byId($fields->objects('ports', 512), PortReader::read(...)),
            self::byId($fields->objects('routes', 20000), RouteReader::read(...)),
            self::byId($fields->objects('copies', 2000), UniverseReader::copy(...)),
            $fields->whole('middleC', 3, 5, 4),
            self::byId($fields->objects('profiles', 1000), PatchReader::profile(...)),
            self::byId($fields->objects('fixtures', 5000), PatchReader::fixture(...)),
            self::byId($fields->objects('values', 2000), ValueReader::read(...)),
        );
        $fields->close();
        (new References($show, $faults))->check();
        $found = Upgrades::asWritten(array_values($faults->getArrayCopy()), $version);
        if ($found !== []) {
            throw ShowRefused::because($found);
        }

        return $show;
    }

    /**
     * @template T of object
     *
     * @param list<Fields> $objects
     * @param callable(Fields): T $read
     *
     * @return array<string, T>
     */
    private static function byId(array $objects, callable $read): array
    {
        $entries = [];
        foreach ($objects as $fields) {
            $id = $fields->id();
            if (isset($entries[$id])) {
                $fields->fault('id', "\"{$id}\" is used twice", 'Every id may be used once.');
            }
            $entries[$id] = $read($fields);
            $fields->close();
        }

        return $entries;
    }
}
