<?php

declare(strict_types=1);

namespace App\Shows;

use App\Database\OneMoment;
use App\Models\Show;
use App\Models\User;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Show\ShowReader;

/** All that a page needs of the current show, computed here; or what an edit has changed of it. */
final readonly class ShowPage
{
    public function __construct(private ShowStore $shows)
    {
    }

    /**
     * @param bool $withOtherEnds what has to be set at the other ends of all ports, too
     *
     * @return array<string, mixed>
     */
    public function assemble(?User $user = null, bool $withOtherEnds = true): array
    {
        // All of one moment: what others change meanwhile has another revision.
        return OneMoment::of(fn(): array => $this->assembled($user, $withOtherEnds));
    }

    /** @return array<string, mixed> */
    private function assembled(?User $user, bool $withOtherEnds): array
    {
        $document = $this->shows->document();
        $show = ShowReader::fromArray($document);
        $derived = new Derived($show);

        return [
            'document' => $document,
            ...$derived->ofRoutes($show->routes),
            ...($withOtherEnds ? ['otherEnds' => (object) $derived->otherEnds($show->ports)] : []),
            ...$derived->ofPorts($show->ports),
            ...$derived->ofUniverses($show->universes),
            'patch' => $derived->patchOf($show->universes),
            'footprints' => (object) PatchSheet::footprints($show->profiles),
            'adapters' => Derived::adapters(),
            ...$this->standing($user, $this->shows->current()->revision),
        ];
    }

    /**
     * What was changed, and all that a page shows otherwise because of it; for small edits this costs much less than all.
     *
     * @param int $revision the one that these changes end with: others may have changed more since, which a page has to ask for
     *
     * @return array<string, mixed>|null null where all has to be shown anew
     */
    public function changes(Amendment $amendment, int $base, int $revision, ?User $user = null): ?array
    {
        $show = $this->shows->current();
        $draft = new Draft($show);
        $affected = Affected::by($draft, $amendment);
        if ($affected === null) {
            return null;
        }
        $small = ShowReader::fromArray($affected->document());
        $derived = new Derived($small);
        $universes = array_intersect_key($small->universes, $affected->universes);

        return [
            'base' => $base,
            'changes' => Telling::update($show, $amendment)->toArray(),
            ...$derived->ofRoutes(array_intersect_key($small->routes, $affected->routes)),
            ...$derived->ofPorts(array_intersect_key($small->ports, $affected->ports)),
            ...$derived->ofUniverses($universes),
            'patch' => $derived->patchOf($universes),
            'footprints' => (object) PatchSheet::footprints($small->profiles),
            'patched' => array_map(strval(...), array_keys($affected->universes)),
            'adapters' => Derived::adapters(),
            ...$this->standing($user, $revision),
        ];
    }

    /**
     * @return list<array{side: string, label: string, value: string}>|null what has to be set at the other end of a port;
     * null when there is none
     */
    public function otherEnd(string $port): ?array
    {
        $around = new Neighbourhood(new Draft($this->shows->current()));
        $around->add('ports', [$port]);
        $around->addWhoNames('ports', [$port], ['routes', 'offers']);
        $around->addWhatIsNamed();
        // What listens there is said too.
        $around->addWhoNames('universes', $around->ids('universes'), ['fixtures', 'pixels', 'offers']);
        $around->addWhatIsNamed();
        $small = ShowReader::fromArray($around->isTooLarge ? $this->shows->document() : $around->document());

        return (new Derived($small))->otherEnds(array_intersect_key($small->ports, [$port => true]))[$port] ?? null;
    }

    /** @return array<string, mixed> which revision it is, and what undo and redo would do */
    private function standing(?User $user, int $revision): array
    {
        $edit = $this->shows->lastEdit($user);
        $undone = $this->shows->lastUndone($user);

        return [
            'revision' => $revision,
            'undo' => $edit?->summary,
            'undoBy' => $edit?->author(),
            'redo' => $undone?->summary,
            'redoBy' => $undone?->author(),
        ];
    }
}
