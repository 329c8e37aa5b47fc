<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Points;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\Reference;

/** Parameters of groups: set on each member that has it; nothing where members differ. With "/leaves" what leaves. */
final class Grouped extends PlanRoom
{
    public function __construct(private readonly Fixtures $fixtures)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['group'];
    }

    public function notice(): Notice
    {
        return Notice::Looked;
    }

    public function describe(Reference $reference): ?Point
    {
        $first = $this->members($reference)[0] ?? null;
        $one = $first === null ? null : $this->fixtures->describe($first);

        return $one === null ? null : new Point(
            $reference,
            "{$this->plan->patch->groups->groups[$reference->id]->name}, {$reference->part}",
            $one->kind,
            $one->low,
            $one->high,
            $one->unit,
            isSet: $one->isSet,
        );
    }

    /** Where its members differ it has no one value. */
    public function read(Reference $reference): ?float
    {
        $values = array_map($this->fixtures->read(...), $this->members($reference));
        $first = $values[0] ?? null;

        return array_filter($values, static fn(?float $one): bool => $one !== $first) === [] ? $first : null;
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $refusal = 'there is no such parameter';
        foreach ($this->members($reference) as $i => $member) {
            $why = $this->fixtures->set($member, $value, $act, $now);
            $refusal = $i === 0 || $refusal !== '' ? $why : '';
        }

        return $refusal;
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $refusal = 'there is no such parameter';
        foreach ($this->members($reference) as $member) {
            $refusal = $this->fixtures->letGo($member, $owner, $now);
        }

        return $refusal;
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return 'a parameter cannot be pressed';
    }

    public function all(): iterable
    {
        $patch = $this->plan->patch;
        foreach (array_keys($patch->groups->groups) as $id) {
            $keys = [];
            foreach ($patch->groups->fixtures((string) $id) as $fixture) {
                $keys += isset($patch->fixtures[$fixture]) ? $patch->footprint($patch->fixtures[$fixture])->byKey : [];
            }
            foreach (array_keys($keys) as $key) {
                $reference = Reference::parse("group:{$id}/{$key}");
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    /** @return list<Reference> the parameter of each member that has it */
    public function members(Reference $reference): array
    {
        $parameter = (string) preg_replace('#/leaves$#D', '', $reference->part);

        return array_map(
            static fn(string $fixture): Reference => Reference::parse("fixture:{$fixture}/{$reference->part}") ?? $reference,
            $this->plan->patch->having($reference->id, $parameter),
        );
    }
}
