<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Frame;

/** Many of one kind at once: 8 of these from 2.101, every 16. */
final readonly class Row implements Deed
{
    public const MOST = 512;

    /**
     * @param int|null $every slots from one address to the next; null for as many as each takes
     * @param int|null $number of the first one; the others follow
     */
    public function __construct(
        private int $count,
        private string $name,
        private string $profile,
        private string $mode,
        private string $universe,
        private int $first,
        private ?int $every,
        private bool $goesOn,
        private ?int $number,
        private string $mark,
        private string $place,
    ) {
    }

    public static function kind(): string
    {
        return 'row';
    }

    public static function label(): string
    {
        return 'Add several';
    }

    public static function fields(): array
    {
        return [
            Field::whole('count', 'How many', 1, self::MOST),
            Field::name('Name of the first'),
            new Id('profile', 'Profile', 'profile', true),
            new Id('mode', 'Mode', 'mode', false),
            Field::universe(),
            Field::whole('first', 'From address', 1, Frame::SLOTS),
            Field::whole('every', 'Every so many slots', 1, Frame::SLOTS, null, false),
            Field::flag('goesOn', 'Go on in the next universe', false),
            Field::whole('number', 'Number of the first', 1, Fixture::HIGHEST_NUMBER, null, false),
            Field::textOrNone('mark', 'Mark', 12),
            Field::textOrNone('place', 'Place', 80),
        ];
    }

    public function summary(): string
    {
        return "patch {$this->count} \"{$this->name}\"";
    }

    public function lay(Show $show): array
    {
        $profile = $show->profiles[$this->profile]
            ?? throw Refusal::of(
                'profile',
                "there is no profile \"{$this->profile}\"",
                'Profiles are: '.(implode(', ', \array_slice(array_keys($show->profiles), 0, 12)) ?: 'none yet').'.',
            );
        $slots = $profile->mode($this->mode)->footprint->slots;
        $at = Spread::over($show, $this->universe, $this->first, $this->count, $slots, $this->every ?? $slots, $this->goesOn);
        $laid = [];
        foreach ($at as $i => [$universe, $first]) {
            $laid[] = Laid::new(array_filter([
                'name' => Naming::name($this->name, $i, $this->count),
                ...Naming::number($this->number, $i),
                'mark' => $this->mark,
                'place' => $this->place,
                'profile' => $this->profile,
                'mode' => $this->mode,
                'universe' => $universe,
                'first' => $first,
            ], static fn(mixed $value): bool => $value !== ''));
        }

        return $laid;
    }
}
