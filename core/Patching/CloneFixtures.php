<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Frame;

/** More fixtures like one that is there, with all that refers to it: the routes that drive it drive the new ones too. */
final readonly class CloneFixtures implements Deed
{
    /** @param int|null $every slots from one address to the next; null for as many as each takes */
    public function __construct(
        private string $fixture,
        private int $count,
        private string $universe,
        private int $first,
        private ?int $every,
        private ?int $number,
    ) {
    }

    public static function kind(): string
    {
        return 'clone';
    }

    public static function label(): string
    {
        return 'Clone with what refers to it';
    }

    public static function fields(): array
    {
        return [
            new Id('fixture', 'Fixture', 'fixture', true),
            Field::whole('count', 'How many', 1, Row::MOST, 1),
            Field::universe(),
            Field::whole('first', 'From address', 1, Frame::SLOTS),
            Field::whole('every', 'Every so many slots', 1, Frame::SLOTS, null, false),
            Field::whole('number', 'Number of the first', 1, Fixture::HIGHEST_NUMBER, null, false),
        ];
    }

    public function summary(): string
    {
        return "clone \"{$this->fixture}\" ".($this->count === 1 ? 'once' : "{$this->count} times");
    }

    public function lay(Show $show): array
    {
        $fixture = Refusal::fixture($show, $this->fixture, 'fixture');
        $slots = $show->patch()->footprint($fixture)->slots;
        $laid = [];
        $every = $this->every ?? $slots;
        $places = Spread::over($show, $this->universe, $this->first, $this->count, $slots, $every, false);
        foreach ($places as $i => [$universe, $first]) {
            $isCounted = preg_match('/\d$/D', $fixture->name) === 1;
            $laid[] = Laid::clone($fixture->id, [
                'name' => $isCounted ? Naming::name($fixture->name, $i + 1, 2) : "{$fixture->name} ".($i + 2),
                'number' => $this->number === null ? null : $this->number + $i,
                'sharesWith' => null,
                'universe' => $universe,
                'first' => $first,
            ]);
        }

        return $laid;
    }
}
