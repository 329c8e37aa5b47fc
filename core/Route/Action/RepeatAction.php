<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Action;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;

/** Do several times. */
final readonly class RepeatAction implements Action, Checked
{
    public function __construct(public int $times, /** @var list<Action> */ public array $do = [])
    {
    }

    public static function kind(): string
    {
        return 'repeat';
    }

    public static function label(): string
    {
        return 'Do several times';
    }

    public static function fields(): array
    {
        return [
            Field::whole('times', 'Times', 1, 100),
            Field::parts('do', 'Actions', 'action'),
        ];
    }

    public function check(Fields $fields): void
    {
        WaitAction::refuseAmong($this->do, $fields);
    }

    public function perform(float $value, Event $event, Turn $turn): void
    {
        for ($time = 0; $time < $this->times; ++$time) {
            foreach ($this->do as $action) {
                $action->perform($value, $event, $turn);
            }
        }
    }

    public function words(Wording $wording): string
    {
        return "{$this->times} times: ".implode(', ', array_map(static fn(Action $action): string => $action->words($wording), $this->do));
    }
}
