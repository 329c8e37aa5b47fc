<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Signal\Frame;

/**
 * Fixtures go to other addresses: the first to the one that is named, the others with the distances that they have, or one
 * after the other.
 */
final readonly class Move implements Deed
{
    /**
     * @param list<string> $fixtures in their order
     * @param bool $closeUp whether they stand one after the other, without gaps
     */
    public function __construct(private array $fixtures, private string $universe, private int $first, private bool $closeUp)
    {
    }

    public static function kind(): string
    {
        return 'move';
    }

    public static function label(): string
    {
        return 'Move to other addresses';
    }

    public static function fields(): array
    {
        return [
            new Ids('fixtures', 'Fixtures', 'fixture', Row::MOST),
            Field::universe('universe', 'To universe'),
            Field::whole('first', 'From address', 1, Frame::SLOTS),
            Field::flag('closeUp', 'One after the other, without gaps', false),
        ];
    }

    public function summary(): string
    {
        return 'move '.\count($this->fixtures).' fixtures to other addresses';
    }

    public function lay(Show $show): array
    {
        $fixtures = array_map(static fn(string $id): Fixture => Refusal::fixture($show, $id, 'fixtures'), $this->fixtures);
        if ($fixtures === []) {
            throw Refusal::of('fixtures', 'none is named', 'Choose at least one.');
        }
        $universes = array_unique(array_map(static fn(Fixture $one): string => $one->universeId, $fixtures));
        if (\count($universes) > 1 && ! $this->closeUp) {
            throw Refusal::of(
                'closeUp',
                'they are in '.\count($universes).' universes now and have no distances to keep',
                'Put them one after the other, or move those of one universe at a time.',
            );
        }
        usort($fixtures, fn(Fixture $a, Fixture $b): int => $this->closeUp ? 0 : $a->first <=> $b->first);
        $laid = [];
        $next = $this->first;
        foreach ($fixtures as $fixture) {
            $first = $this->closeUp ? $next : $this->first + $fixture->first - $fixtures[0]->first;
            $slots = $show->patch()->footprint($fixture)->slots;
            if ($first + $slots - 1 > Frame::SLOTS) {
                throw Refusal::of(
                    'first',
                    "\"{$fixture->name}\" would end at slot ".($first + $slots - 1),
                    'A universe has 512: begin further down, or move fewer.',
                );
            }
            $laid[] = Laid::changed($fixture->id, ['universe' => $this->universe, 'first' => $first]);
            $next = $first + $slots;
        }

        return $laid;
    }
}
