<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Each press takes the next value of a list; letting go does nothing. */
final readonly class CycleStep implements Step, Checked
{
    private const ORDERS = ['up', 'down', 'random'];

    /** @param list<float> $values */
    public function __construct(public array $values, public string $order)
    {
    }

    public static function kind(): string
    {
        return 'cycle';
    }

    public static function label(): string
    {
        return 'The next of a list at each press';
    }

    public static function fields(): array
    {
        return [
            Field::list('values', 'Values, in their order'),
            Field::word('order', 'Taken', self::ORDERS, 'up'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->values === []) {
            $fields->fault('values', 'there are none', 'Give at least one value.');
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $count = \count($this->values);
        if ($value <= 0.0 || $count === 0) {
            return null;
        }
        $mind = $passing->mind();
        $last = $mind->has('at') ? (int) $mind->get('at') : null;
        $next = match ($this->order) {
            'down' => $last === null ? $count - 1 : ($last - 1 + $count) % $count,
            'random' => $this->another($passing, $last),
            default => $last === null ? 0 : ($last + 1) % $count,
        };
        $mind->keep('at', (float) $next);

        return $this->values[$next];
    }

    /** Any but the last one; drawn by a state of its own, so that the same presses give the same values. */
    private function another(Passing $passing, ?int $last): int
    {
        $state = (int) $passing->mind()->get('state', (float) ($passing->now % 2_147_483_647));
        // Park and Miller, "Random number generators: good ones are hard to find" (1988); from memory.
        $state = max(1, $state) * 48_271 % 2_147_483_647;
        $passing->mind()->keep('state', (float) $state);
        $count = \count($this->values);
        if ($last === null || $count === 1) {
            return $state % $count;
        }
        $drawn = $state % ($count - 1);

        return $drawn >= $last ? $drawn + 1 : $drawn;
    }

    public function words(Wording $wording): string
    {
        $values = implode(', ', array_map(Template::number(...), \array_slice($this->values, 0, 6)));

        return "the next of {$values}".match ($this->order) {
            'down' => ', from the last to the first',
            'random' => ', at random and never the same twice',
            default => '',
        };
    }
}
