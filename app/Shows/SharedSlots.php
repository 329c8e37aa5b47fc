<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Run;
use NimbleJunction\Core\Patching\Overlaps;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/**
 * An edit that lays two fixtures, a pixel map or an offer on the same slots is refused until somebody says that it is meant. Those
 * that were there before may stay.
 */
final class SharedSlots
{
    /** What decides which slots a fixture has, and with whom. */
    private const PLACE = ['profile' => 0, 'mode' => 0, 'universe' => 0, 'first' => 0, 'sharesWith' => 0];
    private const PIXELS = [
        'layout' => 0,
        'order' => 0,
        'universes' => 0,
        'first' => 0,
        'perUniverse' => 0,
        'split' => 0,
        'gaps' => 0,
        'sharesWith' => 0,
    ];
    private const OFFER = ['universe' => 0, 'first' => 0, 'parameters' => 0, 'sharesWith' => 0];
    private const NAMED = 5;

    /** Lists of what has no profile. */
    private const RUNS = ['pixels', 'offers'];

    /** @throws ShowRefused */
    public static function check(Draft $draft, Amendment $amendment): void
    {
        $touched = self::placed($amendment->parts['fixtures'] ?? [], self::PLACE);
        $runs = [
            'pixels' => self::placed($amendment->parts['pixels'] ?? [], self::PIXELS),
            'offers' => self::placed($amendment->parts['offers'] ?? [], self::OFFER),
        ];
        $profiles = array_map(
            strval(...),
            array_keys(array_filter(
                $amendment->parts['profiles'] ?? [],
                static fn(Change $change): bool => $change->was !== null && $change->is !== null,
            )),
        );
        if ($touched === [] && $profiles === [] && array_filter($runs) === []) {
            return;
        }
        $show = self::show($draft, $touched, $profiles, $runs);
        $ids = $touched;
        foreach ($show->fixtures as $id => $fixture) {
            if (\in_array($fixture->profileId, $profiles, true)) {
                $ids[] = (string) $id;
            }
        }
        $faults = [];
        $unmeant = Overlaps::unmeant(
            $show->patch(),
            array_values(array_unique($ids)),
            self::runs($show, [...$runs['pixels'], ...$runs['offers']]),
        );
        // What was there before matters only where something is wrong now.
        $before = $unmeant === [] ? [] : self::before($draft, $show);
        foreach ($unmeant as [$one, $other, $first, $last]) {
            if (\in_array(self::pair($one, $other), $before, true)) {
                continue;
            }
            $list = $one->profileId !== '' ? 'fixtures' : (isset($show->offers[$one->id]) ? 'offers' : 'pixels');
            $place = (int) array_search($one->id, $draft->ids($list), true);
            $slots = $first === $last ? "slot {$first}" : "slots {$first} to {$last}";
            $patch = $show->patch();
            $next = $patch->nextFree($one->universeId, $patch->lastSlot($one) - $one->first + 1, $one->id);
            $faults[] = new Fault(
                "/{$list}/{$place}/first",
                "\"{$one->name}\" would share {$slots} with \"{$other->name}\"",
                ($next === null ? 'There is no room for it in this universe.' : "{$next} is the next free address.")
                    .' If it is meant, say that it shares slots on purpose.',
            );
        }
        if ($faults !== []) {
            throw ShowRefused::because(\array_slice($faults, 0, self::NAMED));
        }
    }

    /**
     * @param array<Change> $changes by id
     * @param array<string, int> $deciding what decides which slots it has, and with whom
     *
     * @return list<string> ids of those that have other slots
     */
    private static function placed(array $changes, array $deciding): array
    {
        $placed = array_filter($changes, static fn(Change $change): bool => $change->is !== null
            && array_intersect_key($change->was->part ?? [], $deciding) !== array_intersect_key($change->is->part, $deciding));

        return array_map(strval(...), array_keys($placed));
    }

    /**
     * @param list<string> $ids of pixel maps and offers
     *
     * @return list<Fixture> what they take of each universe
     */
    private static function runs(Show $show, array $ids): array
    {
        $fixtures = array_map(static fn(Run $run): Fixture => $run->fixture(), $show->runs());

        return array_values(array_filter($fixtures, static fn(Fixture $of): bool => \in_array($of->id, $ids, true)));
    }

    /** @return list<string> the two in one order */
    private static function pair(Fixture $one, Fixture $other): array
    {
        // What has no profile is a pixel map or an offer, and no two of these are called alike; which profile a fixture has
        // does not matter: it may be another one now.
        $pair = array_map(
            static fn(Fixture $of): string => ($of->profileId === '' ? 'run ' : 'fixtures ').$of->id,
            [$one, $other],
        );
        sort($pair);

        return $pair;
    }

    /**
     * The fixtures, pixel maps and offers in question with all that are in their universes.
     *
     * @param list<string> $fixtures
     * @param list<string> $profiles
     * @param array<string, list<string>> $runs ids of pixel maps and of offers, by list
     */
    private static function show(Draft $draft, array $fixtures, array $profiles, array $runs): Show
    {
        $around = new Neighbourhood($draft);
        $around->add('fixtures', $fixtures);
        foreach ($runs as $list => $ids) {
            $around->add($list, $ids);
        }
        $around->addWhoNames('profiles', $profiles, ['fixtures']);
        $universes = [];
        foreach (['fixtures', 'offers'] as $list) {
            foreach ($around->ids($list) as $id) {
                $universe = $draft->part($list, $id)['universe'] ?? null;
                if (\is_string($universe) && $universe !== '') {
                    $universes[$universe] = true;
                }
            }
        }
        foreach ($around->ids('pixels') as $id) {
            $named = $draft->part('pixels', $id)['universes'] ?? [];
            $universes += array_fill_keys(array_filter(\is_array($named) ? $named : [], is_string(...)), true);
        }
        $around->addWhoNames('universes', array_map(strval(...), array_keys($universes)), ['fixtures', ...self::RUNS]);
        $around->addWhatIsNamed();

        return ShowReader::fromArray($around->isTooLarge ? $draft->document() : $around->document());
    }

    /** @return list<list<string>> pairs that shared slots before the edit, as far as both are there still */
    private static function before(Draft $draft, Show $after): array
    {
        $was = new Draft($draft->show);
        $around = new Neighbourhood($was);
        foreach (['fixtures', ...self::RUNS] as $list) {
            $ids = array_map(strval(...), array_keys($after->list($list)));
            $around->add(
                $list,
                array_values(array_filter($ids, static fn(string $id): bool => $was->entry($list, $id) !== null)),
            );
        }
        $around->addWhatIsNamed();
        $show = ShowReader::fromArray($around->document());

        return array_map(
            static fn(array $pair): array => self::pair($pair[0], $pair[1]),
            Overlaps::unmeant(
                $show->patch(),
                array_map(strval(...), array_keys($show->fixtures)),
                self::runs($show, array_map(strval(...), array_keys([...$show->pixels, ...$show->offers]))),
            ),
        );
    }
}
