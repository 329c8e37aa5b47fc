<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Panel\Handle;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Panel\Handle;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Back;
use NimbleJunction\Core\Route\Back\ValueBack;
use NimbleJunction\Core\Route\Step\PickUpStep;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Step\TakeOverStep;
use NimbleJunction\Core\Surface\Control;

/** A fader, or a knob with ends; with a motor, it follows. */
final readonly class FaderHandle implements Handle
{
    private const TAKE_OVER = ['jump', 'pick-up', 'scaled'];

    private const TITLES = [
        'jump' => 'jumps to it',
        'pick-up' => 'waits until the hand meets the value',
        'scaled' => 'goes along with the hand, from where it is',
    ];

    /** How near a value is met, in per cent of the way. */
    private const NEAR = 2.0;

    /**
     * @param float $low what it says at its lower end
     * @param float $high what it says at its upper end; below the other one where it is turned round
     * @param bool $motor whether it follows what it moves
     * @param float $band smaller differences are not told, in its own terms
     * @param float $gap seconds between two of what it is told
     */
    public function __construct(
        public float $low = 0.0,
        public float $high = 127.0,
        public bool $motor = true,
        public string $takeOver = 'jump',
        public float $band = 1.0,
        public float $gap = 0.025,
    ) {
    }

    public static function kind(): string
    {
        return 'fader';
    }

    public static function label(): string
    {
        return 'Fader, or a knob with ends';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'At its lower end', -1e9, 1e9, 0.0),
            Field::number('high', 'At its upper end', -1e9, 1e9, 127.0),
            Field::flag('motor', 'It has a motor, or shows its value', true),
            Field::word('takeOver', 'When a hand moves it', self::TAKE_OVER, 'jump')
                ->called(self::TITLES)
                ->meaning('Without a motor, it stands elsewhere as soon as others move the value.'),
            Field::number('band', 'Smaller differences are not told', 0.0, 1e6, 1.0)->rare(),
            Field::number('gap', 'At most every so many seconds', 0.005, 10.0, 0.025)->rare(),
        ];
    }

    public function isTold(): bool
    {
        return $this->motor;
    }

    public function action(Reference $control, PointKind $kind, Control $of): ?Action
    {
        return $kind === PointKind::Level ? new SetAction($control) : null;
    }

    public function conditions(PointKind $kind, Control $of): array
    {
        return [];
    }

    public function steps(Reference $control, PointKind $kind, Control $of): array
    {
        return [
            new ScaleStep([$this->low, $this->high], [0.0, 100.0]),
            ...match ($this->takeOver) {
                'pick-up' => [new PickUpStep($control, self::NEAR)],
                'scaled' => [new TakeOverStep($control, 0.0, 100.0)],
                default => [],
            },
        ];
    }

    public function back(Reference $control, PointKind $kind, Control $of): ?Back
    {
        return $this->motor ? new ValueBack($control, $this->gap, null, $this->band) : null;
    }
}
