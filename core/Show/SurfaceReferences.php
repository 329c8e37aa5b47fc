<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Panel\Panel;
use NimbleJunction\Core\Panel\Panels;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Surface\Surface;

/** Whether what the controls of a surface name is there. */
final readonly class SurfaceReferences
{
    public function __construct(private Show $show)
    {
    }

    /** @return list<Fault> */
    public function of(Surface $surface, string $path): array
    {
        return [...$this->ofPart($surface, $path), ...$this->ofGrips($surface, $path)];
    }

    /** @return list<Fault> */
    public function ofPanel(Panel $panel, string $path): array
    {
        $faults = isset($this->show->surfaces[$panel->surface])
            ? []
            : [new Fault(
                "{$path}/surface",
                "there is no surface \"{$panel->surface}\"",
                'Name the id of a surface of this show.',
            )];
        $port = $this->show->ports[$panel->oscPort] ?? null;
        if ($panel->oscPort !== '' && ($port?->protocol !== Protocol::Osc || $port->receive === null || $port->send === null)) {
            $faults[] = new Fault(
                "{$path}/oscPort",
                "\"{$panel->oscPort}\" is no OSC port that receives and sends",
                'Name the id of a port that speaks OSC both ways.',
            );
        }
        foreach ($panel->parts as $i => $part) {
            array_push(
                $faults,
                ...($part->when === null
                    ? []
                    : (new RouteReferences($this->show))->ofPart($part->when, "{$path}/parts/{$i}/when")),
            );
        }

        return $faults;
    }

    /**
     * Parts of panels that a surface names are parts of panels of this surface, and can move what they are to move.
     *
     * @return list<Fault>
     */
    private function ofGrips(Surface $surface, string $path): array
    {
        $faults = [];
        $parts = [];
        foreach ($this->show->panels as $panel) {
            $parts += $panel->surface === $surface->id ? $panel->byId : [];
        }
        foreach ($surface->pages as $i => $page) {
            foreach ($page->controls as $k => $control) {
                foreach ($control->hardware as $n => $grip) {
                    $part = $parts[$grip->part] ?? null;
                    $at = "{$path}/pages/{$i}/controls/{$k}/hardware/{$n}";
                    // A surface that comes in before its panel names what will be there.
                    if ($part !== null && ! Panels::fits($part, $control, $grip->moves)) {
                        $faults[] = new Fault(
                            $at,
                            "\"{$part->id}\" cannot move that of \"{$control->name}\"",
                            'A fader moves what has a level, a button what is pressed; a pad has across and up.',
                        );
                    }
                }
            }
        }

        return $faults;
    }

    /** @return list<Fault> of a part and of all that it holds */
    private function ofPart(Part $part, string $path): array
    {
        $faults = [];
        $values = get_object_vars($part);
        foreach ($part::fields() as $field) {
            $value = $values[$field->name] ?? null;
            if ($field->type() === 'tempo' && \is_string($value) && ! isset($this->show->tempos[$value])) {
                $known = implode(', ', \array_slice(array_keys($this->show->tempos), 0, 12)) ?: 'none yet';
                $faults[] = new Fault("{$path}/{$field->name}", "there is no tempo \"{$value}\"", "There are: {$known}.");
            }
            $known = match ($field->described()['of'] ?? '') {
                'fixture' => $this->show->fixtures,
                'group' => $this->show->groups,
                default => null,
            };
            foreach ($field->type() === 'ids' && $known !== null && \is_array($value) ? $value : [] as $i => $id) {
                if (\is_string($id) && ! isset($known[$id])) {
                    $faults[] = new Fault(
                        "{$path}/{$field->name}/{$i}",
                        "there is no such part \"{$id}\"",
                        'Name ids of this show.',
                    );
                }
            }
            array_push($faults, ...$this->ofValue($value, "{$path}/{$field->name}"));
        }

        return $faults;
    }

    /** @return list<Fault> */
    private function ofValue(mixed $value, string $path): array
    {
        if ($value instanceof Reference) {
            return PointNames::isThere($this->show, $value)
                ? []
                : [new Fault($path, "there is no point \"{$value->text()}\"", Reference::RULE)];
        }
        if ($value instanceof Action) {
            return (new RouteReferences($this->show))->ofPart($value, $path);
        }
        if ($value instanceof Part) {
            return $this->ofPart($value, $path);
        }
        $faults = [];
        foreach (\is_array($value) ? $value : [] as $i => $one) {
            array_push($faults, ...$this->ofValue($one, "{$path}/{$i}"));
        }

        return $faults;
    }
}
