<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Patch\ParameterKind;

/** Times of its own for one kind of parameters; or that they jump, as a colour wheel must. */
final readonly class KindTime implements Part
{
    /**
     * @param float|null $fade seconds; null for the time of the whole
     * @param float $delay seconds, besides that of the whole
     * @param bool $jumps whether it goes there at once, and is not cross-faded by a level either
     */
    public function __construct(
        public ParameterKind $kind,
        public ?float $fade = null,
        public float $delay = 0.0,
        public bool $jumps = false,
    ) {
    }

    public static function label(): string
    {
        return 'Time of a kind';
    }

    public static function fields(): array
    {
        return [
            Field::choice('kind', 'Kind', ParameterKind::class),
            Field::number('fade', 'Fade (s); empty for that of the whole', 0.0, Times::LONGEST, null, false),
            Field::number('delay', 'Delay (s)', 0.0, Times::LONGEST, 0.0),
            Field::flag('jumps', 'Jumps', false)->meaning(
                'It goes there at once when its delay is over: a wheel, a gobo, a mode.',
            ),
        ];
    }
}
