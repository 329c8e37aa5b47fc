<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Patch\Parameter;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Core\Patch\Placement;
use NimbleJunction\Core\Point\Reference;

/** Makes the values of a look of levels that are there: of chosen fixtures and kinds, and of nothing else. */
final readonly class Gathering
{
    /** So many digits are tried, until a value says exactly what stands in the slots. */
    private const MOST_DIGITS = 10;

    /**
     * @param array<string, string> $levels 512 bytes by universe
     * @param array<string, string> $masks 512 bytes by universe, 255 in the slots that count; where there is none, all count
     */
    public function __construct(private Patch $patch, private array $levels, private array $masks = [])
    {
    }

    /**
     * @param list<string> $fixtures ids; none for all
     * @param list<ParameterKind> $kinds none for all
     * @param bool $onlyLit whether fixtures that have an intensity, and are dark, are left out
     *
     * @return list<PointValue> in the order of the patch; then slots at which nothing is known to listen, those that are not 0
     */
    public function values(array $fixtures = [], array $kinds = [], bool $onlyLit = false): array
    {
        $values = [];
        foreach ($this->patch->fixtures as $fixture) {
            if ($fixtures !== [] && ! \in_array($fixture->id, $fixtures, true)) {
                continue;
            }
            $placements = array_map(
                static fn($placed): Placement => new Placement($fixture, $placed),
                $this->patch->footprint($fixture)->placed,
            );
            if ($onlyLit && $this->isDark($placements)) {
                continue;
            }
            foreach ($placements as $placement) {
                $parameter = $placement->placed->parameter;
                $isMeant = ($kinds === [] || \in_array($parameter->kind, $kinds, true))
                    && ! $parameter->neverDriven
                    && $this->counts($placement);
                $reference = $isMeant ? Reference::parse("fixture:{$fixture->id}/{$placement->placed->key}") : null;
                if ($reference !== null) {
                    $values[] = new PointValue(
                        $reference,
                        self::exact($parameter, $placement->valueIn($this->levels[$placement->universeId])),
                    );
                }
            }
        }

        return $fixtures === [] && $kinds === [] ? [...$values, ...$this->slots()] : $values;
    }

    /**
     * The same by the names that a look has already: members of a group that are all alike are the group again.
     *
     * @param list<PointValue> $gathered
     * @param list<PointValue> $named
     *
     * @return list<PointValue>
     */
    public function asNamed(array $gathered, array $named): array
    {
        $byPoint = [];
        foreach ($gathered as $one) {
            $byPoint[$one->point->text()] = $one;
        }
        foreach ($named as $value) {
            if ($value->point->kind !== 'group') {
                continue;
            }
            $members = $this->patch->having($value->point->id, $value->point->part);
            $found = [];
            foreach ($members as $fixture) {
                $key = "fixture:{$fixture}/{$value->point->part}";
                if (isset($byPoint[$key])) {
                    $found[$key] = $byPoint[$key];
                }
            }
            $values = array_unique(array_map(static fn(PointValue $one): string => (string) $one->value, $found));
            if ($found !== [] && \count($found) === \count($members) && \count($values) === 1) {
                $byPoint = [$value->point->text() => new PointValue(
                    $value->point,
                    reset($found)->value,
                )] + array_diff_key($byPoint, $found);
            }
        }

        return array_values($byPoint);
    }

    /** @param list<Placement> $placements of one fixture */
    private function isDark(array $placements): bool
    {
        $intensities = array_filter(
            $placements,
            static fn(Placement $one): bool => $one->placed->parameter->kind === ParameterKind::Intensity,
        );
        foreach ($intensities as $one) {
            $levels = $this->levels[$one->universeId] ?? '';
            if ($levels !== '' && $one->valueIn($levels) !== $one->placed->parameter->value(0.0)) {
                return false;
            }
        }

        return $intensities !== [];
    }

    private function counts(Placement $placement): bool
    {
        if (! isset($this->levels[$placement->universeId])) {
            return false;
        }
        $mask = $this->masks[$placement->universeId] ?? '';
        foreach ($placement->slots as $slot) {
            if ($mask === '' || $mask[$slot] !== "\0") {
                return true;
            }
        }

        return false;
    }

    /** @return list<PointValue> */
    private function slots(): array
    {
        $values = [];
        foreach ($this->levels as $universe => $levels) {
            for ($slot = strspn($levels, "\0"); $slot < Patch::SLOTS; $slot += 1 + strspn($levels, "\0", $slot + 1)) {
                $isMeant = ($this->masks[$universe] ?? $levels)[$slot] !== "\0" && $this->patch->at($universe, $slot + 1) === [];
                $reference = $isMeant ? Reference::parse("slot:{$universe}/".($slot + 1)) : null;
                if ($reference !== null) {
                    $values[] = new PointValue($reference, \ord($levels[$slot]));
                }
            }
        }

        return $values;
    }

    /** The shortest number in a parameter's unit that says what stands in its slots. */
    public static function exact(Parameter $parameter, int $value): float
    {
        $exact = $parameter->inUnit($parameter->share($value));
        for ($digits = 0; $digits < self::MOST_DIGITS; ++$digits) {
            $short = round($exact, $digits);
            if ($parameter->value($parameter->shareOf($short)) === $value) {
                return $short;
            }
        }

        return $exact;
    }
}
