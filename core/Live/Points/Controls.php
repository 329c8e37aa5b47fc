<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;
use NimbleJunction\Core\Surface\Control;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;
use NimbleJunction\Core\Surface\Surfaces;

/**
 * Controls of surfaces: moved by whoever touches them, they move what they are bound to. What is bound to nothing keeps
 * its own place, and is there for routes.
 */
final class Controls extends PlanRoom implements Room
{
    private const LONGEST_TEXT = 1000;

    /** @var array<string, array<string, int|float|string>> what controls keep themselves, by "surface/control" and part */
    private array $own = [];

    private int $acts = 0;

    /**
     * @param \Closure(Reference, int|float|string|null, int|float|string|null): void $changed a point has another value, and had this one
     * @param \Closure(Reference): void $pressed
     */
    public function __construct(
        private readonly Points $points,
        private readonly \Closure $changed,
        private readonly \Closure $pressed,
    ) {
        parent::__construct();
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        foreach (array_keys($this->own) as $place) {
            $reference = Reference::parse("surface:{$place}");
            if ($reference === null || $plan->surfaces->control($reference) === null) {
                unset($this->own[$place]);
            }
        }
    }

    /** What a control shows now; null where there is none. */
    public function shown(string $surface, Control $control): ?Shown
    {
        return $control->does?->shown($this->hand($surface, $control, '', 0));
    }

    /** What stands on a control, without its value: the name of what it moves is that of now. */
    public function nameOf(Control $control): string
    {
        $words = $control->text === '' ? $control->name : trim(str_replace('{value}', '', $control->text));

        return str_replace(Control::OTHERS_NAME, $this->othersName($control), $words);
    }

    /** @return string what is called by {name} on a control; '' where that does not stand there */
    public function othersName(Control $control): string
    {
        $first = str_contains($control->text, Control::OTHERS_NAME) ? $control->first() : null;

        return $first === null ? '' : $this->called($first);
    }

    /** What a thing is called by itself: a look, a master, a fixture. */
    private function called(Reference $point): string
    {
        $programme = $this->plan->programme;
        $named = match ($point->kind) {
            'look' => $programme->looks,
            'list' => $programme->lists,
            'master' => $programme->masters,
            'wave' => $programme->waves,
            'tempo' => $programme->tempos,
            'fixture' => $this->plan->patch->fixtures,
            'group' => $this->plan->patch->groups->groups,
            'value' => $this->plan->values,
            default => [],
        };

        return $named[$point->id]->name ?? $this->points->describe($point)->name ?? '';
    }

    /** Whether a point is on, for what is seen or can be moved only then. */
    public function isOn(Reference $point): bool
    {
        $value = $this->points->read($point);

        return is_numeric($value) ? (float) $value > 0.0 : $value !== null && $value !== '';
    }

