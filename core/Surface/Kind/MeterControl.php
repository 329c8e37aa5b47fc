<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A bar that shows how high something is. */
final readonly class MeterControl extends Showing
{
    private const RUNS = ['up', 'right'];

    public function __construct(public ?Binding $shows = null, public string $run = 'up', public bool $middle = false)
    {
    }

    public static function kind(): string
    {
        return 'meter';
    }

    public static function label(): string
    {
        return 'Level meter';
    }

    public static function fields(): array
    {
        return [
            Field::object('shows', 'Shows', Binding::class, false),
            Field::word('run', 'Runs', self::RUNS, 'up'),
            Field::flag('middle', 'Filled from its middle', false),
        ];
    }

    /** @return list<Reference> */
    public function others(): array
    {
        return $this->shows === null ? [] : [$this->shows->point];
    }

    public function shown(Hand $hand): Shown
    {
        $at = $this->shows === null ? null : $hand->share($this->shows);

        return new Shown([$at], $this->shows === null ? '' : $hand->words($this->shows->point), $at !== null && $at > 0.0);
    }

    public function traits(): array
    {
        return ['run' => $this->run, 'middle' => $this->middle];
    }
}
