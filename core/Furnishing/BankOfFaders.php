<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Show\Show;

/** Faders side by side, each with a button below it: for masters, groups or fixtures, or bound to nothing yet. */
final readonly class BankOfFaders implements Template
{
    private const OF = ['masters', 'groups', 'fixtures', 'nothing'];

    private const TITLES = [
        'masters' => 'the masters, with flash',
        'groups' => 'the levels of groups',
        'fixtures' => 'the levels of fixtures',
        'nothing' => 'nothing yet',
    ];

    public function __construct(public string $of = 'masters', public int $count = 8)
    {
    }

    public static function kind(): string
    {
        return 'faders';
    }

    public static function label(): string
    {
        return 'Bank of faders with buttons';
    }

    public static function fields(): array
    {
        return [
            Field::word('of', 'Faders for', self::OF, 'masters')->called(self::TITLES),
            Field::whole('count', 'How many at most', 1, 64, 8),
        ];
    }

    public function pages(Show $show): array
    {
        $laying = new Laying('Faders', 8, 6);
        $faders = array_values(\array_slice($this->faders($show), 0, $this->count));
        foreach (array_chunk($faders, 8) as $bank) {
            foreach ($bank as [$id, $name, $point]) {
                $laying->add("{$id}-fader", $name, 1, 5, ['kind' => 'fader', ...self::bound($point)]);
            }
            $laying->nextRow();
            foreach ($bank as [$id, $name, $point, $button]) {
                $laying->add(
                    "{$id}-button",
                    $name,
                    1,
                    1,
                    ['kind' => 'button', 'mode' => 'momentary', ...self::bound($button === '' ? $point : $button)],
                );
            }
        }

        return $laying->pages();
    }

    /** @return list<array{string, string, string, string}> id, name, point of the fader, point of the button */
    private function faders(Show $show): array
    {
        $faders = [];
        if ($this->of === 'nothing') {
            for ($i = 1; $i <= $this->count; ++$i) {
                $faders[] = ["bank-{$i}", "Fader {$i}", '', ''];
            }
        }
        foreach ($this->of === 'masters' ? $show->masters : [] as $id => $master) {
            $faders[] = [(string) $id, $master->name, "master:{$id}", "master:{$id}/flash"];
        }
        foreach ($this->of === 'groups' ? $show->groups : [] as $id => $group) {
            if ($show->patch()->having((string) $id, 'level') !== []) {
                $faders[] = [(string) $id, $group->name, "group:{$id}/level", ''];
            }
        }
        foreach ($this->of === 'fixtures' ? $show->fixtures : [] as $id => $fixture) {
            foreach ($show->patch()->footprint($fixture)->byKey as $key => $placed) {
                if ($placed->parameter->kind === ParameterKind::Intensity && ! $placed->parameter->neverDriven) {
                    $faders[] = [(string) $id, $fixture->name, "fixture:{$id}/{$key}", ''];
                    break;
                }
            }
        }

        return $faders;
    }

    /** @return array<string, mixed> */
    private static function bound(string $point): array
    {
        return $point === '' ? [] : ['points' => [['point' => $point]]];
    }
}
