<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Programme\CueList;
use NimbleJunction\Core\Programme\Playback;

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

    /** Whether it gives something by a cue, and does not go out. */
    public bool $isOn = false;

    public function __construct(public CueList $list, public readonly Playback $playback)
    {
    }

    public static function of(CueList $list): self
    {
        return new self($list, new Playback("list {$list->id}", "List \"{$list->name}\"", $list->priority));
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
