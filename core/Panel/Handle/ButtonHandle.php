<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel\Handle;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Panel\Handle;
use NimbleJunction\Core\Panel\LampColour;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Back\LampBack;
use NimbleJunction\Core\Route\Condition\LeastCondition;
use NimbleJunction\Core\Route\Step\HeldStep;
use NimbleJunction\Core\Surface\Control;
use NimbleJunction\Core\Surface\Kind\ButtonControl;

/** A button, with a lamp where it has one; or it turns the pages of its panel. */
final readonly class ButtonHandle implements Handle
{
    private const TURNS = ['nothing', 'next', 'back'];

    private const TITLES = [
        'nothing' => 'nothing: it moves a control',
        'next' => 'on to the next page',
        'back' => 'back to the page before',
    ];

    /**
     * @param bool $lamp whether it has one
     * @param float $on value of the lamp when it is on
     * @param float $off value of the lamp when it is off
     * @param list<LampColour> $colours that its lamp has: that of the control is looked for, when it is on
     */
    public function __construct(
        public bool $lamp = true,
        public float $on = 127.0,
        public float $off = 0.0,
        public array $colours = [],
        public string $turns = 'nothing',
    ) {
    }

    public static function kind(): string
    {
        return 'button';
    }

    public static function label(): string
    {
        return 'Button';
    }

    public static function fields(): array
    {
        return [
            Field::word('turns', 'It turns the panel', self::TURNS, 'nothing')->called(self::TITLES),
            Field::flag('lamp', 'It has a lamp', true),
            Field::number('on', 'Lamp on', -1e9, 1e9, 127.0),
            Field::number('off', 'Lamp off', -1e9, 1e9, 0.0),
            Field::objects('colours', 'Colours of the lamp, by value', LampColour::class, 128)->rare(),
        ];
    }

    public function isTold(): bool
    {
        return $this->lamp && $this->turns === 'nothing';
    }

    public function action(Reference $control, PointKind $kind, Control $of): ?Action
    {
        return match (true) {
            $kind === PointKind::Switch && self::isMomentary($of) => new SetAction($control),
            \in_array($kind, [PointKind::Switch, PointKind::Press, PointKind::Text], true) => new PressAction($control),
            default => null,
        };
    }

    /** A control that is pressed knows nothing of being let go. */
    public function conditions(PointKind $kind, Control $of): array
    {
        return self::isMomentary($of) || self::held($of) !== null ? [] : [new LeastCondition(0.001)];
    }

    public function steps(Reference $control, PointKind $kind, Control $of): array
    {
        $seconds = self::held($of);

        return $seconds === null ? [] : [new HeldStep($seconds)];
    }

    public function back(Reference $control, PointKind $kind, Control $of): ?Back
    {
        $on = LampColour::nearest($this->colours, $of->colour) ?? $this->on;

        return $this->isTold() && $kind === PointKind::Switch ? new LampBack($control, on: $on, off: $this->off) : null;
    }

    /** Whether a control is on as long as it is pressed. */
    public static function isMomentary(Control $of): bool
    {
        return $of->does instanceof ButtonControl && $of->does->mode === 'momentary';
    }

    /** @return float|null seconds that it has to be held for */
    private static function held(Control $of): ?float
    {
        return $of->does instanceof ButtonControl && $of->does->mode === 'hold' ? $of->does->seconds : null;
    }
}
