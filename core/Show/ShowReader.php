<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

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
        $fields = new Fields($document, '', $faults);
        $fields->word('format', [Show::FORMAT]);
        $fields->whole('version', Show::VERSION, Show::VERSION);
        $show = new Show(
            $fields->string('name'),
            self::byId($fields->objects('universes', 1024), SlotReader::universe(...)),
            self::byId($fields->objects('ports', 512), PortReader::read(...)),
            self::byId($fields->objects('routes', 20000), self::route(...)),
            self::byId($fields->objects('ranges', 2000), SlotReader::range(...)),
            $fields->whole('middleC', 3, 5, 4),
            self::byId($fields->objects('profiles', 1000), PatchReader::profile(...)),
            self::byId($fields->objects('fixtures', 5000), PatchReader::fixture(...)),
        );
        $fields->close();
        (new References($show, $faults))->check();
        $found = array_values($faults->getArrayCopy());
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

    private static function route(Fields $fields): RouteEntry
    {
        $from = $fields->object('from');
        $to = $fields->object('to');
        $fromMessage = $from === null || $from->word('kind', ['message', 'slot']) === 'message';
        if ($to !== null) {
            $to->word('kind', [$fromMessage ? 'slot' : 'message']);
        }
        $message = $fromMessage ? $from : $to;
        $slot = $fromMessage ? $to : $from;
        $route = new RouteEntry(
            $fields->id(),
            $fields->string('name'),
            $fields->flag('enabled', true),
            $fromMessage,
            $message === null ? new MessageEnd('', '', 1, 'float', 0.0, 1.0) : new MessageEnd(
                $message->id('port'),
                $message->matching('address', self::ADDRESS_PATTERN, self::ADDRESS_RULE),
                $fromMessage ? $message->whole('argument', 1, 64, 1) : 1,
                $fromMessage ? 'float' : $message->word('type', ['float', 'int'], 'float'),
                $message->number('low', 0.0),
                $message->number('high', 1.0),
            ),
            $slot === null ? new SlotEnd('', 1, 0, 255) : new SlotEnd(
                $slot->id('universe'),
                $slot->whole('slot', 1, 512),
                $slot->whole('low', 0, 255, 0),
                $slot->whole('high', 0, 255, 255),
            ),
        );
        $from?->close();
        $to?->close();

        return $route;
    }
}
