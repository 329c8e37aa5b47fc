<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Gdtf;

use NimbleJunction\Core\Patch\Role;

/** Reads one channel of a mode: what it does, its default, its functions and their sets as named ranges with physical values. */
final class ChannelReader
{
    private const MOST_RANGES = 256;

    /** @var list<string> */
    private array $left = [];

    /** @var list<array{Element, int, int}> functions with the first and the last value of each */
    private array $functions = [];

    /**
     * @param int $bytes slots that it takes
     * @param array<string, Element> $attributes by name
     * @param array<string, list<array{name: string, colour: string}>> $wheels
     */
    public function __construct(
        private readonly Element $channel,
        private readonly int $bytes,
        private readonly array $attributes,
        private readonly array $wheels,
    ) {
        $this->readFunctions();
    }

    /** @return list<string> what was not taken in, in words */
    public function left(): array
    {
        return $this->left;
    }

    /** @return array<string, mixed> as a profile has it, without its name and its slots */
    public function parameter(): array
    {
        $attribute = $this->channel->first('LogicalChannel')?->get('Attribute') ?? '';
        $role = Attributes::role($attribute);
        $kind = Attributes::kind(($this->attributes[$attribute] ?? null)?->get('Feature') ?? '');
        $first = $this->functions[0][0] ?? null;
        $default = $this->default();
        $ranges = $this->ranges();

        $about = [
            'role' => $role?->value,
            'kind' => $role?->kind() === $kind ? null : $kind->value,
            'default' => $default === 0 ? null : $default,
            'neverDriven' => $role === Role::Reset ? true : null,
            ...($ranges === [] && $first !== null ? $this->physical($first, $attribute) : []),
            'ranges' => $ranges,
        ];

        return array_filter($about, static fn(mixed $value): bool => $value !== null && $value !== []);
    }

    /** What its maker calls it, or what it does. */
    public function name(): string
    {
        $attribute = $this->channel->first('LogicalChannel')?->get('Attribute') ?? '';
        $given = isset($this->functions[0]) ? $this->functions[0][0]->get('OriginalAttribute') : '';

        return str_replace('/', '-', FixtureTypes::text($given, 60, self::named($attribute, Attributes::role($attribute))));
    }

    private function readFunctions(): void
    {
        $starts = [];
        foreach ($this->channel->all('LogicalChannel', 'ChannelFunction') as $function) {
            if ($function->get('ModeMaster') !== '') {
                $this->left[] = '"'.$function->get('Name').'" of '.$function->get('Attribute', 'a channel').' depends on '
                    .$function->get('ModeMaster').', which is not looked at';
            }
            $starts[] = [$function, DmxValue::read($function->get('DMXFrom', '0/1'), $this->bytes) ?? 0];
        }
        usort($starts, static fn(array $a, array $b): int => $a[1] <=> $b[1]);
        $highest = 256 ** $this->bytes - 1;
        foreach ($starts as $i => [$function, $from]) {
            $last = ($starts[$i + 1][1] ?? $highest + 1) - 1;
            if ($last >= $from) {
                $this->functions[] = [$function, $from, $last];
            }
        }
    }

    private function default(): int
    {
        $initial = $this->channel->get('InitialFunction');
        foreach ($this->functions as [$function]) {
            if ($initial !== '' && str_ends_with($initial, '.'.$function->get('Name'))) {
                return DmxValue::read($function->get('Default', '0/1'), $this->bytes) ?? 0;
            }
        }
        $usual = $this->functions === [] ? '' : $this->functions[0][0]->get('Default');

        return DmxValue::read($usual === '' ? $this->channel->get('Default', '0/1') : $usual, $this->bytes) ?? 0;
    }

