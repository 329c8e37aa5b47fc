<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\Springs;
use NimbleJunction\Core\Surface\Surfaces;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Said\Said;

/** A control of a surface is moved, or pressed where no value is given. */
final readonly class Touch implements Order, ForGuests, InShowMode
{
    public function __construct(
        private string $surface,
        private string $control,
        private string $part = '',
        private int|float|string|null $value = null,
    ) {
    }

    public static function kind(): string
    {
        return 'touch';
    }

    public static function label(): string
    {
        return 'Touch a control';
    }

    public static function fields(): array
    {
        return [
            Field::text('surface', 'Surface', null, 60),
            Field::text('control', 'Control', null, 60),
            Field::textOrNone('part', 'Part of it', 20),
            Field::anything('value', 'To; empty for a press', false),
        ];
    }

    /** It sees for itself who may. */
    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $token = $reach->client->token;
        if (! $token->role->mayOperate() && ! ($token->role === Role::Guest && $token->surface === $this->surface)) {
            throw new CommandRefused(
                $token->role === Role::Guest
                    ? 'This control is not of your surface.'
                    : 'Viewers cannot move controls: log in as operator or builder.',
            );
        }
        if (! $reach->touching->mayTouch($reach->client, Engine::now())) {
            throw new CommandRefused('Too many touches within a second.');
        }
        $surfaces = $reach->engine->show()->surfaces();
        $point = Reference::parse("surface:{$this->surface}/{$this->control}".($this->part === '' ? '' : "/{$this->part}"));
        $control = $point === null ? null : $surfaces->control($point);
        if ($point === null || $control === null || ! $surfaces->has($point)) {
            throw new CommandRefused('This control is not there any more.');
        }
        $surface = $surfaces->surfaces[$this->surface]->name;
        $act = new Act("person {$token->user}", $token->user === $surface ? $surface : "{$token->user} at {$surface}");
        if ($this->value === null) {
            $reach->done($reach->engine->press($point, $act));

            return null;
        }
        $reach->done($reach->engine->set($point, $this->value, $act));
        $rest = $control->does instanceof Springs ? $control->does->rest(Surfaces::part($point)) : null;
        if ($rest !== null && is_numeric($this->value)) {
            $reach->touching->holds($reach->client, $point, (float) $this->value, $rest, $act);
        }

        return null;
    }
}
