<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kinds;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Document\Reading;
use NimbleJunction\Core\Offer\LevelFunction;
use NimbleJunction\Core\Offer\NumberFunction;
use NimbleJunction\Core\Offer\PressFunction;
use NimbleJunction\Core\Offer\SetFunction;
use NimbleJunction\Core\Panel\Handles;
use NimbleJunction\Core\Pixels\Layouts;
use NimbleJunction\Core\Programme\Follow\AfterFollow;
use NimbleJunction\Core\Programme\Follow\BeatFollow;
use NimbleJunction\Core\Programme\Follow\CompleteFollow;
use NimbleJunction\Core\Programme\Follow\TimecodeFollow;
use NimbleJunction\Core\Route\Kinds as RouteKinds;
use NimbleJunction\Core\Surface\ControlKinds;
use NimbleJunction\Core\Timeline\TrackKinds;
use NimbleJunction\Core\Timetable\DayMoments;

/** Reads a show document strictly: all of it is sound, or it is refused with every fault found. */
final class ShowReader
{
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
     * @param \Closure(): void|null $between called between two parts: whoever has other things to do does them then
     *
     * @throws ShowRefused
     */
    public static function fromArray(array $document, ?\Closure $between = null): Show
    {
        $between ??= static function (): void {
        };
        /** @var \ArrayObject<int, Fault> $faults */
        $faults = new \ArrayObject();
        $version = $document['version'] ?? null;
        $fields = new Fields(Upgrades::toNewest($document), '', $faults);
        $fields->word('format', [Show::FORMAT]);
        $fields->whole('version', 1, Show::VERSION);
        $name = $fields->string('name');
        $middleC = $fields->whole('middleC', 3, 5, 4);
        $lists = [];
        $kinds = self::kinds();
        foreach (Show::LISTS as $list => [$class, $most]) {
            $lists[$list] = self::byId($fields->objects($list, $most), $class, $kinds, $between);
        }
        $show = new Show($name, $middleC, $lists);
        $fields->close();
        (new References($show, $faults))->check($between);
        $found = Upgrades::asWritten(array_values($faults->getArrayCopy()), $version);
        if ($found !== []) {
            throw ShowRefused::because($found);
        }

        return $show;
    }

    /** All kinds of parts that a show document has. */
    public static function kinds(): Kinds
    {
        return new Kinds([
            ...RouteKinds::all()->kinds,
            'fromEnd' => [MessageFrom::class, SlotEnd::class],
            'toEnd' => [MessageTo::class, SlotEnd::class],
            'layout' => Layouts::ALL,
            'follow' => [AfterFollow::class, CompleteFollow::class, BeatFollow::class, TimecodeFollow::class],
            'handle' => Handles::ALL,
            'controlKind' => ControlKinds::ALL,
            'trackKind' => TrackKinds::ALL,
            'dayMoment' => DayMoments::ALL,
            'offeredFunction' => [LevelFunction::class, SetFunction::class, PressFunction::class, NumberFunction::class],
        ]);
    }

    /**
     * @param list<Fields> $objects
     * @param class-string<Part> $class
     * @param \Closure(): void $between
     *
     * @return array<string, Part>
     */
    private static function byId(array $objects, string $class, Kinds $kinds, \Closure $between): array
    {
        $entries = [];
        foreach ($objects as $fields) {
            $between();
            $entry = Reading::with($kinds)->part($fields, $class);
            $id = get_object_vars($entry)['id'] ?? null;
            $id = \is_string($id) ? $id : '';
            if (isset($entries[$id])) {
                $fields->fault('id', "\"{$id}\" is used twice", 'Every id may be used once.');
            }
            $entries[$id] = $entry;
            $fields->close();
        }

        return $entries;
    }
}
