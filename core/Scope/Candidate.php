<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Scope;

use NimbleJunction\Core\Signal\Message;

/** One address that was heard while somebody learns: how often, and how far each of its numbers moved. */
final class Candidate
{
    private const MOST_ARGUMENTS = 8;
    public int $count = 0;

    /** @var array<int, array{low: float, high: float}> by place, from 1 */
    public array $moved = [];

    public function __construct(public Message $last, public int $at)
    {
    }

    public function heard(Message $message, int $now): void
    {
        ++$this->count;
        $this->last = $message;
        $this->at = $now;
        for ($place = 1; $place <= self::MOST_ARGUMENTS; ++$place) {
            $number = $message->number($place);
            if ($number !== null) {
                $known = $this->moved[$place] ?? ['low' => (float) $number, 'high' => (float) $number];
                $this->moved[$place] = [
                    'low' => min($known['low'], (float) $number),
                    'high' => max($known['high'], (float) $number),
                ];
            }
        }
    }
}
