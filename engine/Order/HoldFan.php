<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Fan;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;

/** A parameter of several fixtures is held at values that spread from one to the other. */
final readonly class HoldFan implements Order
{
    /**
     * @param list<string> $fixtures in their order
     * @param float $from in the parameter's unit
     */
    public function __construct(private array $fixtures, private string $parameter, private float $from, private float $to, private Fan $fan)
    {
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
        $having = array_values(array_filter($this->fixtures, fn(string $id): bool => $patch->find($id, $this->parameter) !== null));
        if ($having === []) {
            throw new CommandRefused("None of these fixtures has a parameter \"{$this->parameter}\".");
        }
        foreach ($this->fan->values(\count($having), $this->from, $this->to) as $i => $value) {
            $share = $patch->find($having[$i], $this->parameter)?->placed->parameter->shareOf($value) ?? 0.0;
            $hold = ['do' => 'hold-parameter', 'fixture' => $having[$i], 'parameter' => $this->parameter, 'value' => max(0.0, min(1.0, $share))];
            Orders::read($hold)->obey($reach);
        }

        return null;
    }
}
