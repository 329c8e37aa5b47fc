<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Panel\Panels;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Which page each panel is on: turned, all of it is told anew. */
final class PanelPages extends PlanRoom implements Room
{
    /** @var array<string, int> from 1, by panel */
    private array $pages = [];

    private int $acts = 0;

    /**
     * @param \Closure(Reference, int, int): void $changed a point has another value, and had this one
     * @param \Closure(list<string>): void $forget what the controls of these routes show is not known any more
     */
    public function __construct(private readonly \Closure $changed, private readonly \Closure $forget)
    {
        parent::__construct();
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        $pages = [];
        foreach (array_keys($plan->panels->panels) as $id) {
            $pages[(string) $id] = min($this->pages[$id] ?? 1, $plan->panels->pages((string) $id));
        }
        $this->pages = $pages;
    }

    public function kinds(): array
    {
        return ['panel'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->panels->has($reference)) {
            return null;
        }
        $name = "{$this->plan->panels->panels[$reference->id]->name}, {$reference->part}";

        return $reference->part === 'page'
            ? new Point(
                $reference,
                $name,
                PointKind::Number,
                1.0,
                (float) $this->plan->panels->pages($reference->id),
                isSet: true,
            )
            : new Point($reference, $name, PointKind::Press, isPressed: true);
    }

    public function read(Reference $reference): ?int
    {
        return $reference->part === 'page' ? $this->pages[$reference->id] ?? null : null;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        if (! $this->plan->panels->has($reference)) {
            return 'there is no such panel';
        }
        if ($reference->part !== 'page' || ! is_numeric($value)) {
            return $reference->part === 'page' ? 'it is the number of a page' : 'it can only be pressed';
        }
        $this->turn($reference->id, (int) $value);

        return '';
    }

    /** After the last page comes the first. */
    public function press(Reference $reference, Act $act, int $now): string
    {
        if (! $this->plan->panels->has($reference)) {
            return 'there is no such panel';
        }
        $page = $this->pages[$reference->id];
        $count = $this->plan->panels->pages($reference->id);

        return match ($reference->part) {
            'next' => $this->turn($reference->id, $page % $count + 1),
            'back' => $this->turn($reference->id, ($page + $count - 2) % $count + 1),
            'refresh' => $this->refresh($reference->id),
            default => 'a page is set, or pressed on and back',
        };
    }

    public function all(): iterable
    {
        foreach (array_keys($this->pages) as $id) {
            foreach (Panels::PARTS as $part) {
                $reference = Reference::parse("panel:{$id}/{$part}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    public function key(): string
    {
        return 'panels';
    }

    public function revisions(): array
    {
        return $this->acts === 0 ? [] : array_fill_keys(array_keys($this->pages), $this->acts);
    }

    public function kept(string $part, int $now): int
    {
        return $this->pages[$part] ?? 1;
    }

    public function restore(Stored $stored): void
    {
        foreach (array_map(strval(...), array_keys($this->pages)) as $id) {
            $this->pages[$id] = $stored->whole($id, 1, $this->plan->panels->pages($id)) ?? $this->pages[$id];
        }
    }

    private function turn(string $id, int $page): string
    {
        $before = $this->pages[$id] ?? 1;
        $page = max(1, min($this->plan->panels->pages($id), $page));
        $reference = Reference::parse("panel:{$id}/page");
        if ($page !== $before && $reference !== null) {
            $this->pages[$id] = $page;
            ++$this->acts;
            $this->refresh($id);
            ($this->changed)($reference, $page, $before);
        }

        return '';
    }

    private function refresh(string $id): string
    {
        ($this->forget)($this->plan->panels->routesOf($id));

        return '';
    }
}
