<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How everything is: what has changed since this page was told last. */
final readonly class Status extends Message
{
    /**
     * @param float $now milliseconds of the engine's clock
     * @param bool $whole what is not in it is not there any more
     * @param EngineLife|null $engine null where it is as before
     * @param array<string, PortLife> $ports
     * @param array<string, UniverseLife> $universes
     * @param list<HeldSlot> $holds null where they are as before
     * @param list<Stray> $unclaimed null where it is as before
     */
    public function __construct(
        public float $now,
        public bool $whole,
        public ?EngineLife $engine,
        #[MapOf(PortLife::class)]
        public array $ports,
        #[MapOf(UniverseLife::class)]
        public array $universes,
        #[ListOf(HeldSlot::class)]
        public ?array $holds,
        #[ListOf(Stray::class)]
        public ?array $unclaimed,
    ) {
    }

    public static function type(): string
    {
        return 'status';
    }
}
