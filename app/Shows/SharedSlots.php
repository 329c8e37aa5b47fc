<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Patching\Overlaps;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** An edit that lays two fixtures on the same slots is refused until somebody says that it is meant. Those that were there before may stay. */
final class SharedSlots
{
    /** What decides which slots a fixture has, and with whom. */
    private const PLACE = ['profile' => 0, 'mode' => 0, 'universe' => 0, 'first' => 0, 'sharesWith' => 0];
    private const NAMED = 5;

    /** @throws ShowRefused */
    public static function check(Draft $draft, Amendment $amendment): void
    {
        $touched = array_keys(array_filter($amendment->parts['fixtures'] ?? [], self::isPlaced(...)));
        $profiles = array_map(
            strval(...),
            array_keys(array_filter(
                $amendment->parts['profiles'] ?? [],
                static fn(Change $change): bool => $change->was !== null && $change->is !== null,
            )),
        );
        if ($touched === [] && $profiles === []) {
            return;
        }
        $show = self::show($draft, array_map(strval(...), $touched), $profiles);
        $ids = array_map(strval(...), $touched);
        foreach ($show->fixtures as $id => $fixture) {
            if (\in_array($fixture->profileId, $profiles, true)) {
                $ids[] = (string) $id;
            }
        }
        $faults = [];
        $before = self::before($draft, $show);
        foreach (Overlaps::unmeant($show->patch(), array_values(array_unique($ids))) as [$one, $other, $first, $last]) {
            if (\in_array([$one->id, $other->id], $before, true) || \in_array([$other->id, $one->id], $before, true)) {
                continue;
            }
            $place = (int) array_search($one->id, $draft->ids('fixtures'), true);
            $slots = $first === $last ? "slot {$first}" : "slots {$first} to {$last}";
            $next = $show->patch()->nextFree($one->universeId, $show->patch()->footprint($one)->slots, $one->id);
            $faults[] = new Fault(
                "/fixtures/{$place}/first",
                "\"{$one->name}\" would share {$slots} with \"{$other->name}\"",
                ($next === null ? 'There is no room for it in this universe.' : "{$next} is the next free address.").' If it is meant, say that it shares slots on purpose.',
            );
        }
        if ($faults !== []) {
            throw ShowRefused::because(\array_slice($faults, 0, self::NAMED));
        }
    }

    private static function isPlaced(Change $change): bool
    {
        return $change->is !== null
            && array_intersect_key($change->was->part ?? [], self::PLACE) !== array_intersect_key($change->is->part, self::PLACE);
    }

    /**
     * The fixtures in question with all that are in their universes.
     *
     * @param list<string> $fixtures
     * @param list<string> $profiles
     */
    private static function show(Draft $draft, array $fixtures, array $profiles): Show
    {
        $around = new Neighbourhood($draft);
        $around->add('fixtures', $fixtures);
        $around->addWhoNames('profiles', $profiles, ['fixtures']);
        $universes = [];
        foreach ($around->ids('fixtures') as $id) {
            $universe = $draft->part('fixtures', $id)['universe'] ?? null;
            if (\is_string($universe)) {
                $universes[$universe] = true;
            }
        }
        $around->addWhoNames('universes', array_map(strval(...), array_keys($universes)), ['fixtures']);
        $around->addWhatIsNamed();

        return ShowReader::fromArray($around->isTooLarge ? $draft->document() : $around->document());
    }

    /** @return list<array{string, string}> pairs that shared slots before the edit, as far as both are there still */
    private static function before(Draft $draft, Show $after): array
    {
        $was = new Draft($draft->show);
        $around = new Neighbourhood($was);
        $around->add(
            'fixtures',
            array_values(array_filter(
                array_map(strval(...), array_keys($after->fixtures)),
                static fn(string $id): bool => $was->entry('fixtures', $id) !== null,
            )),
        );
        $around->addWhatIsNamed();
        $show = ShowReader::fromArray($around->document());

        return array_map(
            static fn(array $pair): array => [$pair[0]->id, $pair[1]->id],
            Overlaps::unmeant($show->patch(), array_map(strval(...), array_keys($show->fixtures))),
        );
    }
}
