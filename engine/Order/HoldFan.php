<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Fan;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** A parameter of several fixtures is held at values that spread from one to the other. */
final readonly class HoldFan implements Order
{
    /**
     * @param list<string> $fixtures in their order
     * @param float $from in the parameter's unit
     */
    public function __construct(
        private array $fixtures,
        private string $parameter,
        private float $from,
        private float $to,
        private Fan $fan,
    ) {
    }

    public static function kind(): string
    {
        return 'fan';
    }

    public static function label(): string
    {
        return 'Fan a parameter';
    }

    public static function fields(): array
    {
        return [
            new Ids('fixtures', 'Fixtures', 'fixture', 2000),
            Field::text('parameter', 'Parameter', null, 120),
            Field::number('from', 'From', -1e6, 1e6),
            Field::number('to', 'To', -1e6, 1e6),
            Field::choice('fan', 'Spread', Fan::class, Fan::Across),
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
        $patch = $reach->engine->show()->patch();
        $having = array_values(array_filter(array_map(
            fn(string $id): ?Placement => $patch->find($id, $this->parameter),
            $this->fixtures,
        )));
        $driven = array_values(array_filter($having, static fn(Placement $one): bool => ! $one->placed->parameter->neverDriven));
        if ($driven === []) {
            throw new CommandRefused("None of these fixtures has a parameter \"{$this->parameter}\" that may be driven.");
        }
        $together = new Together();
        foreach ($this->fan->values(\count($driven), $this->from, $this->to) as $i => $value) {
            $parameter = $driven[$i]->placed->parameter;
            $together->add($driven[$i], $parameter->value($parameter->shareOf($value)));
        }
        $together->hold($reach);

        return null;
    }
}
