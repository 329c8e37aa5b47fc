<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Follow;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Programme\Follow;

/** On the beat: so many beats later, counted from the beat that is nearest to its go. */
final readonly class BeatFollow implements Follow
{
    /** @param string $tempo id; '' for the first one */
    public function __construct(public int $beats = 1, public string $tempo = '')
    {
    }

    public static function kind(): string
    {
        return 'beat';
    }

    public static function label(): string
    {
        return 'On the beat';
    }

    public static function fields(): array
    {
        return [
            Field::whole('beats', 'Beats later', 1, 10000, 1),
            new Id('tempo', 'Tempo; empty for the first one', 'tempo', false),
        ];
    }

    /** The beat says when, and no time. */
    public function after(int $longest): ?int
    {
        return null;
    }

    public function words(): string
    {
        return 'the next one goes '.($this->beats === 1 ? 'on the next beat' : "{$this->beats} beats later");
    }
}
