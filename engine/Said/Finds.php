<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** What says that it is there, what pages lend, what arrives and nobody asks for. */
final readonly class Finds extends Message
{
    /**
     * @param list<Neighbour> $neighbours
     * @param list<LentDevice> $lent
     * @param list<Stray> $unclaimed
     * @param list<FoundService> $services
     * @param string $unnamed why nothing is found by name; '' where it is
     */
    public function __construct(
        #[ListOf(Neighbour::class)]
        public array $neighbours,
        #[ListOf(LentDevice::class)]
        public array $lent,
        #[ListOf(Stray::class)]
        public array $unclaimed,
        #[ListOf(FoundService::class)]
        public array $services,
        public string $unnamed,
    ) {
    }

    public static function type(): string
    {
        return 'finds';
    }
}
