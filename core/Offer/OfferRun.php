<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\Placed;
use NimbleJunction\Core\Patch\Run;

/** What an offer takes of its universe: it stands in the patch as a fixture does. */
final readonly class OfferRun implements Run
{
    private Fixture $fixture;

    /** @var list<Placed> in their order */
    public array $placed;

    public function __construct(private Offer $offer)
    {
        $this->fixture = new Fixture(
            $offer->id,
            $offer->name,
            '',
            $offer->universe,
            $offer->first,
            sharesWith: $offer->sharesWith,
        );
        $placed = [];
        $at = 1;
        foreach ($offer->parameters as $one) {
            $parameter = new Parameter($one->name, $one->width, id: $one->id);
            $placed[] = new Placed($one->id, $one->name, $parameter, range($at, $at + $one->width - 1), '');
            $at += $one->width;
        }
        $this->placed = $placed;
    }

    public function fixture(): Fixture
    {
        return $this->fixture;
    }

    public function last(): int
    {
        return $this->fixture->first + $this->offer->width() - 1;
    }

    public function at(int $slot): ?Placed
    {
        foreach ($this->placed as $one) {
            if (\in_array($slot - $this->fixture->first + 1, $one->slots, true)) {
                return $one;
            }
        }

        return null;
    }

    public function wide(): array
    {
        return array_values(array_filter(
            array_map(static fn(Placed $one): array => $one->slots, $this->placed),
            static fn(array $slots): bool => \count($slots) > 1,
        ));
    }
}
