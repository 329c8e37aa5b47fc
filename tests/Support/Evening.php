<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;

/**
 * A small show with a programme: three dimmers (one of them in 16 bits, at slots 3 and 4), a head with pan (5 and 6),
 * a colour (7) and a wheel that has to jump (8).
 */
final class Evening
{
    public readonly Rig $rig;

    /** @param array<string, mixed> $changes to the show document */
    public function __construct(array $changes = [], string $merge = 'slot')
    {
        $this->rig = new Rig([...self::show($merge), ...$changes]);
    }

    /** @return array<string, mixed> */
    public static function show(string $merge = 'slot'): array
    {
        $level = ['name' => 'level', 'kind' => 'intensity'];

        return [
            'universes' => [['id' => 'palm', 'name' => 'Palm House', 'merge' => $merge]],
            'routes' => [],
            'profiles' => [
                ['id' => 'lamp', 'name' => 'Lamp', 'parameters' => [$level]],
                ['id' => 'fine', 'name' => 'Fine lamp', 'parameters' => [['slots' => 2] + $level]],
                ['id' => 'head', 'name' => 'Head', 'parameters' => [
                    ['name' => 'pan', 'kind' => 'position', 'slots' => 2],
                    ['name' => 'red', 'kind' => 'colour'],
                    ['name' => 'wheel', 'kind' => 'beam'],
                ]],
            ],
            'fixtures' => [
                ['id' => 'a', 'name' => 'A', 'profile' => 'lamp', 'universe' => 'palm', 'first' => 1],
                ['id' => 'b', 'name' => 'B', 'profile' => 'lamp', 'universe' => 'palm', 'first' => 2],
                ['id' => 'c', 'name' => 'C', 'profile' => 'fine', 'universe' => 'palm', 'first' => 3],
                ['id' => 'h', 'name' => 'H', 'profile' => 'head', 'universe' => 'palm', 'first' => 5],
            ],
            'groups' => [['id' => 'all', 'name' => 'All', 'members' => ['a', 'b', 'c']]],
        ];
    }

    /**
     * @param array<string, int|float|string> $values by point
     *
     * @return list<array{point: string, value: int|float|string}>
     */
    public static function values(array $values): array
    {
        return array_map(
            static fn(string $point, int|float|string $value): array => ['point' => $point, 'value' => $value],
            array_keys($values),
            $values,
        );
    }

    /** @return string why not; '' when it is done */
    public function press(string $point): string
    {
        return $this->rig->junction->press(self::point($point), new Act('person', 'Ada'), $this->rig->nanos())[0];
    }

    /** @return string why not; '' when it is done */
    public function set(string $point, int|float|string $value): string
    {
        return $this->rig->junction->set(self::point($point), $value, new Act('person', 'Ada'), $this->rig->nanos())[0];
    }

    public function read(string $point): int|float|string|null
    {
        return $this->rig->junction->points()->read(self::point($point));
    }

    /** @return list<int> levels of slots 1 to 8 */
    public function levels(): array
    {
        return $this->rig->levelsOf(1, 2, 3, 4, 5, 6, 7, 8);
    }

    /** Over a restart, as after kill -9: another junction goes on by what was kept. */
    public function restarted(float $away = 0.0): self
    {
        $state = json_decode(
            json_encode($this->rig->junction->rooms()->state($this->rig->nanos()), JSON_THROW_ON_ERROR),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = new self($this->rig->document);
        // Monotonic time begins anew.
        $again->rig->now = 5.0;
        $again->rig->junction->restore($state, $again->rig->nanos(), (int) round($away * 1e9));
        $again->rig->pass(0.0);

        return $again;
    }

    public static function point(string $point): Reference
    {
        return Reference::parse($point) ?? throw new \LogicException($point);
    }
}
