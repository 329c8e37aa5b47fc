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
use NimbleJunction\Core\Route\Step\AccelerateStep;
use NimbleJunction\Core\Route\Step\IncrementStep;
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Surface\Control;

/** An endless encoder, that says steps up and down. */
final readonly class EncoderHandle implements Handle
{
    /** Slower than this, steps count once. */
    private const SLOW_SECONDS = 0.1;

    /**
     * @param float $size per cent of the way that a step is
     * @param float $most times that fast steps count at most
     * @param bool $inverted whether up is down
     */
    public function __construct(public float $size = 1.0, public float $most = 8.0, public bool $inverted = false)
    {
    }

    public static function kind(): string
    {
        return 'encoder';
    }

    public static function label(): string
    {
        return 'Endless encoder';
    }

    public static function fields(): array
    {
        return [
            Field::number('size', 'A step is (% of the way)', 0.01, 100.0, 1.0),
            Field::number('most', 'Fast steps count at most times', 1.0, 100.0, 8.0),
            Field::flag('inverted', 'Up is down', false)->rare(),
        ];
    }

    public function isTold(): bool
    {
        return false;
    }

    public function action(Reference $control, PointKind $kind, Control $of): ?Action
    {
        return \in_array($kind, [PointKind::Level, PointKind::Number], true) ? new SetAction($control) : null;
    }

    public function conditions(PointKind $kind, Control $of): array
    {
        return [];
    }

    public function steps(Reference $control, PointKind $kind, Control $of): array
    {
        $size = $this->inverted ? -$this->size : $this->size;
        $faster = $this->most > 1.0 ? [new AccelerateStep(self::SLOW_SECONDS, $this->most)] : [];

        return $kind === PointKind::Number
            ? [...$faster, new ScaleStep([0.0, 1.0], [0.0, $size], 'both')]
            : [...$faster, new IncrementStep(0.0, 100.0, $size, false, $control)];
    }

    public function back(Reference $control, PointKind $kind, Control $of): ?Back
    {
        return null;
    }
}
