<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Wire\Osc\Argument;

/** A text. */
final readonly class TextArgument implements SendArgument
{
    public function __construct(public string $text)
    {
    }

    public static function kind(): string
    {
        return 'text';
    }

    public static function label(): string
    {
        return 'A text';
    }

    public static function fields(): array
    {
        return [Field::text('text', 'Text, like cue {cue}')];
    }

    public function make(float $value, Event $event): Argument
    {
        return Argument::string(str_replace("\0", '', Template::fill($this->text, $value, $event)));
    }

    public function words(): string
    {
        return "\"{$this->text}\"";
    }
}
