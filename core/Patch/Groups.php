<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

/** All groups of a show, with the fixtures that each has, groups within groups written out. */
final readonly class Groups
{
    /** @var array<string, list<string>> ids of fixtures by group, each once, in their order */
    private array $fixtures;

    /** @param array<string, Group> $groups by id; without circles */
    public function __construct(public array $groups = [])
    {
        $fixtures = [];
        foreach ($groups as $id => $group) {
            $found = [];
            self::collect($group, $groups, $found, []);
            $fixtures[$id] = array_map(strval(...), array_keys($found));
        }
        $this->fixtures = $fixtures;
    }

    /** @return list<string> ids of its fixtures, in their order; none when there is no such group */
    public function fixtures(string $id): array
    {
        return $this->fixtures[$id] ?? [];
    }

    /** Whether a group has itself among its members, or theirs. */
    public function isCircle(string $id): bool
    {
        return $this->reaches($id, $id, []);
    }

    /** @param array<string, true> $seen */
    private function reaches(string $from, string $goal, array $seen): bool
    {
        foreach ($this->groups[$from]->members ?? [] as $member) {
            $other = Group::named($member);
            if ($other === $goal || ($other !== '' && ! isset($seen[$other]) && $this->reaches(
                $other,
                $goal,
                $seen + [$other => true],
            ))) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<string, Group> $groups
     * @param array<string, true> $found ids of fixtures
     * @param array<string, true> $seen ids of groups
     */
    private static function collect(Group $group, array $groups, array &$found, array $seen): void
    {
        $seen[$group->id] = true;
        foreach ($group->members as $member) {
            $other = Group::named($member);
            if ($other === '') {
                $found[$member] = true;
            } elseif (isset($groups[$other]) && ! isset($seen[$other])) {
                self::collect($groups[$other], $groups, $found, $seen);
            }
        }
    }
}
