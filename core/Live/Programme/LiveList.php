<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\Cue;
use NimbleJunction\Core\Programme\CueList;
use NimbleJunction\Core\Programme\Follow\BeatFollow;
use NimbleJunction\Core\Programme\KeptPlayback;
use NimbleJunction\Core\Programme\Playback;
use NimbleJunction\Core\State\Stored;

/** A cue list at work: which cue it is in, which is next, and how fast it runs. */
final class LiveList
{
    /** Number of the cue that it is in; '' for none. */
    public string $current = '';

    /** Number of the cue that is loaded to go next; '' for the one that follows. */
    public string $loaded = '';

    /** 1 forth, -1 back, where it bounces. */
    public int $way = 1;

    /** How fast it runs; it stands where it is paused, whatever this is. */
    public float $rate = 1.0;

    public bool $isPaused = false;

    /** When the cue went, when it is complete, and when the next one follows: on its playback's clock; null for not by itself. */
    public int $wentAt = 0;
    public int $completeAt = 0;
    public ?int $followsAt = null;

    /** At which beat the next one follows, and of which tempo; null for not on the beat. */
    public ?float $followsBeat = null;
    public string $followsTempo = '';

    /** Whether the next cue goes by itself, whatever says when: until it is stopped, or another cue goes. */
    public bool $isArmed = false;

    /** Whether it gives something by a cue, and does not go out. */
    public bool $isOn = false;

    public function __construct(public CueList $list, public readonly Playback $playback)
    {
    }

    public static function of(CueList $list): self
    {
        return new self($list, new Playback("list {$list->id}", "List \"{$list->name}\"", $list->priority));
    }

    /**
     * The cue has just gone: what follows it.
     *
     * @param LiveTempo|null $tempo where it follows on the beat
     */
    public function arm(Cue $cue, ?LiveTempo $tempo, int $now): void
    {
        $this->disarm();
        $this->isArmed = $cue->follow !== null;
        $after = $cue->follow?->after($this->completeAt - $this->wentAt);
        if ($after !== null) {
            // Never within the same frame: cues that follow each other in a circle at once would never end.
            $this->followsAt = $this->wentAt + max(Giving::FRAME_NANOS, $after);
        }
        if ($tempo !== null && $cue->follow instanceof BeatFollow) {
            $this->followsTempo = $tempo->tempo->id;
            $this->followsBeat = round($tempo->clock->at($now)) + $cue->follow->beats;
        }
    }

    /** @return int when the next one follows, on the junction's clock; PHP_INT_MAX for not after a time */
    public function followsOn(): int
    {
        return $this->followsAt === null ? \PHP_INT_MAX : $this->playback->clock->when($this->followsAt);
    }

    /** Nothing follows by itself any more. */
    public function disarm(): void
    {
        $this->followsAt = $this->followsBeat = null;
        $this->isArmed = false;
    }

    /** @return array<string, mixed> as it is kept over a restart */
    public function kept(int $now): array
    {
        $at = $this->playback->clock->at($now);

        return [
            'cue' => $this->current,
            'loaded' => $this->loaded,
            'way' => $this->way,
            'rate' => $this->rate,
            'paused' => $this->isPaused,
            'on' => $this->isOn,
            'went' => $this->wentAt - $at,
            'complete' => $this->completeAt - $at,
            'follows' => $this->followsAt === null ? null : $this->followsAt - $at,
            'beat' => $this->followsBeat,
            'armed' => $this->isArmed,
            'tempo' => $this->followsTempo,
            'playback' => KeptPlayback::of($this->playback, $now),
        ];
    }

    /**
     * Goes on where it would be by now; its playback is restored already.
     *
     * @param int $away nanoseconds since it was written down
     */
    public function resume(Stored $part, int $now, int $away): void
    {
        $clock = $this->playback->clock;
        $at = $clock->at($now) - (int) ($away * $clock->rate());
        $this->current = $part->text('cue', 20);
        $this->loaded = $part->text('loaded', 20);
        $this->way = $part->whole('way', -1, 1) === -1 ? -1 : 1;
        $rate = $part->scalar('rate');
        $this->rate = is_numeric($rate) ? max(Lists::LOWEST_RATE, min(Lists::HIGHEST_RATE, (float) $rate)) : 1.0;
        $this->isPaused = $part->flag('paused');
        $this->isOn = $part->flag('on');
        $this->wentAt = $at + ($part->whole('went', -1 << 60, 1 << 60) ?? 0);
        $this->completeAt = $at + ($part->whole('complete', -1 << 60, 1 << 60) ?? 0);
        $follows = $part->whole('follows', -1 << 60, 1 << 60);
        $this->followsAt = $follows === null ? null : $at + $follows;
        $this->isArmed = $part->flag('armed');
        $beat = $part->scalar('beat');
        $this->followsBeat = is_numeric($beat) ? (float) $beat : null;
        $this->followsTempo = $part->text('tempo', 60);
    }

    /** @return int|null the place of the cue that goes next; null for none */
    public function next(): ?int
    {
        $loaded = $this->loaded === '' ? null : $this->list->place($this->loaded);
        $last = \count($this->list->cues) - 1;
        if ($loaded !== null || $last < 0) {
            return $loaded;
        }
        $here = $this->place();
        if ($here === null) {
            // Its cue is gone, or there was none yet: the first one behind it.
            return $this->current === '' ? 0 : $this->behind();
        }
        $next = $here + $this->way;
        if ($next >= 0 && $next <= $last) {
            return $next;
        }

        return match ($this->list->end) {
            'loop' => $this->way > 0 ? 0 : $last,
            'bounce' => $last === 0 ? 0 : $here - $this->way,
            default => null,
        };
    }

    /** @return int|null the place of the cue before; null for none */
    public function previous(): ?int
    {
        $here = $this->place();

        return $here === null || $here === 0 ? null : $here - 1;
    }

    public function place(): ?int
    {
        return $this->current === '' ? null : $this->list->place($this->current);
    }

    private function behind(): ?int
    {
        foreach ($this->list->cues as $i => $cue) {
            if ((float) $cue->number > (float) $this->current) {
                return $i;
            }
        }

        return null;
    }
}
