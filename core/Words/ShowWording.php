<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

use NimbleJunction\Core\Message\MidiControl;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Show\Show;

/** What the parts of a show document are called. */
final readonly class ShowWording implements Wording
{
    public function __construct(private Show $show)
    {
    }

    public function port(string $id): string
    {
        return $this->show->ports[$id]->name ?? $id;
    }

    public function universe(string $id): string
    {
        return $this->show->universes[$id]->name ?? $id;
    }

    public function point(string $reference): string
    {
        $point = Reference::parse($reference);
        if ($point === null) {
            return $reference;
        }
        $show = $this->show;

        return match ($point->kind) {
            'slot' => $this->slot($point->id, (int) $point->part),
            'arriving' => 'what arrives at slot '.$point->part.' of '.($show->universes[$point->id]->name ?? $point->id),
            'hold' => 'the hold on '.$this->slot($point->id, (int) $point->part),
            'fixture' => $show->patch()
                ->find($point->id, $point->part)
                ?->name() ?? ($show->fixtures[$point->id]->name ?? $point->id).", {$point->part}",
            'group' => ($show->groups[$point->id]->name ?? $point->id).", {$point->part}",
            'light' => 'the light of '.($show->fixtures[$point->id]->name ?? $point->id),
            'pixels' => $show->pixels()->said($point->id, $point->part),
            'dot' => $show->pixels()->saidOfDot($point->id, $point->part),
            'port' => $this->port($point->id).", {$point->part}",
            'midi' => $this->port($point->id).', '.(MidiControl::parse($point->part)?->said() ?? $point->part),
            'route' => '"'.($show->routes[$point->id]->name ?? $point->id).'"'.($point->part === '' ? '' : ", {$point->part}"),
            'folder' => "the routes in \"{$point->id}\"",
            'offer' => 'what "'.$show->offered()->said($point).'" is told',
            'look', 'list', 'master', 'wave', 'tempo', 'programme' => $show->programme()->said($point),
            'timeline', 'timecode' => $show->timelines()->said($point),
            'occasion', 'timetable' => $show->timetable()->said($point),
            'value' => '"'.($show->values[$point->id]->name ?? $point->id).'"',
            default => $reference,
        };
    }

    /** @return string what listens there, and the slot; the slot alone where nothing is known to */
    public function slot(string $universeId, int $slot): string
    {
        $where = "slot {$slot} of ".($this->show->universes[$universeId]->name ?? $universeId);

        return $this->show->patch()->said($universeId, $slot, $where);
    }

    public function agreed(int $note, ?int $channel): string
    {
        return $this->show->agreed()->of($note, $channel);
    }

    public function middleC(): int
    {
        return $this->show->middleC;
    }
}
