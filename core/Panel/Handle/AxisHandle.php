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
use NimbleJunction\Core\Route\Step\ScaleStep;
use NimbleJunction\Core\Route\Step\VelocityStep;
use NimbleJunction\Core\Surface\Control;

/** An axis of a game controller, from -1 to 1 with its centre at 0: it stands for a place, or for how fast something goes. */
final readonly class AxisHandle implements Handle
{
    private const MODES = ['position', 'speed'];

    private const TITLES = ['position' => 'where it stands', 'speed' => 'how fast it goes, and where'];

    /**
     * @param float $speed per cent of the way a second, at the end of the axis
     * @param float $dead around its centre nothing moves
     * @param float $bend 1 goes straight; above, it is finer around the centre
     */
    public function __construct(
        public string $mode = 'speed',
        public float $speed = 50.0,
        public float $dead = 0.08,
        public float $bend = 2.0,
        public bool $inverted = false,
    ) {
    }

    public static function kind(): string
    {
        return 'axis';
    }

    public static function label(): string
    {
        return 'Axis of a game controller';
    }

    public static function fields(): array
    {
        return [
            Field::word('mode', 'It says', self::MODES, 'speed')->called(self::TITLES),
            Field::number('speed', 'At its end (% of the way a second)', 0.1, 1000.0, 50.0)->shownFor('mode', 'speed'),
            Field::number('dead', 'Dead zone around its centre', 0.0, 0.9, 0.08)->shownFor('mode', 'speed'),
            Field::number('bend', 'Finer around its centre; 1 for straight', 1.0, 5.0, 2.0)->shownFor('mode', 'speed'),
            Field::flag('inverted', 'Turned round', false),
        ];
    }

    public function isTold(): bool
    {
        return false;
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
        $end = $this->inverted ? -1.0 : 1.0;

        return $this->mode === 'position'
            ? [new ScaleStep([-$end, $end], [0.0, 100.0])]
            : [new VelocityStep($control, 0.0, 100.0, $end * $this->speed, $this->dead, $this->bend)];
    }

    public function back(Reference $control, PointKind $kind, Control $of): ?Back
    {
        return null;
    }
}
