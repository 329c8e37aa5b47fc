<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Patch\Mix;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Role;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Gives;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;

/** Hue and saturation, as the parameters of each fixture make them: red, green, blue and white, or filters, or a wheel. */
final readonly class ColourControl implements ControlKind, Gives
{
    /**
     * @param list<string> $fixtures ids
     * @param list<string> $groups ids
     */
    public function __construct(public array $fixtures = [], public array $groups = [])
    {
    }

    public static function kind(): string
    {
        return 'colour';
    }

    public static function label(): string
    {
        return 'Colour';
    }

    public static function fields(): array
    {
        return [
            new Ids('fixtures', 'Fixtures', 'fixture', 500),
            new Ids('groups', 'Groups', 'group', 50),
        ];
    }

    public function axes(): array
    {
        return [];
    }

    public function others(): array
    {
        return [];
    }

    public function given(Patch $patch): array
    {
        $points = [];
        foreach ($this->all($patch) as $id) {
            foreach (array_keys(Mix::of('#ffffff')->values($patch->footprint($patch->fixtures[$id]))) as $key) {
                $point = Reference::parse("fixture:{$id}/{$key}");
                $points = $point === null ? $points : [...$points, $point];
            }
        }

        return $points;
    }

    public function parts(): array
    {
        return ['' => PointKind::Text];
    }

    /** @param int|float|string $value "#rrggbb" */
    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (! \is_string($value) || preg_match('/^#[0-9a-f]{6}$/D', $value) !== 1) {
            return 'a colour is written as # and six hexadecimal digits';
        }
        $mix = Mix::of($value);
        $patch = $hand->patch;
        $refusal = 'none of its fixtures has a colour';
        foreach ($this->all($patch) as $id) {
            $footprint = $patch->footprint($patch->fixtures[$id]);
            foreach ($mix->values($footprint) as $key => $raw) {
                $point = Reference::parse("fixture:{$id}/{$key}");
                $parameter = $footprint->find((string) $key)?->parameter;
                if ($point !== null && $parameter !== null) {
                    $refusal = $hand->set($point, $parameter->inUnit($parameter->share($raw)));
                }
            }
        }

        return $refusal;
    }

    public function press(string $part, Hand $hand): string
    {
        return 'a colour is chosen';
    }

    /** The colour of the first of them. */
    public function shown(Hand $hand): Shown
    {
        foreach ($this->all($hand->patch) as $id) {
            return new Shown([], self::colourOf($id, $hand));
        }

        return new Shown();
    }

    public function traits(): array
    {
        return [];
    }

    private static function colourOf(string $id, Hand $hand): string
    {
        $shares = [];
        foreach ($hand->patch->footprint($hand->patch->fixtures[$id])->byKey as $key => $placed) {
            $point = Reference::parse("fixture:{$id}/{$key}");
            $value = $point === null ? null : $hand->read($point);
            if ($placed->parameter->role !== null && is_numeric($value)) {
                $shares[$placed->parameter->role->value] ??= $placed->parameter->shareOf((float) $value);
            }
        }
        $white = $shares[Role::White->value] ?? 0.0;
        $part = static fn(Role $light, Role $filter): float => isset($shares[$light->value])
            ? min(1.0, $shares[$light->value] + $white)
            : 1.0 - ($shares[$filter->value] ?? 0.0);
        $levels = [$part(Role::Red, Role::Cyan), $part(Role::Green, Role::Magenta), $part(Role::Blue, Role::Yellow)];

        return \sprintf('#%02x%02x%02x', ...array_map(static fn(float $one): int => (int) round(255 * $one), $levels));
    }

    /** @return list<string> ids of its fixtures, each once */
    private function all(Patch $patch): array
    {
        $ids = $this->fixtures;
        foreach ($this->groups as $group) {
            array_push($ids, ...$patch->groups->fixtures($group));
        }

        return array_values(array_filter(
            array_unique($ids),
            static fn(string $id): bool => isset($patch->profiles[$patch->fixtures[$id]->profileId ?? '']),
        ));
    }
}
