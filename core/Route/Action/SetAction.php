<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Set a point. */
final readonly class SetAction implements Action
{
    public function __construct(public Reference $point, public int|float|string|null $value = null, public ?int $priority = null)
    {
    }

    public static function kind(): string
    {
        return 'set';
    }

    public static function label(): string
    {
        return 'Set a point';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::anything('value', 'To; empty for the value that arrives', false),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn): void
    {
        $to = \is_string($this->value) ? Template::fill($this->value, $value, $event) : $this->value ?? $value;
        $turn->set($this->point, $to, $this->priority);
    }

    public function words(Wording $wording): string
    {
        return "set {$wording->point($this->point->text())}".($this->value === null ? '' : " to {$this->value}");
    }
}
