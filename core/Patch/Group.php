<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;

/** Fixtures in an order, with groups among them: what is set on it is set on each. */
final readonly class Group implements Part, Checked
{
    private const MOST = 2000;
    private const OTHER = 'group:';
    private const PATTERN = '/^(?:group:)?[a-z0-9][a-z0-9-]{0,59}$/D';

    /** @param list<string> $members ids of fixtures; "group:" and an id for another group */
    public function __construct(public string $id, public string $name, public array $members)
    {
    }

    public static function label(): string
    {
        return 'Group';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            (new TextList('members', 'Members, in their order', self::MOST, 66))
                ->meaning('Ids of fixtures, like fern-left, or of other groups, like group:ferns.'),
        ];
    }

    public function check(Fields $fields): void
    {
        foreach ($this->members as $i => $member) {
            if (preg_match(self::PATTERN, $member) !== 1) {
                $fields->fault(
                    "members/{$i}",
                    "it is \"{$member}\"",
                    'Name the id of a fixture, or group: and the id of a group.',
                );
            }
        }
    }

    /** The group that a member is; '' where it is a fixture. */
    public static function named(string $member): string
    {
        return str_starts_with($member, self::OTHER) ? substr($member, \strlen(self::OTHER)) : '';
    }
}
