<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** A point is set; a person does not give a lamp levels of their own, but holds it. */
final readonly class SetPoint implements Order, InShowMode
{
    public function __construct(private ?Reference $point, private int|float|string $value)
    {
    }

    public static function kind(): string
    {
        return 'set';
    }

    public static function label(): string
    {
        return 'Set a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('value', 'To'),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $point = $reach->point($this->point);
        $held = match ($point->kind) {
            'fixture' => [
                'do' => 'hold-parameter',
                'fixture' => $point->id,
                'parameter' => $point->part,
                'value' => is_numeric($this->value)
                    ? $reach->engine->show()->patch()->find(
                        $point->id,
                        $point->part,
                    )?->placed->parameter->shareOf((float) $this->value)
                        ?? 0.0
                    : $this->value,
            ],
            'slot' => ['do' => 'hold', 'universe' => $point->id, 'slot' => (int) $point->part, 'level' => $this->value],
            default => null,
        };
        if ($point->kind === 'group' || $point->kind === 'pixels') {
            $this->holdAll($point, $reach);

            return null;
        }
        if ($held !== null) {
            return Orders::read($held)->obey($reach);
        }
        $reach->done($reach->engine->set($point, $this->value, $reach->act()));

        return null;
    }

    /** @throws CommandRefused */
    private function holdAll(Reference $point, Reach $reach): void
    {
        if (! is_numeric($this->value)) {
            throw new CommandRefused('A parameter has a number as its value.');
        }
        $together = new Together();
        foreach ($this->placements($point, $reach->engine->show()) as $placement) {
            $parameter = $placement->placed->parameter;
            if (! $parameter->neverDriven) {
                $together->add($placement, $parameter->value($parameter->shareOf((float) $this->value)));
            }
        }
        $together->hold($reach);
    }

    /** @return list<Placement> */
    private function placements(Reference $point, Show $show): array
    {
        if ($point->kind === 'pixels') {
            return $show->pixels()->placements($point->id, $point->part);
        }
        $ids = $show->patch()->having($point->id, $point->part);

        return array_values(array_filter(array_map(
            static fn(string $id): ?Placement => $show->patch()->find($id, $point->part),
            $ids,
        )));
    }
}
