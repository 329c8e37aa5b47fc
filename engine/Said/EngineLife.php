<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** How the engine itself is. Times are milliseconds of its own clock. */
final readonly class EngineLife extends Said
{
    /**
     * @param string $show name of the show in force
     * @param int $adoptions how often a show was taken on
     * @param string $runs how its code runs, in words
     * @param list<WarningLine> $warnings
     * @param int $descriptors open files and sockets
     * @param list<string> $routesOff ids of those that are switched off by hand
     * @param list<string> $routesAlone ids of those that are alone on
     * @param string $showMode who has locked all but the live page and surfaces; '' while nobody has
     */
    public function __construct(
        public string $show,
        public int $adoptions,
        public float $startedAt,
        public int $pid,
        public string $runs,
        #[ListOf(WarningLine::class)]
        public array $warnings,
        public int $descriptors,
        #[ListOf('string')]
        public array $routesOff,
        #[ListOf('string')]
        public array $routesAlone,
        public string $showMode,
    ) {
    }
}
