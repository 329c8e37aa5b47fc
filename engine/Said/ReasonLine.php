<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

/** One reason why a fixture is dark, or one that it is not. */
final readonly class ReasonLine extends Said
{
    /**
     * @param string $list where to look: a list of the show; '' for nowhere
     * @param string $release the parameter to be released for it to go; '' where that is no help
     */
    public function __construct(
        public bool $keepsDark,
        public string $words,
        public string $remedy,
        public string $list,
        public string $id,
        public string $release,
    ) {
    }
}
