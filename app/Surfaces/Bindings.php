<?php

declare(strict_types=1);

namespace App\Surfaces;

/** A surface as it stands in a document, without points that are not there: what needs one of these goes with it. */
final class Bindings
{
    /** Fields of a control that hold lists of bindings. */
    private const LISTS = ['points', 'across', 'up'];

    /** Fields of a control that may be empty. */
    private const LOOSE = ['visible', 'enabled', 'longPress'];

    /** Kinds that are nothing without their point. */
    private const NEED_POINT = ['selector', 'meter', 'tempo', 'slots'];

    /** @var array<string, true> points that were left out */
    private array $left = [];

    /** @param \Closure(string): bool $isGone whether a point is not there */
    public function __construct(private readonly \Closure $isGone)
    {
    }

    /**
     * @param array<string, mixed> $surface
     *
     * @return array<string, mixed>
     */
    public function without(array $surface): array
    {
        $pages = $surface['pages'] ?? null;
        if (! \is_array($pages)) {
            return $surface;
        }
        foreach ($pages as $i => $page) {
            if (\is_array($page) && \is_array($page['controls'] ?? null)) {
                $pages[$i]['controls'] = array_values(array_filter(array_map($this->ofControl(...), $page['controls'])));
            }
        }

        return [...$surface, 'pages' => $pages];
    }

    /** @return list<string> points that were left out */
    public function left(): array
    {
        return array_map(strval(...), array_keys($this->left));
    }

    /** @return array<mixed>|null null where nothing is left of it */
    private function ofControl(mixed $control): ?array
    {
        if (! \is_array($control)) {
            return null;
        }
        foreach (self::LOOSE as $field) {
            if ($this->isGone($control[$field] ?? null)) {
                unset($control[$field]);
            }
        }
        $actions = $control['do'] ?? null;
        if (\is_array($actions)) {
            $control['do'] = array_values(array_filter(
                $actions,
                fn(mixed $action): bool => ! \is_array($action) || ! $this->isGone($action['point'] ?? null),
            ));
        }
        $does = $control['does'] ?? null;
        if (! \is_array($does)) {
            return $control;
        }
        foreach (self::LISTS as $field) {
            $bindings = $does[$field] ?? null;
            if (\is_array($bindings)) {
                $does[$field] = array_values(array_filter(
                    $bindings,
                    fn(mixed $one): bool => ! \is_array($one) || ! $this->isGone($one['point'] ?? null),
                ));
            }
        }
        foreach (['fixtures' => 'fixture', 'groups' => 'group'] as $field => $kind) {
            $ids = $does[$field] ?? null;
            if (\is_array($ids)) {
                $does[$field] = array_values(array_filter(
                    $ids,
                    fn(mixed $id): bool => ! \is_string($id) || ! $this->isGone("{$kind}:{$id}"),
                ));
            }
        }
        $shows = $does['shows'] ?? null;
        $tempo = \is_string($does['tempo'] ?? null) ? "tempo:{$does['tempo']}" : null;
        $universe = \is_string($does['universe'] ?? null) ? "slot:{$does['universe']}/1" : null;
        $lacks = $this->isGone($does['point'] ?? null)
            || $this->isGone(\is_array($shows) ? $shows['point'] ?? null : null)
            || $this->isGone($tempo)
            || $this->isGone($universe);
        if ($lacks && \in_array($does['kind'] ?? '', self::NEED_POINT, true)) {
            return null;
        }
        if ($lacks) {
            unset($does['point']);
        }
        if (($does['kind'] ?? '') === 'stepper' && ($does['points'] ?? []) === []) {
            return null;
        }

        return [...$control, 'does' => $does];
    }

    private function isGone(mixed $point): bool
    {
        if (! \is_string($point) || ! ($this->isGone)($point)) {
            return false;
        }
        $this->left[$point] = true;

        return true;
    }
}
