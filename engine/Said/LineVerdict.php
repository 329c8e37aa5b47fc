<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Said;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Desk\Misread;

/** What a desk takes a line for, or where it is wrong. */
final readonly class LineVerdict extends Said
{
    /**
     * @param string $typed the line as it is
     * @param float|null $at when, of a timeline
     * @param string $whole all words in full; '' where it is not taken
     * @param string $sends what is sent of it
     * @param int $place where it is wrong, in letters
     * @param string $allowed what could stand there
     * @param string $meant the line as it was perhaps meant; '' for no idea
     */
    public function __construct(
        public string $typed,
        public ?float $at,
        public bool $isRight,
        public string $whole,
        public string $sends,
        public int $place,
        public string $problem,
        public string $allowed,
        public string $meant,
    ) {
    }

    public static function of(Desk $desk, string $line, ?float $at): self
    {
        $read = $desk->read($line);

        return $read instanceof Misread
            ? new self($line, $at, false, '', '', $read->at, $read->problem, $read->allowed, $read->meant)
            : new self($line, $at, true, $read->line, $read->form->rendered($read), 0, '', '', '');
    }
}
