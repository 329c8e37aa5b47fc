<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Sequence;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Within a range. */
final readonly class Option implements Action
{
    public function __construct(public float $low, public float $high, /** @var list<Action> */ public array $do = [])
    {
    }

    public static function kind(): string
    {
        return 'within';
    }

    public static function label(): string
    {
        return 'Within a range';
    }

    public static function fields(): array
    {
        return [
            Field::number('low', 'From', -1e9, 1e9),
            Field::number('high', 'To', -1e9, 1e9),
            Field::parts('do', 'Actions', 'action'),
        ];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        return Sequence::perform($this->do, $value, $event, $turn, $place);
    }

    public function words(Wording $wording): string
    {
        return 'from '.Template::number($this->low).' to '.Template::number($this->high).': '.implode(
            ', ',
            array_map(static fn(Action $action): string => $action->words($wording), $this->do),
        );
    }
}