    /** @return list<array<string, mixed>> named ranges; none where it is one function without sets */
    private function ranges(): array
    {
        $ranges = [];
        foreach ($this->functions as [$function, $from, $last]) {
            $sets = array_values(array_filter(
                $function->all('ChannelSet'),
                static fn(Element $set): bool => $set->get('DMXFrom') !== '',
            ));
            if ($sets === [] && \count($this->functions) === 1) {
                continue;
            }
            if ($function->get('Name') === FixtureTypeWriter::NOT_USED) {
                continue;
            }
            array_push(
                $ranges,
                ...($sets === [] ? [$this->ofFunction($function, $from, $last)] : $this->ofSets($function, $sets, $from, $last)),
            );
        }
        if (\count($ranges) > self::MOST_RANGES) {
            $this->left[] = 'ranges after the first '.self::MOST_RANGES.' of '
                .($this->channel->first('LogicalChannel')?->get('Attribute') ?? 'a channel');
        }

        return \array_slice($ranges, 0, self::MOST_RANGES);
    }

    /** @return array<string, mixed> */
    private function ofFunction(Element $function, int $from, int $last): array
    {
        $attribute = $function->get('Attribute');
        $name = FixtureTypes::text($function->get('Name'), 80, self::named($attribute, Attributes::role($attribute)));

        return ['name' => $name, 'first' => $from, 'last' => $last, ...$this->physical($function, $attribute, false)];
    }

    /**
     * @param list<Element> $sets
     *
     * @return list<array<string, mixed>>
     */
    private function ofSets(Element $function, array $sets, int $from, int $last): array
    {
        $ranges = [];
        $places = $this->wheels[$function->get('Wheel')] ?? [];
        $starts = array_map(
            fn(Element $set): int => max($from, DmxValue::read($set->get('DMXFrom'), $this->bytes) ?? $from),
            $sets,
        );
        foreach ($sets as $i => $set) {
            $place = $places[(int) $set->number('WheelSlotIndex') - 1] ?? null;
            $name = FixtureTypes::text($set->get('Name'), 80, $place['name'] ?? '');
            $end = min($last, ($starts[$i + 1] ?? $last + 1) - 1);
            if ($name === '' || $end < $starts[$i]) {
                continue;
            }
            $ranges[] = [
                'name' => $name,
                'first' => $starts[$i],
                'last' => $end,
                ...$this->physical($set, $function->get('Attribute'), false),
                ...($place !== null && $place['colour'] !== '' ? ['colour' => $place['colour']] : []),
            ];
        }

        return $ranges;
    }

    /**
     * @param bool $isWhole whether it is of the whole parameter, which is in per cent where nothing else is said
     *
     * @return array<string, mixed> unit and physical values, where both ends differ
     */
    private function physical(Element $from, string $attribute, bool $isWhole = true): array
    {
        $unit = Attributes::unit(($this->attributes[$attribute] ?? null)?->get('PhysicalUnit') ?? '');
        $low = round($from->number('PhysicalFrom', 0.0), 6);
        $high = round($from->number('PhysicalTo', $isWhole ? 1.0 : 0.0), 6);
        if ($unit === '' || $low === $high || abs($low) > 1e6 || abs($high) > 1e6) {
            return [];
        }
        if ($unit === '%') {
            // The standard counts per cent from 0 to 1 (common practice) or to 100.
            [$low, $high] = max(abs($low), abs($high)) <= 1.0 ? [100 * $low, 100 * $high] : [$low, $high];

            return $isWhole && [$low, $high] === [0.0, 100.0] ? [] : ['unit' => '%', 'physical' => [$low, $high]];
        }

        return ['unit' => $unit, 'physical' => [$low, $high]];
    }

    private static function named(string $attribute, ?Role $role): string
    {
        if ($role !== null && $role !== Role::Dimmer) {
            return str_replace('-', ' ', $role->value);
        }
        if ($role === Role::Dimmer) {
            return 'level';
        }

        return FixtureTypes::text(
            mb_strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z0-9])|_/', ' ', $attribute)),
            60,
            'parameter',
        );
    }
}