    public function kinds(): array
    {
        return ['surface'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        $control = $this->plan->surfaces->control($reference);
        $kind = $control?->parts()[Surfaces::part($reference)] ?? null;
        if ($control === null || $kind === null) {
            return null;
        }
        $surface = $this->plan->surfaces->surfaces[$reference->id]->name;
        $part = Surfaces::part($reference);
        $name = "{$surface}: {$control->name}".($part === '' ? '' : ", {$part}");

        return match ($kind) {
            PointKind::Switch => new Point($reference, $name, $kind, isSet: true, isPressed: true),
            PointKind::Press => new Point($reference, $name, $kind, isPressed: true),
            PointKind::Text => new Point(
                $reference,
                $name,
                $kind,
                isSet: ! \in_array($part, [Control::TEXT, Control::NAME], true),
            ),
            default => new Point($reference, $name, $kind, $kind === PointKind::Number ? -100.0 : 0.0, 100.0, '%', isSet: true),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $control = $this->plan->surfaces->control($reference);
        $kind = $control?->parts()[Surfaces::part($reference)] ?? null;
        $shown = $control === null || $kind === null ? null : $this->shown($reference->id, $control);
        if ($control === null || $shown === null) {
            return null;
        }
        $place = array_search(Surfaces::part($reference), array_keys($control->does?->axes() ?? []), true);
        $share = $place === false ? null : $shown->at[$place] ?? null;

        return match ($kind) {
            PointKind::Switch => (int) $shown->isOn,
            PointKind::Level => $share === null ? null : round(100 * $share, 6),
            PointKind::Text => Surfaces::part($reference) === Control::NAME ? $this->nameOf($control) : $shown->text,
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $control = $this->plan->surfaces->control($reference);
        $kind = $control?->parts()[Surfaces::part($reference)] ?? null;
        if ($control?->does === null || $kind === null) {
            return 'there is no such control';
        }
        if (\in_array(Surfaces::part($reference), [Control::TEXT, Control::NAME], true)) {
            return 'it is what the control shows, and cannot be set';
        }
        $before = $this->read($reference);
        $hand = $this->hand($reference->id, $control, $act->name, $now);
        $refusal = $this->locked($control) ?: $control->does->move(Surfaces::part($reference), $value, $hand);
        $this->keep($reference->id, $hand);
        $after = $this->read($reference);
        if ($refusal === '' && ($after !== $before || $kind === PointKind::Text)) {
            ($this->changed)($reference, $after, $before);
        }
        if ($refusal === '' && $kind === PointKind::Switch && is_numeric($value) && (float) $value > 0.0) {
            ($this->pressed)($reference);
        }

        return $refusal;
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $control = $this->plan->surfaces->control($reference);
        $part = Surfaces::part($reference);
        if ($control?->does === null || ! isset($control->parts()[$part])) {
            return 'there is no such control';
        }
        $before = $this->read($reference);
        $hand = $this->hand($reference->id, $control, $act->name, $now);
        $press = static fn(): string => $part === Control::LONG && $control->longPress !== null
            ? $hand->press($control->longPress)
            : $control->does->press($part, $hand);
        $refusal = $this->locked($control) ?: $press();
        $this->keep($reference->id, $hand);
        $after = $this->read($reference);
        if ($refusal === '' && $after !== $before) {
            ($this->changed)($reference, $after, $before);
        }

        return $refusal;
    }

    public function all(): iterable
    {
        foreach ($this->plan->surfaces->surfaces as $surface) {
            foreach ($surface->controls as $control) {
                foreach (array_keys($control->parts()) as $part) {
                    $reference = Reference::parse("surface:{$surface->id}/{$control->id}".($part === '' ? '' : "/{$part}"));
                    if ($reference !== null) {
                        yield $reference;
                    }
                }
            }
        }
    }

    public function key(): string
    {
        return 'controls';
    }

    public function revisions(): array
    {
        return $this->acts === 0 ? [] : array_fill_keys(array_keys($this->own), $this->acts);
    }

    public function kept(string $part, int $now): array
    {
        return $this->own[$part] ?? [];
    }

    public function restore(Stored $stored): void
    {
        foreach ($this->plan->surfaces->surfaces as $surface) {
            foreach ($surface->controls as $control) {
                $kept = $stored->part("{$surface->id}/{$control->id}");
                foreach (array_keys($control->parts()) as $part) {
                    $value = $kept->scalar($part);
                    if ($value !== null && mb_strlen((string) $value) <= self::LONGEST_TEXT) {
                        $this->own["{$surface->id}/{$control->id}"][$part] = $value;
                    }
                }
            }
        }
    }

    private function hand(string $surface, Control $control, string $name, int $now): Hand
    {
        return new Hand($this->points, $control, $name, $now, $this->plan->patch, $this->own["{$surface}/{$control->id}"] ?? []);
    }

    private function keep(string $surface, Hand $hand): void
    {
        $place = "{$surface}/{$hand->control->id}";
        if ($hand->own !== ($this->own[$place] ?? [])) {
            $this->own[$place] = $hand->own;
            ++$this->acts;
        }
    }

    /** Why it cannot be touched now; '' where it can. */
    private function locked(Control $control): string
    {
        foreach ([$control->visible, $control->enabled] as $point) {
            if ($point !== null && ! $this->isOn($point)) {
                return "it can be moved only while {$this->points->describe($point)?->name} is on";
            }
        }

        return '';
    }
}
