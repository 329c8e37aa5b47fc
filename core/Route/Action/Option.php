<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Within a range. */
final readonly class Option implements Action, Checked
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

    public function check(Fields $fields): void
    {
        WaitAction::refuseAmong($this->do, $fields);
    }

    public function perform(float $value, Event $event, Turn $turn): void
    {
        foreach ($this->do as $action) {
            $action->perform($value, $event, $turn);
        }
    }

    public function words(Wording $wording): string
    {
        return 'from '.Template::number($this->low).' to '.Template::number($this->high).': '.implode(
            ', ',
            array_map(static fn(Action $action): string => $action->words($wording), $this->do),
        );
    }
}
