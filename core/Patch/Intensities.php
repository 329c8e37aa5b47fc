<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/**
 * The virtual intensities of a universe: fixtures that have only colours have an intensity of their own, by which their
 * lights are scaled on the way out. They lie in 512 slots beside those of the universe, each at its fixture's address, so
 * that they are given, merged, held and kept like anything else. Full where nobody gives one.
 */
final readonly class Intensities
{
    public const KEY = 'intensity';

    /** No universe of a show has a colon in its id. */
    private const BESIDE = ':intensity';

    /** Slots that an intensity takes where its fixture has as many. */
    private const WIDTH = 2;

    /** @var list<Placement> */
    public array $placements;

    public function __construct(private Patch $patch, public string $universeId)
    {
        $placements = [];
        foreach ($patch->in($universeId) as $fixture) {
            $placed = $patch->footprint($fixture)->find(self::KEY);
            if ($placed?->isVirtual === true) {
                $placements[] = new Placement($fixture, $placed);
            }
        }
        $this->placements = $placements;
    }

    /** Where the virtual intensities of a universe lie. */
    public static function beside(string $universeId): string
    {
        return $universeId.self::BESIDE;
    }

    /** The universe that these slots lie beside; the same where they are slots of a universe themselves. */
    public static function universe(string $id): string
    {
        return str_ends_with($id, self::BESIDE) ? substr($id, 0, -\strlen(self::BESIDE)) : $id;
    }

    public static function areAt(string $id): bool
    {
        return str_ends_with($id, self::BESIDE);
    }

    /** @param int $slots that the fixture takes */
    public static function placed(int $slots): Placed
    {
        $width = min(self::WIDTH, $slots);
        $parameter = new Parameter(self::KEY, $width, role: Role::Dimmer, default: 256 ** $width - 1);

        return new Placed(self::KEY, self::KEY, $parameter, range(1, $width), '', true);
    }

    /** @return list<list<int>> slots, from 0, of those that take several, the coarsest first */
    public function wide(): array
    {
        $slots = array_map(static fn(Placement $one): array => $one->slots, $this->placements);

        return array_values(array_filter($slots, static fn(array $one): bool => \count($one) > 1));
    }

    /** @return string 512 bytes, 255 where a fixture says that the latest takes precedence */
    public function latest(): string
    {
        $latest = str_repeat("\0", Patch::SLOTS);
        foreach ($this->placements as $placement) {
            foreach ($placement->fixture->precedences as $own) {
                if ($own->parameter === self::KEY && ! $own->precedence->takesHighest(ParameterKind::Intensity)) {
                    $latest[$placement->slots[0]] = "\xFF";
                }
            }
        }

        return $latest;
    }

    /** @return list<list<int>> slots, from 0, of the lights that an intensity scales, the coarsest first */
    public function lights(Placement $intensity): array
    {
        $lights = [];
        foreach ($this->patch->footprint($intensity->fixture)->placed as $placed) {
            if ($placed->isLight()) {
                $lights[] = (new Placement($intensity->fixture, $placed))->slots;
            }
        }

        return $lights;
    }
}
