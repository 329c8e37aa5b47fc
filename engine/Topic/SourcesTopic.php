<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Merge\Contributor;
use NimbleJunction\Core\Merge\Layer;
use NimbleJunction\Core\Merge\Source;
use NimbleJunction\Core\Universe\Universe;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\SourceLife;
use NimbleJunction\Engine\Said\Sources;

/** Who gives a universe levels, who wins each slot, and what each gives. */
final readonly class SourcesTopic implements Topic
{
    /** Names of owners that a source of ours is called by. */
    private const MOST_NAMES = 3;

    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'sources';
    }

    public static function says(): array
    {
        return [Sources::class];
    }

    public function everyNanos(): int
    {
        return 250_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return Topics::mayBeAnId($subject);
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $universe = $this->junction->universes()[$subject] ?? null;
        if ($universe === null) {
            return;
        }
        $sources = new Sources($universe->id, $universe->rules()->merge->value, $this->lives($universe, $now));
        if ($view->isNew("sources {$subject}", json_encode($sources, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell($sources);
        }
        $winners = $universe->winners();
        if ($view->isNew("winners {$subject}", $winners)) {
            $client->show(Picture::of(Picture::WINNERS, $subject, $winners));
        }
        foreach ($universe->contributors() as $place => $source) {
            if ($view->isNew("source {$subject} {$place}", $source->levels)) {
                $client->show(Picture::of(Picture::SOURCE, $subject, \chr($place).$source->levels));
            }
        }
    }

    /** @return list<SourceLife> */
    private function lives(Universe $universe, int $now): array
    {
        $leading = $universe->control()->leading;

        return array_map(static function (Contributor $contributor) use ($leading, $now): SourceLife {
            $place = array_search($contributor, $leading, true);
            $number = \is_int($place) ? $place + 1 : 0;

            return $contributor instanceof Source ? self::sender($contributor, $number, $now) : self::ours($contributor, $number);
        }, $universe->contributors());
    }

    private static function sender(Source $source, int $place, int $now): SourceLife
    {
        return new SourceLife(
            $source->name,
            $source->protocol->spelled(),
            $source->portId,
            $source->address,
            $source->priority,
            $source->slots,
            $source->frames,
            $source->outOfOrder,
            $source->lost,
            $source->rhythm->rate($now),
            round($source->rhythm->longestGapMillis($now)),
            round($source->rhythm->jitterMillis(), 1),
            $source->slotPriorities !== '',
            $source->lastResort,
            $source->preview,
            Engine::millis($source->heardAt),
            $place,
        );
    }

    /** Routes and copies, as one source of ours. */
    private static function ours(Contributor $layer, int $place): SourceLife
    {
        $isLayer = $layer instanceof Layer;

        return new SourceLife(
            $isLayer ? implode(', ', self::firstNames($layer)) : $layer->name,
            'our own',
            '',
            '',
            $isLayer ? $layer->priority : null,
            $isLayer ? 512 - substr_count($layer->mask, "\0") : 0,
            0,
            0,
            0,
            null,
            0.0,
            0.0,
            false,
            false,
            false,
            null,
            $place,
        );
    }

    /** @return list<string> */
    private static function firstNames(Layer $layer): array
    {
        $names = array_column($layer->all(), 'name');
        $more = \count($names) - self::MOST_NAMES;

        return $more > 0 ? [...\array_slice($names, 0, self::MOST_NAMES), "{$more} more"] : $names;
    }
}
