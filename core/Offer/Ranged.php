<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Offer;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\Reference;

/** What functions have in common that do something with one point. */
abstract readonly class Ranged implements OfferedFunction
{
    public const HIGHEST = 65535;

    /**
     * @param int $first lowest value, in as many bits as the parameter has
     * @param int|null $last highest value; null for the highest of the parameter
     * @param string $name '' for none
     */
    public function __construct(
        public Reference $point,
        public int $first = 0,
        public ?int $last = null,
        public string $name = '',
    ) {
    }

    /** @return list<Field> */
    protected static function rangeFields(int $first): array
    {
        return [
            Field::whole('first', 'From value', 0, self::HIGHEST, $first)->meaning(
                'In as many bits as the parameter has: 0 to 255, or 0 to 65535.',
            ),
            Field::whole('last', 'To value', 0, self::HIGHEST, null, false)->meaning('Without it, up to the highest.'),
            Field::textOrNone('name', 'Called', 60),
        ];
    }

    public function name(): string
    {
        return $this->name;
    }

    public function first(): int
    {
        return $this->first;
    }

    public function last(int $highest): int
    {
        return $this->last ?? $highest;
    }

    public function points(): array
    {
        return ['point' => $this->point];
    }

    public function isPressed(): bool
    {
        return true;
    }

    public function fromSlots(int $highest): array
    {
        return [];
    }

    public function fromOsc(): array
    {
        return [];
    }

    public function fromController(int $highest): array
    {
        return [];
    }

    public function argument(): string
    {
        return 'none, or any number but 0';
    }
}
