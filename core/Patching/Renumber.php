<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Fixture;
use NimbleJunction\Core\Show\Show;

/** Fixtures get other numbers, one after the other in the order in which they are named. */
final readonly class Renumber implements Deed
{
    /** @param list<string> $fixtures in their order */
    public function __construct(private array $fixtures, private int $from, private int $step)
    {
    }

    public static function kind(): string
    {
        return 'renumber';
    }

    public static function label(): string
    {
        return 'Give other numbers';
    }

    public static function fields(): array
    {
        return [
            new Ids('fixtures', 'Fixtures', 'fixture', Row::MOST),
            Field::whole('from', 'From number', 1, Fixture::HIGHEST_NUMBER),
            Field::whole('step', 'Step', 1, 1000, 1),
        ];
    }

    public function summary(): string
    {
        return 'renumber '.\count($this->fixtures)." fixtures from {$this->from}";
    }

    public function lay(Show $show): array
    {
        $others = array_diff_key($show->fixtures, array_flip($this->fixtures));
        $laid = [];
        foreach ($this->fixtures as $i => $id) {
            $fixture = Refusal::fixture($show, $id, 'fixtures');
            $number = $this->from + $i * $this->step;
            foreach ($others as $other) {
                if ($other->number === $number) {
                    throw Refusal::of(
                        'from',
                        "\"{$other->name}\" is number {$number} already",
                        'Begin at another number, or renumber that one too.',
                    );
                }
            }
            $laid[] = Laid::changed($fixture->id, ['number' => $number]);
        }

        return $laid;
    }
}
