<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** Another route has acted not long ago: a chord, one after the other. */
final readonly class AfterCondition implements Condition, Checked
{
    public function __construct(public Reference $point, public float $seconds)
    {
    }

    public static function kind(): string
    {
        return 'after';
    }

    public static function label(): string
    {
        return 'Soon after another route';
    }

    public static function fields(): array
    {
        return [
            Field::point('point', 'Another route'),
            Field::number('seconds', 'Within seconds', 0.001, 3600.0, 1.0),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->point->kind !== 'route') {
            $fields->fault('point', "it is {$this->point->text()}", 'Name a route, like route:doors.');
        }
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $since = $passing->sinceFired($this->point->id);

        return $since !== null && $since <= $this->seconds ? null : new Missed(
            'wants another route to have acted within '.Template::number($this->seconds).' s, '
                .($since === null ? 'it never has' : 'it has acted '.Template::number($since).' s ago'),
        );
    }

    public function words(Wording $wording): string
    {
        return "{$wording->point($this->point->text())} has acted within ".Template::number($this->seconds).' s';
    }
}
