<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;
use NimbleJunction\Core\Port\State;

/** Whether what is heard comes as it should: no figure is bad beside a word that says that all is well. */
final readonly class IsItSteady implements Question
{
    private const WORDS = 'Is it steady?';

    public function ask(Scene $scene): array
    {
        $activity = $scene->seen->activity;
        $now = $scene->now;
        $isHeard = $scene->port->receives() && IsAnythingHeard::lately($scene);
        $health = $isHeard && $scene->carriesLevels() ? $activity->streams->health($now) : null;
        if ($health === null) {
            return [];
        }
        [$state, $words] = $health;
        $fitting = $activity->streams->fittingSeconds();
        $gap = 0.0;
        foreach ($activity->streams->all($now) as $stream) {
            $gap = max($gap, $stream->rhythm->longestGapMillis($now));
        }
        $loss = round(100 * $activity->lossPart($now, 60), 1);
        $figures = 'longest gap '.($gap < 1000 ? round($gap).' ms' : round($gap / 1000, 1).' s').', '
            .($loss > 0 ? "{$loss} % lost" : 'nothing lost').' in the last minute';

        return [match (true) {
            $words !== '' => Finding::wrong(
                self::WORDS,
                ucfirst($words).(str_ends_with($words, '.') ? '' : '.')." ({$figures})",
                $fitting > 0 ? '' : 'A wireless link, a switch that is busy, a long cable, a sender that is overloaded?',
                $fitting > 0 ? [
                    'label' => "Raise the time-out to {$fitting} s",
                    'changes' => ['receive/timeOut' => $fitting],
                ] : null,
            ),
            $state !== State::Alive || $loss > 0 => Finding::open(self::WORDS, ucfirst($figures).'.', 'Look again in a minute.'),
            default => Finding::right(self::WORDS, ucfirst($figures).'.'),
        }];
    }
}
