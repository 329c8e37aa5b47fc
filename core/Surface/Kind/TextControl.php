<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A text that somebody types: a point takes it, or a message with {text} in it. */
final readonly class TextControl implements ControlKind
{
    public function __construct(public ?Reference $point = null, public int $longest = 200)
    {
    }

    public static function kind(): string
    {
        return 'text';
    }

    public static function label(): string
    {
        return 'Text field';
    }

    public static function fields(): array
    {
        return [
            Field::pointOrNone('point', 'Point that takes it'),
            Field::whole('longest', 'At most so many characters', 1, 1000, 200),
        ];
    }

    public function axes(): array
    {
        return [];
    }

    public function others(): array
    {
        return $this->point === null ? [] : [$this->point];
    }

    public function parts(): array
    {
        return ['' => PointKind::Text];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (mb_strlen((string) $value) > $this->longest) {
            return "it has at most {$this->longest} characters";
        }
        $hand->own[''] = (string) $value;

        return $this->point === null ? '' : $hand->set($this->point, (string) $value);
    }

    public function press(string $part, Hand $hand): string
    {
        return 'a text is typed';
    }

    public function shown(Hand $hand): Shown
    {
        return new Shown([], (string) ($this->point === null ? $hand->own[''] ?? '' : $hand->read($this->point)));
    }

    public function traits(): array
    {
        return ['longest' => $this->longest];
    }
}
