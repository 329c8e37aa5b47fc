<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Edit\Entry;

/** Whose sentences, numbers and places are otherwise after an edit, with all the parts that these are made of. */
final class Affected
{
    /** An edit of more parts than this is shown as a whole show. */
    private const MOST = 50;

    /** @var array<string, true> by id */
    public array $routes = [];

    /** @var array<string, true> by id */
    public array $ports = [];

    /** @var array<string, true> by id */
    public array $universes = [];

    private function __construct(private readonly Draft $draft, private readonly Neighbourhood $around)
    {
    }

    /**
     * @param Draft $draft of the show after the edit, with nothing drafted
     *
     * @return self|null null where it is too much to look for
     */
    public static function by(Draft $draft, Amendment $amendment): ?self
    {
        // What notes are called stands everywhere.
        if ($amendment->count() > self::MOST || isset($amendment->settings['middleC']) || isset($amendment->parts['notes'])) {
            return null;
        }
        $affected = new self($draft, new Neighbourhood($draft));
        foreach ($amendment->parts as $list => $changes) {
            $affected->add($list, $changes);
        }
        $affected->ports = array_fill_keys($affected->around->ids('ports'), true);
        foreach ($amendment->parts as $list => $changes) {
            foreach ($changes as $change) {
                $affected->addNamed($list, ...array_filter([$change->was, $change->is]));
            }
        }
        $affected->spread(
            array_intersect_key($amendment->parts, ['fixtures' => 0, 'profiles' => 0, 'pixels' => 0, 'offers' => 0]) !== [],
        );

        return $affected->around->isTooLarge ? null : $affected;
    }

    /** @return array<string, mixed> a show document of all the parts that it takes */
    public function document(): array
    {
        return $this->around->document();
    }

    /** @param array<string, Change> $changes by id */
    private function add(string $list, array $changes): void
    {
        $ids = array_map(strval(...), array_keys($changes));
        $this->around->add($list, $ids);
        $this->around->addWhoNames($list, array_values(array_filter(
            $ids,
            static fn(string $id): bool => Neighbourhood::matters($list, $changes[$id]->was, $changes[$id]->is),
        )));
    }

    /** Universes that a part names, or named before: what a page says of them is otherwise too. */
    private function addNamed(string $list, Entry ...$entries): void
    {
        foreach (\in_array($list, ['ports', 'fixtures', 'universes', 'pixels', 'offers'], true) ? $entries : [] as $entry) {
            $named = $this->draft->existing('universes', Neighbourhood::words($entry->part));
            $this->around->add('universes', $named);
            $this->universes += array_fill_keys($named, true);
        }
    }

    /** @param bool $isPatched whether slots have other names: routes say what listens there */
    private function spread(bool $isPatched): void
    {
        foreach ($this->around->ids('fixtures') as $id) {
            $this->universes += array_fill_keys([$this->draft->part('fixtures', $id)['universe'] ?? ''], true);
        }
        foreach ($this->around->ids('offers') as $id) {
            $this->universes += array_fill_keys(array_filter([$this->draft->part('offers', $id)['universe'] ?? '']), true);
        }
        foreach ($this->around->ids('pixels') as $id) {
            $this->universes += array_fill_keys((array) ($this->draft->part('pixels', $id)['universes'] ?? []), true);
        }
        $universes = array_map(strval(...), array_keys($this->universes));
        $this->around->addWhoNames('universes', $universes, $isPatched ? ['routes'] : []);
        $this->routes = array_fill_keys($this->around->ids('routes'), true);
        // The numbers of a universe are those of its ports.
        $this->around->addWhoNames('universes', $universes, ['ports', 'fixtures', 'pixels', 'offers']);
        $this->around->addWhatIsNamed();
        $this->around->addWhoNames(
            'universes',
            array_values(array_diff($this->around->ids('universes'), $universes)),
            ['fixtures', 'pixels', 'offers'],
        );
        $this->around->addWhatIsNamed();
    }
}
