<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Edit;
use App\Models\Show;

/** The part of a show that an edit is about: whether somebody else has changed it since the editor looked. */
final readonly class Subject
{
    private function __construct(private string $list, private string $id)
    {
    }

    public static function part(string $list, string $id): self
    {
        return new self($list, $id);
    }

    /** The show's own settings. */
    public static function settings(): self
    {
        return new self('', '');
    }

    /**
     * @param list<self> $subjects
     * @param array<string, mixed> $now the document of now
     * @param int $base the revision that the editor had seen
     *
     * @throws OlderForm
     */
    public static function refuseIfAnyChanged(array $subjects, Show $show, array $now, int $base): void
    {
        /** @var Edit|null $first what came after that revision: it keeps the document from before it */
        $first = $show->edits()->where('revision', '>', $base)->orderBy('id')->first();
        /** @var Edit|null $last */
        $last = $show->edits()->orderByDesc('id')->first();
        foreach ($first === null || $last === null ? [] : $subjects as $subject) {
            $subject->refuseIfChanged($first->before, $now, $last);
        }
    }

    /**
     * @param array<string, mixed> $before the document that the editor had seen
     * @param array<string, mixed> $now the document of now
     *
     * @throws OlderForm
     */
    private function refuseIfChanged(array $before, array $now, Edit $last): void
    {
        $was = $this->in($before);
        $is = $this->in($now);
        if ($was === null || $was === $is) {
            return;
        }
        $name = $this->list === '' ? 'the show' : (\is_string($was['name'] ?? null) ? $was['name'] : $this->id);
        if ($is === null) {
            throw OlderForm::gone($name, $last->author());
        }

        throw OlderForm::of($name, $last->summary, $last->author(), Differences::between($was, $is));
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>|null
     */
    private function in(array $document): ?array
    {
        if ($this->list === '') {
            return array_intersect_key($document, ['name' => true, 'middleC' => true]);
        }
        foreach ($document[$this->list] ?? [] as $part) {
            if (($part['id'] ?? null) === $this->id) {
                return $part;
            }
        }

        return null;
    }
}
