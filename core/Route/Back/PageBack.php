<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Back;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MessageAddress;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger\OscTrigger;

/** A control on a page of another program, by OSC: its value back through the steps, its name, and a colour for on and off. */
final readonly class PageBack extends ValueBack
{
    /**
     * @param string $name what is written at the control; '' for nothing
     * @param string $nameAddress '' for the control's own with "/name" behind it
     * @param string $colourAddress '' for none
     * @param float $at from which value of the point on it is on
     */
    public function __construct(
        ?Reference $of = null,
        float $gap = 0.025,
        ?float $every = null,
        float $band = 0.0,
        public string $name = '',
        public string $nameAddress = '',
        public string $colourAddress = '',
        public string $on = 'green',
        public string $off = 'gray',
        public float $at = 0.001,
    ) {
        parent::__construct($of, $gap, $every, $band);
    }

    public static function kind(): string
    {
        return 'page';
    }

    public static function label(): string
    {
        return 'A page by OSC: its value, name and colour';
    }

    public static function fields(): array
    {
        $address = static fn(string $name, string $label): Field => Field::pattern(
            $name,
            $label,
            MessageAddress::PATTERN,
            MessageAddress::RULE,
            false,
        );

        return [
            ...parent::fields(),
            Field::textOrNone('name', 'Its name', 60),
            $address('nameAddress', 'Name goes to; empty for its address and /name'),
            $address('colourAddress', 'Colour goes to; empty for none'),
            Field::text('on', 'Colour for on', 'green', 40),
            Field::text('off', 'Colour for off', 'gray', 40),
            Field::number('at', 'On from this value of the point', -1e9, 1e9, 0.001),
        ];
    }

    public function problem(Route $route): string
    {
        return ($route->triggers[0] ?? null) instanceof OscTrigger
            ? parent::problem($route)
            : 'what the route waits for first is no OSC message';
    }

    /** The name as long as nobody has told it, the colour whenever it is another one. */
    public function alongside(Route $route, float $value, ?float $before, Readings $readings): array
    {
        $trigger = $route->triggers[0] ?? null;
        $address = $trigger instanceof OscTrigger ? $trigger->address : '';
        $isOn = $value >= $this->at;
        $messages = [];
        if ($this->name !== '' && $before === null) {
            $messages[] = Osc::of($this->nameAddress === '' ? "{$address}/name" : $this->nameAddress, [$this->name]);
        }
        if ($this->colourAddress !== '' && ($before === null || $isOn !== $before >= $this->at)) {
            $messages[] = Osc::of($this->colourAddress, [$isOn ? $this->on : $this->off]);
        }

        return $messages;
    }
}
