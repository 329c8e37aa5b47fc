<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** A picture of a run of slots, as they leave. */
final readonly class SlotsControl extends Showing implements Checked
{
    private const MOST = 64;
    private const FULL = 255.0;

    /** @var list<Reference> */
    private array $slots;

    /** @param int $first slot, 1 to 512 */
    public function __construct(public string $universe, public int $first = 1, public int $count = 16)
    {
        $slots = [];
        for ($slot = $first; $slot < $first + $count && $slot <= Patch::SLOTS; ++$slot) {
            $reference = Reference::parse("slot:{$universe}/{$slot}");
            $slots = $reference === null ? $slots : [...$slots, $reference];
        }
        $this->slots = $slots;
    }

    public static function kind(): string
    {
        return 'slots';
    }

    public static function label(): string
    {
        return 'Slots';
    }

    public static function fields(): array
    {
        return [
            Field::universe(),
            Field::whole('first', 'First slot', 1, Patch::SLOTS, 1),
            Field::whole('count', 'Number of slots', 1, self::MOST, 16),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->first + $this->count - 1 > Patch::SLOTS) {
            $fields->fault('count', 'it would end at slot '.($this->first + $this->count - 1), 'A universe ends at 512.');
        }
    }

    public function others(): array
    {
        return $this->slots;
    }

    public function shown(Hand $hand): Shown
    {
        $at = array_map(static function (Reference $slot) use ($hand): ?float {
            $level = $hand->read($slot);

            return is_numeric($level) ? (float) $level / self::FULL : null;
        }, $this->slots);

        return new Shown($at, '', array_sum($at) > 0.0);
    }

    public function traits(): array
    {
        return ['first' => $this->first];
    }
}
