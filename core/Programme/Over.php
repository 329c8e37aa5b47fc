<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

/** What a master is over. */
enum Over: string
{
    case All = 'all';
    case Programme = 'programme';
    case Lists = 'lists';
    case Looks = 'looks';
    case Universes = 'universes';
    case Groups = 'groups';
    case Fixtures = 'fixtures';

    public const TITLES = [
        'all' => 'all that leaves',
        'programme' => 'our own looks and lists',
        'lists' => 'chosen lists',
        'looks' => 'chosen looks',
        'universes' => 'chosen universes',
        'groups' => 'chosen groups',
        'fixtures' => 'chosen fixtures',
    ];

    /** Whether it acts on what looks and lists give, before that is merged with desks; or on all that leaves, after it. */
    public function isBeforeMerging(): bool
    {
        return \in_array($this, [self::Programme, self::Lists, self::Looks], true);
    }
}
