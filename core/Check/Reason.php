<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check;

/** One reason why a fixture is dark, or one that it is not: who is behind it, where to look, and what mends it. */
final readonly class Reason
{
    /**
     * @param bool $keepsDark whether it alone keeps the fixture dark
     * @param string $words what it is, and who is behind it
     * @param string $remedy what a person can do; '' for nothing
     * @param string $list where to look: a list of the show ("ports", "universes", "fixtures"); '' for nowhere
     * @param string $id of the part there
     * @param string $release the parameter that is to be released for it to go; '' where that is no help
     */
    public function __construct(
        public bool $keepsDark,
        public string $words,
        public string $remedy = '',
        public string $list = '',
        public string $id = '',
        public string $release = '',
    ) {
    }
}
