<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Engine\Engine;
use Revolt\EventLoop;

/** A tape is played: each packet arrives as long after the first one as it did. */
final class TapePlayer
{
    /** Packets of one waking; what is due besides waits for the next. */
    private const MOST_AT_ONCE = 200;

    /** Where it is, in seconds of the tape. */
    public float $at;

    /** @var \Generator<int, array{string, Frame}> */
    private \Generator $frames;
    private ?string $timer = null;
    private int $beganAt = 0;
    private ?int $first = null;

    /**
     * @param \Closure(string, Frame): void $arrives a packet of an interface has come
     * @param \Closure(): void $ended
     */
    public function __construct(
        private readonly string $path,
        public TapeLabel $label,
        private readonly \Closure $arrives,
        private readonly \Closure $ended,
    ) {
        $this->begin();
    }

    public function stop(): void
    {
        EventLoop::cancel($this->timer ?? '');
        $this->timer = null;
    }

    private function begin(): void
    {
        $this->frames = self::generator($this->path);
        $this->first = null;
        $this->at = $this->label->from;
        $this->beganAt = Engine::now();
        $this->timer = EventLoop::delay(0, $this->goOn(...));
    }

    private function goOn(): void
    {
        $this->timer = null;
        try {
            $this->bringWhatIsDue();
        } catch (Malformed) {
            // The file is broken from here on: what is sound was played.
            ($this->ended)();
        }
    }

    /** @throws Malformed */
    private function bringWhatIsDue(): void
    {
        for ($left = self::MOST_AT_ONCE; $left > 0 && $this->frames->valid(); --$left) {
            [$interface, $frame] = $this->frames->current();
            $this->first ??= $frame->at;
            $place = ($frame->at - $this->first) / 1e9;
            if ($place < $this->label->from) {
                $this->frames->next();

                continue;
            }
            if ($place > $this->label->ends()) {
                break;
            }
            $due = $this->beganAt + (int) round(($place - $this->label->from) * 1e9) - Engine::now();
            if ($due > 0) {
                $this->timer = EventLoop::delay($due / 1e9, $this->goOn(...));

                return;
            }
            $this->at = $place;
            ($this->arrives)($interface, $frame);
            $this->frames->next();
        }
        if ($this->frames->valid() && ($this->frames->current()[1]->at - (int) $this->first) / 1e9 <= $this->label->ends()) {
            $this->timer = EventLoop::delay(0, $this->goOn(...));
        } elseif ($this->label->loops && $this->at > $this->label->from) {
            $this->begin();
        } else {
            ($this->ended)();
        }
    }

    /** @return \Generator<int, array{string, Frame}> */
    private static function generator(string $path): \Generator
    {
        foreach (TapeReader::frames($path) as $one) {
            yield $one;
        }
    }
}
