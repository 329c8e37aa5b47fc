<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Live\Programme\LiveList;
use NimbleJunction\Core\Live\Programme\LiveLook;
use NimbleJunction\Core\Live\Programme\LiveMaster;
use NimbleJunction\Core\Live\Programme\LiveTempo;
use NimbleJunction\Core\Live\Programme\LiveWave;
use NimbleJunction\Core\Merge\Bytes;
use NimbleJunction\Core\Patch\Intensities;
use NimbleJunction\Core\Patch\Patch;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\ListLife;
use NimbleJunction\Engine\Said\LookLife;
use NimbleJunction\Engine\Said\MasterLife;
use NimbleJunction\Engine\Said\ProgrammeNews;
use NimbleJunction\Engine\Said\TempoLife;
use NimbleJunction\Engine\Said\WaveLife;

/** What is live of the programme: looks, lists, masters, waves, tempos, blackout. */
final readonly class ProgrammeTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'programme';
    }

    public static function says(): array
    {
        return [ProgrammeNews::class];
    }

    public function everyNanos(): int
    {
        return 50_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return $subject === '';
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $programme = $this->junction->programme;
        $news = new ProgrammeNews(
            Engine::millis($now),
            array_values(array_map($this->look(...), $programme->looks->live())),
            array_values(array_map($this->list(...), $programme->lists->live())),
            array_values(array_map($this->master(...), $programme->masters->live())),
            array_values(array_map($this->wave(...), $programme->waves->live())),
            array_values(array_map(fn(LiveTempo $live): TempoLife => $this->tempo($live, $now), $programme->tempos->live())),
            $programme->masters->isDark(),
            $programme->masters->isDark() ? $this->leftLit() : 0,
            $programme->common->seconds(),
        );
        $said = [
            $news->looks,
            $news->lists,
            $news->masters,
            $news->waves,
            $news->tempos,
            $news->blackout,
            $news->leftLit,
            $news->fadeTime,
        ];
        if ($view->isNew('programme', json_encode($said, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell($news);
        }
    }

    /** Slots that are raised, at which nothing is known to listen, in universes that do not say that these are lights. */
    private function leftLit(): int
    {
        $count = 0;
        $plan = $this->junction->plan();
        foreach ($this->junction->universes() as $id => $universe) {
            if (! Intensities::areAt((string) $id) && ($plan->origin?->show->universes[$id]->rawLights ?? false) === false) {
                $free = $universe->levels & ($plan->patch->taken((string) $id) ^ Bytes::$all);
                $count += Patch::SLOTS - substr_count($free, "\0");
            }
        }

        return $count;
    }

    private function look(LiveLook $live): LookLife
    {
        return new LookLife($live->look->id, $live->level, Engine::millis($live->playback->clock->when($live->completeAt)));
    }

    private function list(LiveList $live): ListLife
    {
        $clock = $live->playback->clock;
        $next = $live->next();
        $when = static fn(?int $at): ?float => $at === null || $live->isPaused ? null : Engine::millis($clock->when($at));

        return new ListLife(
            $live->list->id,
            $live->current,
            $next === null ? '' : $live->list->cues[$next]->number,
            $live->loaded !== '',
            match (true) {
                ! $live->isOn => 'released',
                $live->isPaused => 'paused',
                default => 'running',
            },
            $live->rate,
            $when($live->wentAt),
            $when($live->completeAt),
            $when($live->followsAt),
        );
    }

    private function wave(LiveWave $live): WaveLife
    {
        return new WaveLife(
            $live->wave->id,
            $live->isOn,
            $live->base('rate'),
            $live->base('size'),
            $live->base('centre'),
            $live->base('phase'),
        );
    }

    private function tempo(LiveTempo $live, int $now): TempoLife
    {
        $zero = $live->clock->runs() ? round(Engine::millis($live->clock->when(0.0))) : null;

        return new TempoLife(
            $live->tempo->id,
            round($live->clock->bpm(), 4),
            $live->source($now),
            $live->leader,
            $live->isCarriedOn,
            $zero,
        );
    }

    private function master(LiveMaster $live): MasterLife
    {
        return new MasterLife(
            $live->master->id,
            round($live->level, 2),
            round($live->share(), 4),
            $live->to,
            $live->flashes,
            $live->isAlone,
        );
    }
}
