<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Pixels\PixelRun;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Show\RouteEntry;
use NimbleJunction\Core\Show\Show;

/**
 * What a route runs between: the ports that it hears and speaks at, the universes that it looks at and sets. Found by
 * the descriptions of its parts.
 */
final class RouteEnds
{
    /** @var array<string, true> */
    private array $hears = [];

    /** @var array<string, true> */
    private array $says = [];

    /** @var array<string, true> */
    private array $looks = [];

    /** @var array<string, true> */
    private array $sets = [];

    /** @var array<string, true> addresses of messages that it waits for */
    private array $addresses = [];

    private function __construct(private readonly Show $show)
    {
    }

    /**
     * @return array<'hears'|'says'|'looks'|'sets'|'addresses', list<string>> ids of ports, ports, universes, universes;
     *                         addresses at the ports that it hears
     */
    public static function of(RouteEntry $entry, Show $show): array
    {
        $ends = new self($show);
        if ($entry->ends !== null && ! $entry->ends->fromMessage) {
            $ends->looks[$entry->ends->slot->universe] = true;
            $ends->says[$entry->ends->message->port] = true;
        } elseif ($entry->route !== null) {
            $ends->ofRoute($entry->route);
        }

        return [
            'hears' => self::names($ends->hears),
            'says' => self::names($ends->says),
            'looks' => self::names($ends->looks),
            'sets' => self::names($ends->sets),
            'addresses' => self::names($ends->addresses),
        ];
    }

    /**
     * @param array<string, true> $set
     *
     * @return list<string> an id of digits alone is a whole number to PHP
     */
    private static function names(array $set): array
    {
        return array_map(strval(...), array_keys($set));
    }

    private function ofRoute(Route $route): void
    {
        foreach ($route->triggers as $trigger) {
            $this->ofPart($trigger, true);
            foreach ($trigger->keys() as $key) {
                [$place, $address] = explode(' ', $key, 2);
                if ($place[0] !== '*') {
                    $this->addresses[str_replace(Heard::ANY, '', $address)] = true;
                }
            }
        }
        foreach ($route->conditions as $condition) {
            $this->ofPart($condition, true);
        }
        foreach ($route->actions as $action) {
            $this->ofPart($action, false);
        }
    }

    private function ofPart(Kind $part, bool $isCause): void
    {
        foreach ($part::fields() as $field) {
            $value = ((array) $part)[$field->name] ?? null;
            if ($field->type() === 'port' && \is_string($value)) {
                $part instanceof Trigger ? $this->hears[$value] = true : $this->says[$value] = true;
            } elseif ($field->type() === 'universe' && \is_string($value)) {
                $this->looks[$value] = true;
            } elseif ($value instanceof Reference) {
                $this->ofPoint($value, $isCause);
            }
            foreach (\is_array($value) ? $value : [] as $one) {
                if ($one instanceof Kind) {
                    $this->ofPart($one, $isCause);
                }
            }
        }
    }

    private function ofPoint(Reference $reference, bool $isCause): void
    {
        $universes = match ($reference->kind) {
            'slot', 'hold', 'arriving' => [$reference->id],
            'fixture', 'light' => [$this->show->fixtures[$reference->id]->universeId ?? ''],
            'group' => array_map(
                fn(string $id): string => $this->show->fixtures[$id]->universeId ?? '',
                $this->show->patch()->having($reference->id, $reference->part),
            ),
            'pixels', 'dot' => array_map(
                static fn(PixelRun $run): string => $run->fixture()->universeId,
                $this->show->pixels()->of($reference->id),
            ),
            default => [],
        };
        foreach (array_filter($universes) as $universe) {
            $isCause ? $this->looks[$universe] = true : $this->sets[$universe] = true;
        }
    }
}
