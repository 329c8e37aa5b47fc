<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A tempo, that is tapped. */
final readonly class TempoControl implements ControlKind
{
    private ?Reference $rate;
    private ?Reference $tap;

    public function __construct(public string $tempo)
    {
        $this->rate = Reference::parse("tempo:{$tempo}");
        $this->tap = Reference::parse("tempo:{$tempo}/tap");
    }

    public static function kind(): string
    {
        return 'tempo';
    }

    public static function label(): string
    {
        return 'Tempo';
    }

    public static function fields(): array
    {
        return [new Id('tempo', 'Tempo', 'tempo', true)];
    }

    public function axes(): array
    {
        return [];
    }

    public function others(): array
    {
        return array_values(array_filter([$this->rate, $this->tap]));
    }

    public function parts(): array
    {
        return ['' => PointKind::Press];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        return 'a tempo is tapped: press it';
    }

    public function press(string $part, Hand $hand): string
    {
        return $this->tap === null ? 'there is no such tempo' : $hand->press($this->tap);
    }

    public function shown(Hand $hand): Shown
    {
        return new Shown([], $this->rate === null ? '' : $hand->words($this->rate));
    }

    public function traits(): array
    {
        return [];
    }
}
