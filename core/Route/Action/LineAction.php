<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Type a line at a desk: it is checked by what the desk takes before it leaves. */
final readonly class LineAction implements Action
{
    public function __construct(public string $desk, public string $line)
    {
    }

    public static function kind(): string
    {
        return 'line';
    }

    public static function label(): string
    {
        return 'Type a line at a desk';
    }

    public static function fields(): array
    {
        return [
            new Id('desk', 'Desk', 'desk', true),
            Field::text('line', 'Line; {value} for the value, and what arrived by its names', null, 500),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        $turn->type($this->desk, Template::fill($this->line, $value, $event));

        return null;
    }

    /** Whether it is known before it runs what it types. */
    public function isPlain(): bool
    {
        return ! str_contains($this->line, '{');
    }

    public function words(Wording $wording): string
    {
        return "type \"{$this->line}\" at desk {$this->desk}";
    }
}
