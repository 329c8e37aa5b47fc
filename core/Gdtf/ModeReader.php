<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Role;

/** Reads one DMX mode of a fixture type: which channels lie where, and those that are repeated by references to a geometry. */
final class ModeReader
{
    /** @var list<string> */
    private array $left = [];

    /**
     * @param array<string, Element> $attributes by name
     * @param array<string, list<array{name: string, colour: string}>> $wheels
     */
    public function __construct(
        private readonly Element $mode,
        private readonly Element $type,
        private readonly array $attributes,
        private readonly array $wheels,
    ) {
    }

    /** @return list<string> what was not taken in, in words; to be asked for afterwards */
    public function left(): array
    {
        return $this->left;
    }

    /** @return array<string, mixed> parameters and cells, as a profile has them */
    public function meanings(): array
    {
        $name = $this->mode->get('Name');
        $repeated = $this->repeated();
        $own = $cells = [];
        $dimmer = '';
        foreach ($this->mode->all('DMXChannels', 'DMXChannel') as $channel) {
            $offsets = self::offsets($channel->get('Offset'));
            $break = $channel->get('DMXBreak', '1');
            if (
                $offsets === []
                && Attributes::role($channel->first('LogicalChannel')?->get('Attribute') ?? '') === Role::Dimmer
            ) {
                $dimmer = self::called($channel);

                continue;
            }
            if ($offsets === []) {
                $this->left[] = "Mode \"{$name}\": ".self::called($channel).', which takes no slot';

                continue;
            }
            if (\count($offsets) > 4) {
                $this->left[] = "Mode \"{$name}\": ".self::called($channel).', of '.\count($offsets).' slots';

                continue;
            }
            $geometry = $this->around($channel->get('Geometry'), $repeated);
            if ($geometry === '' && $break !== '1') {
                $this->left[] = "Mode \"{$name}\": ".self::called($channel).", which has an address of its own (break {$break})";

                continue;
            }
            $reader = new ChannelReader($channel, \count($offsets), $this->attributes, $this->wheels);
            $geometry === '' ? $own[] = [$offsets, $reader] : $cells[$geometry][] = [$offsets, $reader];
            foreach ($reader->left() as $words) {
                $this->left[] = "Mode \"{$name}\": {$words}";
            }
        }
        foreach (['Relations' => 'relations between channels', 'FTMacros' => 'macros'] as $list => $words) {
            $count = \count($this->mode->first($list)->children ?? []);
            if ($count > 0) {
                $this->left[] = "Mode \"{$name}\": {$count} {$words}";
            }
        }
        $blocks = [];
        foreach ($cells as $geometry => $channels) {
            $id = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower((string) $geometry)), '-') ?: 'cell';
            $blocks[] = [
                'id' => substr($id, 0, 50),
                'name' => FixtureTypes::text((string) $geometry, 40, 'Cell'),
                'count' => \count($repeated[$geometry]),
                'at' => $repeated[$geometry],
                'parameters' => self::parameters($channels),
            ];
        }

        $meanings = array_filter(['parameters' => self::parameters($own), 'cells' => $blocks]);
        if ($dimmer === '') {
            return $meanings;
        }
        if (self::hasOnlyColours($meanings)) {
            return [...$meanings, 'virtualIntensity' => true];
        }
        $this->left[] = "Mode \"{$name}\": {$dimmer}, which takes no slot";

        return $meanings;
    }

    /** @param array<string, mixed> $meanings */
    private static function hasOnlyColours(array $meanings): bool
    {
        $roles = [];
        $isNameTaken = false;
        array_walk_recursive($meanings, static function (mixed $value, int|string $name) use (&$roles, &$isNameTaken): void {
            $isNameTaken = $isNameTaken || ($name === 'name' && $value === Intensities::KEY);
            if ($name === 'role' && \is_string($value)) {
                $roles[] = Role::from($value);
            }
        });

        return ! $isNameTaken
            && ! \in_array(Role::Dimmer, $roles, true)
            && array_filter($roles, static fn(Role $role): bool => $role->isEmitter()) !== [];
    }

    /**
     * @param list<array{non-empty-list<int>, ChannelReader}> $channels
     *
     * @return list<array<string, mixed>> in the order of their slots, each with a name of its own
     */
    private static function parameters(array $channels): array
    {
        usort($channels, static fn(array $a, array $b): int => $a[0][0] <=> $b[0][0]);
        $parameters = $named = [];
        foreach ($channels as [$offsets, $reader]) {
            $name = $reader->name();
            $named[$name] = ($named[$name] ?? 0) + 1;
            $parameters[] = [
                ...$reader->parameter(),
                'name' => $named[$name] > 1 ? mb_substr($name, 0, 54)." {$named[$name]}" : $name,
                'slots' => \count($offsets),
                'at' => $offsets,
            ];
        }

        // One after the other needs no saying.
        $slots = array_merge(...array_map(static fn(array $one): array => $one[0], $channels));

        return $slots === range(1, \count($slots))
            ? array_map(static fn(array $one): array => array_diff_key($one, ['at' => 0]), $parameters)
            : $parameters;
    }

    /** @return array<string, list<int>> by geometry that is referred to from the mode's own: the first slots of each reference */
    private function repeated(): array
    {
        $roots = $this->type->first('Geometries')->children ?? [];
        $own = $this->mode->get('Geometry');
        $repeated = [];
        foreach ($roots as $root) {
            if ($root->get('Name') === $own) {
                $this->collect($root, $repeated);
            }
        }

        return $repeated;
    }

    /** @param array<string, list<int>> $repeated */
    private function collect(Element $geometry, array &$repeated): void
    {
        foreach ($geometry->children as $child) {
            if ($child->name === 'GeometryReference') {
                $break = $child->first('Break');
                $offset = (int) ($break?->number('DMXOffset', 1.0) ?? 1);
                $repeated[$child->get('Geometry')][] = max(1, min(512, $offset));
            } else {
                $this->collect($child, $repeated);
            }
        }
    }

    /**
     * @param array<string, list<int>> $repeated
     *
     * @return string the repeated geometry that one is, or lies in; '' for none
     */
    private function around(string $geometry, array $repeated): string
    {
        foreach ($this->type->first('Geometries')->children ?? [] as $root) {
            $name = $root->get('Name');
            if (isset($repeated[$name]) && ($name === $geometry || self::has($root, $geometry))) {
                return $name;
            }
        }

        return '';
    }

    private static function has(Element $geometry, string $name): bool
    {
        foreach ($geometry->children as $child) {
            if ($child->get('Name') === $name || self::has($child, $name)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<int> slots from 1, the coarsest first; none where it takes none */
    private static function offsets(string $text): array
    {
        $offsets = [];
        foreach (explode(',', $text) as $one) {
            if (preg_match('/^\s*(\d{1,3})\s*$/D', $one, $found) === 1 && (int) $found[1] >= 1 && (int) $found[1] <= 512) {
                $offsets[] = (int) $found[1];
            }
        }

        return $offsets;
    }

    private static function called(Element $channel): string
    {
        $attribute = $channel->first('LogicalChannel')?->get('Attribute') ?? '';

        return ($attribute === '' ? 'a channel' : $attribute).' of '.$channel->get('Geometry', 'no geometry');
    }
}
