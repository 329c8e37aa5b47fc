<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Signal\Protocol;

/** Which points a show has, by its document alone. */
final class PointNames
{
    public const PORT_PARTS = ['alive', 'steady', 'troubled', 'enabled', 'rate'];
    private const ROUTE_PARTS = ['', 'enabled', 'fired', 'run', 'stop', 'show', 'solo'];

    public static function isThere(Show $show, Reference $reference): bool
    {
        return match ($reference->kind) {
            'slot', 'hold', 'arriving' => isset($show->universes[$reference->id]) && $reference->slot() !== null,
            'fixture' => self::isParameter($show, $reference),
            'group' => $show->patch()->having($reference->id, $reference->part) !== [],
            'light' => isset($show->fixtures[$reference->id]) && $reference->part === '',
            'pixels' => $show->pixels()->has($reference->id, (string) preg_replace('#/leaves$#D', '', $reference->part)),
            'dot' => isset($show->pixels[$reference->id]) && \in_array($reference->part, ['', 'speed'], true),
            'port' => isset($show->ports[$reference->id]) && \in_array($reference->part, self::PORT_PARTS, true),
            'midi' => self::isMidiControl($show, $reference),
            'route' => isset($show->routes[$reference->id]) && \in_array($reference->part, self::ROUTE_PARTS, true),
            'folder' => $reference->part === 'enabled' && self::isFolder($show, $reference->id),
            'offer' => $show->offered()->has($reference),
            'look', 'list', 'master', 'wave', 'tempo', 'programme' => $show->programme()->has($reference),
            'timeline', 'timecode' => $show->timelines()->has($reference),
            // Tapes are files of the machine, and not of the show.
            'tape' => true,
            'occasion', 'timetable' => $show->timetable()->has($reference),
            'panel' => $show->panels()->has($reference),
            'surface' => $show->surfaces()->has($reference),
            'value' => isset($show->values[$reference->id]) && $reference->part === '',
            default => false,
        };
    }

    private static function isMidiControl(Show $show, Reference $reference): bool
    {
        $port = $show->ports[$reference->id] ?? null;

        return $port?->send !== null && $port->protocol === Protocol::Midi && MidiControl::parse($reference->part) !== null;
    }

    private static function isFolder(Show $show, string $id): bool
    {
        foreach ($show->routes as $route) {
            if ($route->folder !== '' && Route::folderId($route->folder) === $id) {
                return true;
            }
        }

        return false;
    }

    private static function isParameter(Show $show, Reference $reference): bool
    {
        $fixture = $show->fixtures[$reference->id] ?? null;
        $profile = $fixture === null ? null : $show->profiles[$fixture->profileId] ?? null;
        $key = (string) preg_replace('#/leaves$#', '', $reference->part);

        return $fixture !== null && $profile?->mode($fixture->modeId)->footprint->find($key) !== null;
    }
}
