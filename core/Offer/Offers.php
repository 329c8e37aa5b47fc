<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;

/** All offers of a show. */
final readonly class Offers
{
    /** @param array<string, Offer> $all by id */
    public function __construct(public array $all = [])
    {
    }

    /** @return array<string, Route> by id: what they are when they run */
    public function routes(): array
    {
        $routes = [];
        foreach ($this->all as $offer) {
            foreach ($offer->routes as $route) {
                $routes[$route->id] = $route;
            }
        }

        return $routes;
    }

    /** @return list<OfferRun> what they take of universes */
    public function runs(): array
    {
        return array_values(array_filter(array_map(static fn(Offer $offer): ?OfferRun => $offer->run, $this->all)));
    }

    public function has(Reference $reference): bool
    {
        $offer = $this->all[$reference->id] ?? null;

        return $offer !== null && $offer->universe !== '' && isset($offer->byId[$reference->part]);
    }

    /** A parameter of one in words: "Night Walk, lanterns". */
    public function said(Reference $reference): string
    {
        $offer = $this->all[$reference->id] ?? null;
        $parameter = $offer->byId[$reference->part] ?? null;

        return $offer === null ? $reference->text() : "{$offer->name}, ".($parameter->name ?? $reference->part);
    }
}
