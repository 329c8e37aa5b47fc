<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Furnishing;

use NimbleJunction\Core\Document\Asked;
use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;

/** All templates that there are; a new one is a class, named here. */
final class Templates
{
    public const ALL = [
        BankOfFaders::class,
        LooksOfList::class,
        PageOfFixture::class,
        PagesOfUniverse::class,
        PageOfPanel::class,
    ];

    /**
     * @param array<mixed> $asked "kind" and its fields
     *
     * @throws ShowRefused
     */
    public static function read(array $asked): Template
    {
        $read = Asked::of(self::ALL, $asked);
        if (! $read->kind instanceof Template) {
            throw ShowRefused::because(
                $read->faults === [] ? [new Fault('', 'it names no template', 'Give a kind.')] : $read->faults,
            );
        }

        return $read->kind;
    }
}
