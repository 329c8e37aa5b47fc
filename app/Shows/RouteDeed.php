<?php

declare(strict_types=1);

namespace App\Shows;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Rerouting\Rerouting;
use NimbleJunction\Core\Rerouting\Reroutings;
use NimbleJunction\Core\Show\ShowRefused;

/** Something that is done to many routes in one edit. */
final readonly class RouteDeed
{
    private const MOST = 10_000;

    private Rerouting $rerouting;

    /** @var list<string> */
    public array $ids;

    /**
     * @param array<mixed> $asked "ids" of the routes, "kind" and its fields
     *
     * @throws ShowRefused
     */
    public function __construct(array $asked)
    {
        $ids = $asked['ids'] ?? null;
        if (
            ! \is_array($ids)
            || $ids === []
            || \count($ids) > self::MOST
            || array_filter($ids, static fn(mixed $id): bool => ! \is_string($id)) !== []
        ) {
            throw ShowRefused::because([new Fault(
                '/ids',
                'they are no list of ids',
                'Give from 1 to '.self::MOST.' ids of routes.',
            )]);
        }
        $this->ids = array_values(array_unique($ids));
        $this->rerouting = Reroutings::read(array_diff_key($asked, ['ids' => true]));
    }

    public function summary(): string
    {
        return $this->rerouting->summary(\count($this->ids));
    }

    /** @throws ShowRefused */
    public function apply(Draft $draft): void
    {
        $draft->read('routes', $this->ids);
        foreach ($this->ids as $id) {
            $draft->need('routes', $id);
            $draft->put('routes', $id, Reroutings::applied($this->rerouting, $draft->part('routes', $id) ?? []));
        }
    }
}
