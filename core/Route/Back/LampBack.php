<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Back;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Readings;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Showing;
use NimbleJunction\Core\Signal\Message;

/** A lamp: the values for off, on and blinking, as the button's maker has them; many have colours by value. */
final readonly class LampBack extends Backwards
{
    /**
     * @param float $at from which value on it is on
     * @param Reference|null $blinks while this point is on
     */
    public function __construct(
        ?Reference $of = null,
        float $gap = 0.025,
        ?float $every = null,
        public float $on = 127.0,
        public float $off = 0.0,
        public float $at = 0.001,
        public ?float $blink = null,
        public ?Reference $blinks = null,
    ) {
        parent::__construct($of, $gap, $every);
    }

    public static function kind(): string
    {
        return 'lamp';
    }

    public static function label(): string
    {
        return 'A lamp: on or off';
    }

    public static function fields(): array
    {
        return [
            ...self::usual(),
            Field::number('on', 'Value for on', -1e9, 1e9, 127.0),
            Field::number('off', 'Value for off', -1e9, 1e9, 0.0),
            Field::number('at', 'On from this value of the point', -1e9, 1e9, 0.001),
            Field::number('blink', 'Value for blinking; empty for none', -1e9, 1e9, null, false),
            Field::pointOrNone('blinks', 'Blinks while this point is on'),
        ];
    }

    public function words(): string
    {
        return 'its lamp shows it';
    }

    public function besides(): array
    {
        return $this->blinks === null ? [] : [$this->blinks];
    }

    public function message(Route $route, float $value, Readings $readings): ?Message
    {
        $blinks = $this->blinks === null || $this->blink === null ? null : $readings->read($this->blinks);
        $shown = is_numeric($blinks) && (float) $blinks > 0.0 ? $this->blink : ($value >= $this->at ? $this->on : $this->off);
        $trigger = $route->triggers[0] ?? null;

        return $trigger instanceof Showing ? $trigger->shows((float) $shown) : null;
    }

    public function deadBand(): float
    {
        return 0.0;
    }

    public function isWhatItSends(): bool
    {
        return false;
    }
}
