<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Desk;

/** A typed line that a desk does not take. */
final readonly class Misread
{
    /**
     * @param int $at where it is wrong, in letters from the beginning
     * @param string $problem what is wrong
     * @param string $allowed what could stand there; '' for nothing more
     * @param string $meant the line as it was perhaps meant; '' for no idea. It is never sent without being asked for
     */
    public function __construct(public int $at, public string $problem, public string $allowed, public string $meant = '')
    {
    }

    public function words(): string
    {
        $means = $this->meant === '' ? '' : " Did you mean: {$this->meant}?";

        return "{$this->problem}.".($this->allowed === '' ? '' : " There may stand {$this->allowed}.").$means;
    }
}
