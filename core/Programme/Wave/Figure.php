<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Wave;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Kind;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Role;

/** A figure of pan and tilt: two waves, that belong together by their phase. */
final readonly class Figure implements Kind, Checked
{
    private const FIGURES = ['circle', 'eight', 'sweep', 'points'];
    private const TITLES = [
        'circle' => 'circle',
        'eight' => 'eight, lying',
        'sweep' => 'sweep to and fro',
        'points' => 'points joined by lines',
    ];
    private const QUARTER = 90;
    private const TWICE = 2;

    /**
     * @param string $of "group:ferns" or "fixture:left"
     * @param float $size per cent of the range of pan and tilt, up and down from where they stand
     * @param float $rate turns a second, or beats a turn
     * @param list<float> $points across and up in turns, 0 to 100
     */
    public function __construct(
        public string $name,
        public string $of,
        public string $figure,
        public float $size,
        public string $unit,
        public float $rate,
        public float $offset,
        public array $points = [],
    ) {
    }

    public static function kind(): string
    {
        return 'figure';
    }

    public static function label(): string
    {
        return 'Figure';
    }

    public static function fields(): array
    {
        return [
            Field::name(),
            Field::pattern('of', 'Of', '#^(?:group|fixture):[a-z0-9-]{1,60}$#D', 'Name a group or a fixture, like group:ferns.'),
            Field::word('figure', 'Figure', self::FIGURES, 'circle')->called(self::TITLES),
            Field::number('size', 'Size (% of the range)', 0.0, 100.0, 10.0),
            Field::word('unit', 'Rate in', Wave::UNITS, 'hertz')->called(Wave::UNIT_TITLES),
            Field::number('rate', 'Rate', 0.001, 100.0, 0.2),
            Field::number('offset', 'Spread over (°)', -3600.0, 3600.0, 0.0),
            Field::list('points', 'Points: across, up, across, up; 0 to 100')->only('figure', 'points'),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->figure === 'points' && (\count($this->points) < 4 || \count($this->points) % 2 !== 0)) {
            $fields->fault(
                'points',
                'there are '.\count($this->points).' numbers',
                'Give across and up of at least two points: 20, 30, 80, 70.',
            );
        }
    }

    /** @return array<string, string> key of the parameter by "pan" and "tilt", as far as it has these */
    public function parameters(Patch $patch): array
    {
        [$kind, $id] = explode(':', $this->of);
        $found = [];
        foreach ($kind === 'group' ? $patch->groups->fixtures($id) : [$id] as $member) {
            $fixture = $patch->fixtures[$member] ?? null;
            foreach ($fixture === null ? [] : $patch->footprint($fixture)->placed as $placed) {
                $role = $placed->parameter->role;
                if ($role === Role::Pan || $role === Role::Tilt) {
                    $found[$role->value] ??= $placed->key;
                }
            }
        }

        return $found;
    }

    /**
     * @param array<string, string> $parameters as parameters() found them
     *
     * @return list<array<string, mixed>> waves as they stand in the document, without their ids
     */
    public function waves(array $parameters): array
    {
        // By beats a turn takes half as many where it is twice as fast.
        $faster = $this->unit === 'beats' ? $this->rate / self::TWICE : $this->rate * self::TWICE;
        $axis = fn(int $from): array => array_values(array_filter(
            $this->points,
            static fn(int $i): bool => $i % 2 === $from,
            \ARRAY_FILTER_USE_KEY,
        ));

        $twice = ['rate' => $faster, ...($this->offset === 0.0 ? [] : ['offset' => self::TWICE * $this->offset])];
        [$pan, $tilt] = match ($this->figure) {
            'eight' => [[], $twice],
            'sweep' => [[], null],
            'points' => [['shape' => 'drawn', 'points' => $axis(0)], ['shape' => 'drawn', 'points' => $axis(1)]],
            default => [['phase' => self::QUARTER], []],
        };

        return array_values(array_filter([$this->wave('pan', $parameters, $pan), $this->wave('tilt', $parameters, $tilt)]));
    }

    /**
     * @param array<string, string> $parameters
     * @param array<string, mixed>|null $more fields of its own; null for no wave
     *
     * @return array<string, mixed>|null null where there is no such parameter
     */
    private function wave(string $axis, array $parameters, ?array $more): ?array
    {
        return $more === null || ! isset($parameters[$axis]) ? null : [
            'name' => "{$this->name}, {$axis}",
            'on' => [['point' => "{$this->of}/{$parameters[$axis]}"]],
            'mode' => Wave::ADD,
            'size' => $this->size,
            'unit' => $this->unit,
            'rate' => $this->rate,
            ...($this->offset === 0.0 ? [] : ['offset' => $this->offset]),
            ...$more,
        ];
    }
}
