<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Words;

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

    public function point(string $reference): string
    {
        $point = Reference::parse($reference);
        if ($point === null) {
            return $reference;
        }
        $show = $this->show;

        return match ($point->kind) {
            'slot' => "slot {$point->part} of ".($show->universes[$point->id]->name ?? $point->id),
            'hold' => "the hold on slot {$point->part} of ".($show->universes[$point->id]->name ?? $point->id),
            'fixture' => ($show->fixtures[$point->id]->name ?? $point->id).", {$point->part}",
            'port' => $this->port($point->id).", {$point->part}",
            'route' => '"'.($show->routes[$point->id]->name ?? $point->id).'"'.($point->part === '' ? '' : ", {$point->part}"),
            'value' => '"'.($show->values[$point->id]->name ?? $point->id).'"',
            default => $reference,
        };
    }

    public function middleC(): int
    {
        return $this->show->middleC;
    }
}
