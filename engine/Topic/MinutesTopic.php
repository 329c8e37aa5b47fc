<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\MinuteCounts;
use NimbleJunction\Engine\Said\Minutes;

/** Packets of each port, second by second. */
final readonly class MinutesTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'minutes';
    }

    public static function says(): array
    {
        return [Minutes::class];
    }

    public function everyNanos(): int
    {
        return 1_000_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $isWhole = $view->isNew('minutes show', (string) $this->junction->adoptions);
        $ports = [];
        foreach (array_keys($this->junction->plan()->ports) as $id) {
            $activity = $this->junction->activity((string) $id);
            $in = $activity->minute($now, true);
            $out = $activity->minute($now, false);
            if ($view->isNew("minutes {$id}", implode(' ', $in).','.implode(' ', $out)) || $isWhole) {
                $ports[$id] = new MinuteCounts($in, $out);
            }
        }
        if ($isWhole || $ports !== []) {
            $client->tell(new Minutes($isWhole, $ports));
        }
    }
}
