<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Surface\Control;
use NimbleJunction\Core\Surface\Page;
use NimbleJunction\Core\Surface\Place;
use NimbleJunction\Core\Surface\Surface;
use NimbleJunction\Core\Surface\Turned;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\ControlLife;
use NimbleJunction\Engine\Said\ControlsNews;
use NimbleJunction\Engine\Said\SurfaceControl;
use NimbleJunction\Engine\Said\SurfaceNews;
use NimbleJunction\Engine\Said\SurfacePage;
use NimbleJunction\Engine\Said\SurfacePlace;
use NimbleJunction\Engine\Said\SurfaceTurned;
use NimbleJunction\Engine\Surfaces\Moment;

/** A surface: how it is built, and what its controls show. However many look at it, that is found out once. */
final class SurfaceTopic implements Topic, ForGuests
{
    private const HEART_NANOS = 500_000_000;

    /** What was found out within this time is still true enough for others. */
    private const TRUE_NANOS = 15_000_000;

    /** @var array<string, Moment> by surface */
    private array $moments = [];

    /** @var \WeakMap<Surface, SurfaceNews> a surface does not change: an edit makes another one */
    private \WeakMap $news;

    public function __construct(private readonly Junction $junction)
    {
        $this->news = new \WeakMap();
    }

    public static function name(): string
    {
        return 'surface';
    }

    public static function says(): array
    {
        return [SurfaceNews::class, ControlsNews::class];
    }

    public function everyNanos(): int
    {
        return 0;
    }

    public function isSubject(string $subject): bool
    {
        return preg_match('/^[a-z0-9][a-z0-9-]{0,59}$/D', $subject) === 1;
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $surface = $this->junction->plan()->surfaces->surfaces[$subject] ?? null;
        $news = $surface === null ? new SurfaceNews($subject, '', false, []) : $this->news[$surface] ??= self::built($surface);
        if ($view->isNew("surface {$subject}", $surface === null ? '' : (string) spl_object_id($news))) {
            $view->count("surface:{$subject}", 0);
            $client->tell($news);
        }
        $moment = $this->moment($subject, $surface, $now);
        $seen = $view->number("surface:{$subject}");
        // Now and then it says something in any case: a page that hears nothing knows that nobody is there.
        if ($view->isTime("heart {$subject}", $now, self::HEART_NANOS) || $seen < $moment->revision) {
            $client->tellWritten($moment->since($seen));
            $view->count("surface:{$subject}", $moment->revision);
        }
    }

    private function moment(string $id, ?Surface $surface, int $now): Moment
    {
        if ($surface === null) {
            unset($this->moments[$id]);

            return new Moment($id);
        }
        $moment = $this->moments[$id] ??= new Moment($id);
        if ($now - $moment->at >= self::TRUE_NANOS) {
            $moment->is($this->livesOf($surface), $now);
        }

        return $moment;
    }

    /** @return array<string, ControlLife> by id */
    private function livesOf(Surface $surface): array
    {
        $lives = [];
        $controls = $this->junction->controls;
        foreach ($surface->controls as $id => $control) {
            $shown = $controls->shown($surface->id, $control);
            $isSeen = $control->visible === null || $controls->isOn($control->visible);
            $canMove = $isSeen && ($control->enabled === null || $controls->isOn($control->enabled));
            $at = array_map(static fn(?float $one): ?float => $one === null ? null : round($one, 4), $shown->at ?? []);
            $lives[(string) $id] = new ControlLife(
                $at,
                $shown->text ?? '',
                $shown->isOn ?? false,
                $isSeen,
                $canMove,
                $controls->othersName($control),
            );
        }

        return $lives;
    }

    private static function built(Surface $surface): SurfaceNews
    {
        return new SurfaceNews($surface->id, $surface->name, $surface->kiosk, array_map(static fn(Page $page): SurfacePage => new SurfacePage(
            $page->id,
            $page->name,
            $page->columns,
            $page->rows,
            $page->flows,
            array_map(self::control(...), $page->controls),
            $page->turned === null ? null : self::turned($page->turned),
        ), $surface->pages));
    }

    private static function turned(Turned $turned): SurfaceTurned
    {
        $place = static fn(Place $one): SurfacePlace => new SurfacePlace(
            $one->control,
            $one->column,
            $one->row,
            $one->width,
            $one->height,
        );

        return new SurfaceTurned($turned->columns, $turned->rows, array_map($place, $turned->places));
    }

    private static function control(Control $control): SurfaceControl
    {
        return new SurfaceControl(
            $control->id,
            $control->does === null ? '' : $control->does::kind(),
            $control->name,
            $control->text,
            $control->size,
            $control->icon === 'none' ? '' : $control->icon,
            $control->column,
            $control->row,
            $control->width,
            $control->height,
            $control->colour,
            $control->ground,
            $control->colour === '' ? $control->ink : $control->inkOn($control->colour),
            $control->ground === '' ? $control->ink : $control->inkOn($control->ground),
            $control->showsValue,
            $control->longPress !== null,
            $control->does?->traits() ?? [],
        );
    }
}
