<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Offer\OfferedFunction;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;

/** What a desk says to what is offered to it, a parameter at its full width; nothing while nobody gives that universe. */
final class Offered extends PlanRoom
{
    public function __construct(private readonly Universes $universes)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['offer'];
    }

    public function notice(): Notice
    {
        return Notice::Levels;
    }

    public function slots(Reference $reference): array
    {
        $offer = $this->plan->offers->all[$reference->id] ?? null;

        return $offer === null || $offer->universe === '' ? ['', []] : [$offer->universe, $offer->slots($reference->part)];
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->offers->has($reference)) {
            return null;
        }
        $parameter = $this->plan->offers->all[$reference->id]->byId[$reference->part];
        $ranges = array_map(
            static fn(OfferedFunction $one): array => [
                (float) $one->first(),
                (float) $one->last($parameter->highest),
                $one->name(),
            ],
            $parameter->functions,
        );

        return new Point(
            $reference,
            $this->plan->offers->said($reference).', as it arrives',
            PointKind::Level,
            0.0,
            (float) $parameter->highest,
            ranges: $ranges,
        );
    }

    public function read(Reference $reference): ?int
    {
        [$universeId, $slots] = $this->slots($reference);
        $universe = $this->universes->find($universeId);
        $isGiven = $universe !== null && ($universe->control()->hasSenders() || ! $universe->layers()->areNone());
        if ($slots === [] || ! $isGiven) {
            return null;
        }
        $levels = $universe->merged();
        $value = 0;
        foreach ($slots as $slot) {
            $value = $value << 8 | \ord($levels[$slot]);
        }

        return $value;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        return 'what a desk says can only be read: set what is offered to it';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'what a desk says cannot be pressed';
    }

    public function all(): iterable
    {
        foreach ($this->plan->offers->all as $offer) {
            foreach (array_keys($offer->universe === '' ? [] : $offer->byId) as $id) {
                $reference = Reference::parse("offer:{$offer->id}/{$id}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
