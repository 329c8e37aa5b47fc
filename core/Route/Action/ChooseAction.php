<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Do what fits the value. */
final readonly class ChooseAction implements Action
{
    public function __construct(/** @var list<Option> */ public array $options)
    {
    }

    public static function kind(): string
    {
        return 'choose';
    }

    public static function label(): string
    {
        return 'Do what fits the value';
    }

    public static function fields(): array
    {
        return [
            Field::parts('options', 'Options; the first that fits is done', 'option'),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        foreach ($this->options as $i => $option) {
            $isChosen = $place === [] ? $value >= $option->low && $value <= $option->high : $i === $place[0];
            if ($isChosen) {
                return $option->perform($value, $event, $turn, \array_slice($place, 1))?->within($i);
            }
        }

        return null;
    }

    public function words(Wording $wording): string
    {
        return implode('; ', array_map(static fn(Option $option): string => $option->words($wording), $this->options));
    }
}
