<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Edit\Clash;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\Reconciled;

/** A part that somebody else has changed since a form of it was opened: what it was, what is theirs, what is mine. */
final readonly class Conflict
{
    /**
     * @param string $list '' for the settings of the show
     * @param string $name of the part, as it was
     * @param string $by who changed it last
     * @param string $edit what that was
     * @param Change $theirs from what both had seen to what is stored now
     * @param Entry|null $mine what is asked for; null to delete it
     */
    public function __construct(
        public string $list,
        public string $id,
        public string $name,
        public string $by,
        public string $edit,
        public Change $theirs,
        public ?Entry $mine,
        public Reconciled $joined,
    ) {
    }

    public function isGone(): bool
    {
        return $this->theirs->is === null;
    }

    /** @return list<array{field: string, was: string, is: string}> what the other edit has changed */
    public function differences(): array
    {
        return Differences::between($this->theirs->was->part ?? [], $this->theirs->is->part ?? []);
    }

    public function words(): string
    {
        if ($this->isGone()) {
            return "\"{$this->name}\" has been deleted meanwhile, by {$this->by}.";
        }
        $words = array_map(
            static fn(array $one): string => "{$one['field']} was {$one['was']} and is {$one['is']}",
            $this->differences(),
        );

        return "\"{$this->name}\" has been changed meanwhile, by {$this->by} ({$this->edit}): ".implode('; ', $words).'.';
    }

    /**
     * Each field that one of both has changed, with the values of both; "both" where it was changed by both and otherwise.
     *
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        $clashes = array_map(static fn(Clash $clash): string => $clash->field, $this->joined->clashes);
        $fields = [];
        $was = $this->theirs->was->part ?? [];
        foreach (Differences::paths($was, $this->theirs->is->part ?? [], $this->mine->part ?? []) as $path) {
            $fields[] = [
                'field' => $path,
                'was' => Differences::at($was, $path),
                'theirs' => Differences::at($this->theirs->is->part ?? [], $path),
                'mine' => Differences::at($this->mine->part ?? [], $path),
                'both' => \in_array($path, $clashes, true),
            ];
        }

        return [
            'list' => $this->list,
            'id' => $this->id,
            'name' => $this->name,
            'by' => $this->by,
            'edit' => $this->edit,
            'gone' => $this->isGone(),
            'fields' => $fields,
            'theirs' => $this->theirs->is?->part,
            'mine' => $this->mine?->part,
            'joined' => $this->joined->entry?->part,
        ];
    }
}
