<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patching;

use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Show\Show;

/** Two fixtures change their addresses. */
final readonly class Swap implements Deed
{
    public function __construct(private string $fixture, private string $with)
    {
    }

    public static function kind(): string
    {
        return 'swap';
    }

    public static function label(): string
    {
        return 'Swap two';
    }

    public static function fields(): array
    {
        return [new Id('fixture', 'Fixture', 'fixture', true), new Id('with', 'With', 'fixture', true)];
    }

    public function summary(): string
    {
        return 'swap the addresses of two fixtures';
    }

    public function lay(Show $show): array
    {
        $one = Refusal::fixture($show, $this->fixture, 'fixture');
        $other = Refusal::fixture($show, $this->with, 'with');
        foreach ([[$one, $other], [$other, $one]] as [$moving, $to]) {
            $last = $to->first + $show->patch()->footprint($moving)->slots - 1;
            if ($last > 512) {
                throw Refusal::of('with', "\"{$moving->name}\" would end at slot {$last}", 'A universe has 512.');
            }
        }

        return [
            Laid::changed($one->id, ['universe' => $other->universeId, 'first' => $other->first]),
            Laid::changed($other->id, ['universe' => $one->universeId, 'first' => $one->first]),
        ];
    }
}
