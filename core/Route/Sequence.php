<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

/** Several actions, one after the other. */
final class Sequence
{
    /**
     * @param list<Action> $actions
     * @param list<int> $place where they go on after a pause; empty at their beginning
     */
    public static function perform(array $actions, float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        $first = $place[0] ?? 0;
        $count = \count($actions);
        for ($i = $first; $i < $count; ++$i) {
            $pause = $actions[$i]->perform($value, $event, $turn, $i === $first ? \array_slice($place, 1) : []);
            if ($pause !== null) {
                return $pause->within($i);
            }
        }

        return null;
    }
}
