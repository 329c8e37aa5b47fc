<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\TapeLife;
use NimbleJunction\Engine\Said\TapePartLife;
use NimbleJunction\Engine\Said\TapesNews;
use NimbleJunction\Engine\Tape\TapeLabel;
use NimbleJunction\Engine\Tape\TapePart;

/** Tapes, and what is done with them. */
final readonly class TapesTopic implements Topic
{
    public function __construct(private Engine $engine)
    {
    }

    public static function name(): string
    {
        return 'tapes';
    }

    public static function says(): array
    {
        return [TapesNews::class];
    }

    public function everyNanos(): int
    {
        return 250_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $deck = $this->engine->tapes;
        if ($deck === null) {
            return;
        }
        $recorder = $deck->recorder;
        $isOpen = $recorder?->isOpen() === true;
        $life = static fn(TapeLabel $one): TapeLife => new TapeLife(
            $one->id,
            $one->name,
            $one->made,
            $one->bytes,
            round($one->seconds, 2),
            $one->packets,
            $one->from,
            $one->to,
            $one->loops,
            self::parts($one, isset($deck->players[$one->id]) ? $deck->played[$one->id] ?? '' : ''),
            isset($deck->players[$one->id]) ? round($deck->players[$one->id]->at, 1) : null,
        );
        $news = new TapesNews(
            $isOpen ? $deck->recording : '',
            $isOpen ? round($recorder->seconds(), 1) : 0.0,
            $isOpen ? $recorder->packets : 0,
            $recorder->why ?? '',
            array_values(array_map($life, $deck->labels())),
        );
        if ($view->isNew(
            'tapes',
            json_encode(
                [$news->recording, $news->seconds, $news->packets, $news->why, $news->tapes],
                \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE,
            ),
        )) {
            $client->tell($news);
        }
    }

    /**
     * @param string $played id of the part that plays; '' for none
     *
     * @return list<TapePartLife>
     */
    private static function parts(TapeLabel $label, string $played): array
    {
        return array_map(
            static fn(TapePart $part): TapePartLife => new TapePartLife(
                $part->id,
                $part->name,
                $part->from,
                $part->to,
                $part->id === $played,
            ),
            array_values($label->parts),
        );
    }
}
