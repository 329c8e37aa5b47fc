<?php

declare(strict_types=1);

namespace App\Http;

/** The addresses of the page, as its router (resources/ts/router.ts) has them; any other one is answered 404. */
final class Pages
{
    public const ADDRESSES = [
        '/login',
        '/',
        '/ports/{id?}',
        '/patch/{id?}',
        '/patch-sheet',
        '/patch-groups/{id?}',
        '/patch-pixels/{id?}',
        '/patch-profiles/{id?}',
        '/universes/{id?}',
        '/scope',
        '/routes-offers/{id?}',
        '/routes-sheet',
        '/routes-unanswered',
        '/routes/{id?}',
        '/programme/{id?}',
        '/programme-lists/{id?}',
        '/programme-masters/{id?}',
        '/programme-waves/{id?}',
        '/programme-tempo/{id?}',
        '/timeline/{id?}',
        '/timeline-codes/{id?}',
        '/timeline-day/{id?}',
        '/timeline-desks/{id?}',
        '/timeline-tapes',
        '/timeline-edit/{id}',
        '/surfaces/{id?}',
        '/surfaces-panels/{id?}',
        '/surfaces-build/{id}/{page?}',
        '/live',
        '/stand-ins',
        '/packets',
        '/show',
        '/history',
        '/machine',
        '/people',
    ];
}
