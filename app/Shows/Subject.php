<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Show;
use NimbleJunction\Core\Edit\Amendment;
use NimbleJunction\Core\Edit\Change;
use NimbleJunction\Core\Edit\Entry;
use NimbleJunction\Core\Edit\Reconciled;

/** The part of a show that an edit is about: whether somebody else has changed it since the editor looked. */
final readonly class Subject
{
    private function __construct(public string $list, public string $id)
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

    /** @return list<self> every part that is changed or taken out */
    public static function allOf(Amendment $amendment): array
    {
        $subjects = $amendment->settings === [] ? [] : [self::settings()];
        foreach ($amendment->parts as $list => $changes) {
            foreach ($changes as $id => $change) {
                if ($change->was !== null) {
                    $subjects[] = new self($list, (string) $id);
                }
            }
        }

        return $subjects;
    }

    /**
     * @param list<self> $subjects
     * @param Draft $draft with what is asked for
     * @param int $base the revision that the editor had seen
     *
     * @throws OlderForm
     */
    public static function refuseIfAnyChanged(array $subjects, Draft $draft, int $base): void
    {
        if ($subjects === [] || $base >= $draft->show->revision) {
            return;
        }
        $since = EditLog::since($draft->show, $base);
        $conflicts = [];
        foreach ($subjects as $subject) {
            $change = $subject->changeIn($since, $draft->show);
            if ($change !== null) {
                $conflicts[] = $subject->conflict($change, $draft, $base);
            }
        }
        if ($conflicts !== []) {
            throw OlderForm::of($conflicts);
        }
    }

    /** What became of it since; null when nothing did, or when it was not there before. */
    private function changeIn(Amendment $since, Show $show): ?Change
    {
        if ($this->list !== '') {
            $change = $since->parts[$this->list][$this->id] ?? null;

            return $change === null || $change->was === null || ($change->is !== null && $change->was->part === $change->is->part)
                ? null
                : $change;
        }
        $now = ['name' => $show->name, 'middleC' => $show->middle_c];
        $was = [...$now, ...array_map(static fn(array $one): mixed => $one['was'], $since->settings)];

        return $was === $now ? null : new Change(new Entry(0, $was), new Entry(0, $now));
    }

    private function conflict(Change $change, Draft $draft, int $base): Conflict
    {
        $mine = $this->list === '' ? new Entry(0, self::settingsOf($draft)) : $draft->entry($this->list, $this->id);
        $joined = Reconciled::of($change->was, $mine, $change->is);
        $last = EditLog::lastThatChanged($draft->show, $this->list, $this->id, $base);

        return new Conflict(
            $this->list,
            $this->id,
            $this->list === '' ? 'the show' : $change->inverse()->name($this->id),
            $last?->author() ?? 'somebody else',
            $last->summary ?? '',
            $change,
            $mine,
            $joined,
        );
    }

    /** @return array<string, mixed> */
    private static function settingsOf(Draft $draft): array
    {
        $settings = ['name' => $draft->show->name, 'middleC' => $draft->show->middle_c];

        return [...$settings, ...array_map(static fn(array $one): mixed => $one['is'], $draft->amendment()->settings)];
    }
}
