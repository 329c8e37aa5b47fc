<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Surface\Binding;

/** A fader: upwards or to the right, from one end or from the middle. */
final readonly class FaderControl extends Travelling
{
    private const RUNS = ['up', 'right'];

    /**
     * @param list<Binding> $points
     * @param list<float> $detents in per cent of its way
     * @param string $run up or right
     * @param bool $middle whether it is drawn from its middle
     */
    public function __construct(
        array $points = [],
        ?float $step = null,
        array $detents = [],
        string $takeOver = 'scaled',
        public string $run = 'up',
        public bool $middle = false,
    ) {
        parent::__construct($points, $step, $detents, $takeOver);
    }

    public static function kind(): string
    {
        return 'fader';
    }

    public static function label(): string
    {
        return 'Fader';
    }

    public static function fields(): array
    {
        return [
            ...self::travel(),
            Field::word('run', 'Runs', self::RUNS, 'up'),
            Field::flag('middle', 'Filled from its middle', false),
        ];
    }

    public function traits(): array
    {
        return [...parent::traits(), 'run' => $this->run, 'middle' => $this->middle];
    }
}
