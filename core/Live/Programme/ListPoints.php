<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\ListTime;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\Route\Template;

/** Cue lists as points: the number of the cue, whether it runs, how fast; and what can be pressed. */
final class ListPoints extends PlanRoom
{
    private const HIGHEST_CUE = 99999.999;
    private const LOWEST_RATE = 0.05;
    private const HIGHEST_RATE = 20.0;

    public function __construct(private readonly Lists $lists)
    {
        parent::__construct();
    }

    public function kinds(): array
    {
        return ['list'];
    }

    public function notice(): Notice
    {
        return Notice::Told;
    }

    public function describe(Reference $reference): ?Point
    {
        if (! $this->plan->programme->has($reference)) {
            return null;
        }
        $name = ucfirst($this->plan->programme->said($reference));

        return match ($reference->part) {
            '' => new Point($reference, $name, PointKind::Number, 0.0, self::HIGHEST_CUE, isSet: true, isPressed: true),
            'cue', 'load' => new Point($reference, $name, PointKind::Number, 0.0, self::HIGHEST_CUE, isSet: true),
            'rate' => new Point($reference, $name, PointKind::Number, self::LOWEST_RATE, self::HIGHEST_RATE, isSet: true),
            'running' => new Point($reference, $name, PointKind::Switch, isSet: true),
            'follows' => new Point($reference, $name, PointKind::Switch),
            'now', 'next' => new Point($reference, $name, PointKind::Text),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|float|string|null
    {
        $live = $this->lists->of($reference->id);

        return match ($reference->part) {
            '', 'cue' => $live === null || $live->current === '' ? null : (float) $live->current,
            'load' => $live === null || $live->loaded === '' ? null : (float) $live->loaded,
            'running' => (int) ($live !== null && $live->isOn && ! $live->isPaused),
            'follows' => (int) ($live !== null && $live->isArmed),
            'rate' => isset($this->plan->programme->lists[$reference->id]) ? $live->rate ?? 1.0 : null,
            'now' => $this->cue($reference->id, $live === null ? null : $live->list->place($live->current)),
            'next' => $this->cue($reference->id, $this->lists->nextOf($reference->id)),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $text = \is_string($value) ? $value : Template::number((float) $value);
        $to = ListTime::parse($text);

        return match (true) {
            $to === null && \in_array($reference->part, ['', 'cue', 'load'], true) => ListTime::RULE,
            \in_array($reference->part, ['now', 'next'], true) => 'it says which cue that is, and cannot be set',
            $to !== null && \in_array($reference->part, ['', 'cue'], true) => $to->cue === ListTime::NEXT
                ? $this->lists->go($reference->id, $now, $to->times)
                : $this->lists->jump($reference->id, $to->cue, $now, $to->times),
            $to !== null && $reference->part === 'load' => $this->lists->load($reference->id, $to->cue),
            ! is_numeric($value) => 'it is a number',
            $reference->part === 'rate' => $this->lists->setRate($reference->id, (float) $value, $now),
            $reference->part === 'running' => (float) $value > 0.0
                ? $this->run($reference->id, $now)
                : $this->lists->pause($reference->id, $now),
            $reference->part === 'follows' => 'it says whether the next cue goes by itself, and cannot be set',
            // A button that is set to 1 is pressed; as it comes up nothing happens.
            default => (float) $value > 0.0 ? $this->press($reference, $act, $now) : '',
        };
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        return match ($reference->part) {
            '', 'go' => $this->lists->go($reference->id, $now),
            'back' => $this->lists->back($reference->id, $now),
            'pause' => $this->lists->pause($reference->id, $now),
            'resume' => $this->lists->resume($reference->id, $now),
            'stop' => $this->lists->stop($reference->id, $now),
            'release' => $this->lists->release($reference->id, $now),
            default => 'it can be set, and not pressed',
        };
    }

    /** @return string|null number and name of a cue; null where there is no such list */
    private function cue(string $id, ?int $place): ?string
    {
        $list = $this->plan->programme->lists[$id] ?? null;
        $cue = $place === null ? null : $list?->cues[$place] ?? null;

        return $list === null ? null : ($cue === null ? '' : trim("{$cue->number} {$cue->name}"));
    }

    /** It goes on; where it is in no cue it goes. */
    private function run(string $id, int $now): string
    {
        return $this->lists->of($id)?->isOn === true ? $this->lists->resume($id, $now) : $this->lists->go($id, $now);
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        return $this->lists->release($reference->id, $now);
    }

    public function all(): iterable
    {
        foreach (array_keys($this->plan->programme->lists) as $id) {
            foreach (Programme::LIST_PARTS as $part) {
                $reference = Reference::parse("list:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }
}
