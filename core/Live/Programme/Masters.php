<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Changes;
use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Live\Universes;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Master;
use NimbleJunction\Core\Programme\Over;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Masters, and blackout: what they leave of intensities, before merging or after it. */
final class Masters extends PlanRoom implements Room
{
    private const FULL = 100.0;
    private const GRAND = 510;

    /** @var array<string, LiveMaster> by id */
    private array $live = [];

    /**
     * @var list<array{float, bool}> what those over looks, lists and the programme left when they were brought last, and who
     * was alone
     */
    private array $before = [];

    private bool $isDark = false;
    private int $acts = 0;

    /**
     * @param \Closure(): Changes $changes
     * @param \Closure(Reference, int|float|null, int|float|null): void $changed a point has another value, and had this one
     * @param \Closure(int): void $scaled looks and lists are scaled otherwise
     */
    public function __construct(
        private readonly Universes $universes,
        private readonly \Closure $changes,
        private readonly \Closure $changed,
        private readonly \Closure $scaled,
    ) {
        parent::__construct();
    }

    public function adopt(Plan $plan): void
    {
        parent::adopt($plan);
        $live = [];
        foreach ($plan->programme->masters as $id => $master) {
            $live[$id] = $this->live[$id] ?? new LiveMaster($master, $master->start);
            $live[$id]->master = $master;
        }
        $this->live = $live;
        $this->bringAll();
    }

    /** @return array<string, LiveMaster> by id */
    public function live(): array
    {
        return $this->live;
    }

    public function isDark(): bool
    {
        return $this->isDark;
    }

    /** What they leave of the programme, before it is merged. */
    public function before(): BeforeMerging
    {
        return new BeforeMerging($this->live);
    }

    /** @param array<string, float> $added what waves add to levels, in per cent, by id */
    public function modulate(array $added, int $now): void
    {
        $hasMoved = false;
        foreach ($this->live as $id => $live) {
            $hasMoved = $hasMoved || $live->modulation !== ($added[$id] ?? 0.0);
            $live->modulation = $added[$id] ?? 0.0;
        }
        if ($hasMoved) {
            $this->bringAll($now);
        }
    }

    public function kinds(): array
    {
        return ['master'];
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

        return match (true) {
            $reference->id === Master::BLACKOUT => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            $reference->part === '' => new Point($reference, $name, PointKind::Level, 0.0, self::FULL, '%', isSet: true),
            \in_array($reference->part, ['flash', 'solo'], true) => new Point(
                $reference,
                $name,
                PointKind::Switch,
                isSet: true,
                isPressed: true,
            ),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|float|null
    {
        if ($reference->id === Master::BLACKOUT) {
            return (int) $this->isDark;
        }
        $live = $this->live[$reference->id] ?? null;

        return match ($live === null ? null : $reference->part) {
            '' => $live?->level,
            'flash' => (int) $live?->flashes,
            'solo' => (int) $live?->isAlone,
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        if (! is_numeric($value)) {
            return $reference->part === '' && $reference->id !== Master::BLACKOUT
                ? 'a master has a level from 0 to 100'
                : 'it is a switch: 0 or 1';
        }
        $live = $this->live[$reference->id] ?? null;
        if ($reference->id === Master::BLACKOUT) {
            $this->darken((float) $value > 0.0);
        } elseif ($live === null) {
            return 'there is no such master';
        } elseif ($reference->part === '') {
            $this->eachLinked($live, static fn(LiveMaster $one) => $one->stand(max(0.0, min(self::FULL, (float) $value))));
        } elseif ($reference->part === 'flash' || $reference->part === 'solo') {
            $this->turn($live, $reference, (float) $value > 0.0);
        } else {
            return 'it can only be pressed';
        }
        $this->bring($now);

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        if ($reference->id === Master::BLACKOUT || \in_array($reference->part, ['flash', 'solo'], true)) {
            return $this->set($reference, 1 - (int) $this->read($reference), $act, $now);
        }
        $live = $this->live[$reference->id] ?? null;
        $to = match ($live === null ? null : $reference->part) {
            'zero' => 0.0,
            'full' => self::FULL,
            'reset' => $live?->master->start,
            default => null,
        };
        if ($live === null || $to === null) {
            return $live === null ? 'there is no such master' : 'a level cannot be pressed: press its zero, full or reset';
        }
        $this->eachLinked($live, static fn(LiveMaster $one) => $one->fade($to, $live->master->time, $now));
        $this->bring($now);

        return '';
    }

    /** A master goes to a level over a time. */
    public function fade(string $id, float $to, float $seconds, int $now): void
    {
        $live = $this->live[$id] ?? null;
        if ($live !== null) {
            $this->eachLinked($live, static fn(LiveMaster $one) => $one->fade(max(0.0, min(self::FULL, $to)), $seconds, $now));
            $this->bring($now);
        }
    }

    /**
     * A control of show control: 510 is the grand master, 0 to 127 are the others in their order. Source: MIDI Show
     * Control 1.1, recommended numbers of controls for lighting (from memory).
     *
     * @return string why not; '' when it is done
     */
    public function control(int $number, float $level, int $now): string
    {
        $grand = array_filter($this->live, static fn(LiveMaster $one): bool => $one->master->over === Over::All);
        $others = array_values(array_diff_key($this->live, $grand));
        $live = $number === self::GRAND ? array_values($grand)[0] ?? null : $others[$number] ?? null;
        if ($live === null) {
            return "no master has control {$number}: the grand master is 510, the others are 0 to ".(\count($others) - 1);
        }
        $this->eachLinked($live, static fn(LiveMaster $one) => $one->stand(max(0.0, min(self::FULL, $level))));
        $this->bring($now);

        return '';
    }

    public function all(): iterable
    {
        $parts = ['', '/flash', '/solo', '/zero', '/full', '/reset'];
        $names = ['master:'.Master::BLACKOUT];
        foreach (array_keys($this->live) as $id) {
            array_push($names, ...array_map(static fn(string $part): string => "master:{$id}{$part}", $parts));
        }
        foreach (array_filter(array_map(Reference::parse(...), $names)) as $reference) {
            yield $reference;
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(int $lastFrame): int
    {
        foreach ($this->live as $live) {
            if ($live->isMoving()) {
                return $lastFrame + Giving::FRAME_NANOS;
            }
        }

        return \PHP_INT_MAX;
    }

    /** A frame: what fades goes on. */
    public function goOn(int $now): void
    {
        $hasMoved = false;
        foreach ($this->live as $live) {
            if ($live->isMoving()) {
                $before = $live->level;
                $live->goOn($now);
                $this->tell($live, $before);
                $hasMoved = true;
            }
        }
        if ($hasMoved) {
            $this->bringAll($now);
        }
    }

    public function key(): string
    {
        return 'masters';
    }

    public function revisions(): array
    {
        return $this->acts === 0 ? [] : array_fill_keys([...array_keys($this->live), Master::BLACKOUT], $this->acts);
    }

    public function kept(string $part, int $now): array|bool
    {
        $live = $this->live[$part] ?? null;

        return $live === null
            ? $this->isDark
            : [
                'level' => $live->level,
                'to' => $live->to,
                'left' => $live->left($now),
                'flash' => $live->flashes,
                'solo' => $live->isAlone,
            ];
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, int $now, int $away): void
    {
        $this->isDark = $stored->flag(Master::BLACKOUT);
        foreach ($this->live as $id => $live) {
            $part = $stored->part((string) $id);
            $level = $part->scalar('level');
            if (! is_numeric($level)) {
                continue;
            }
            $live->stand(max(0.0, min(self::FULL, (float) $level)));
            $live->flashes = $part->flag('flash');
            $live->isAlone = $part->flag('solo');
            $to = $part->scalar('to');
            $left = $part->whole('left', 0, 1 << 50) ?? 0;
            if (is_numeric($to)) {
                // Away for part of its way: the rest of it takes the rest of the time.
                $to = max(0.0, min(self::FULL, (float) $to));
                $gone = $left === 0 ? 1.0 : min(1.0, $away / $left);
                $live->stand($live->level + $gone * ($to - $live->level));
                $live->fade($to, max(0, $left - $away) / 1e9, $now);
            }
        }
        ++$this->acts;
        $this->bringAll();
    }

    private function darken(bool $isDark): void
    {
        $reference = Reference::parse('master:'.Master::BLACKOUT);
        if ($this->isDark !== $isDark && $reference !== null) {
            $this->isDark = $isDark;
            ($this->changed)($reference, (int) $isDark, (int) ! $isDark);
        }
    }

    private function turn(LiveMaster $live, Reference $reference, bool $isOn): void
    {
        $before = $this->read($reference);
        if ($reference->part === 'flash') {
            $live->flashes = $isOn;
        } else {
            $live->isAlone = $isOn;
        }
        if ($before !== (int) $isOn) {
            ($this->changed)($reference, (int) $isOn, $before);
        }
    }

    /** @param \Closure(LiveMaster): void $do with the master and those that are set with it */
    private function eachLinked(LiveMaster $live, \Closure $do): void
    {
        $ids = [$live->master->id];
        for ($i = 0; $i < \count($ids); ++$i) {
            $one = $this->live[$ids[$i]] ?? null;
            if ($one === null) {
                continue;
            }
            $before = $one->level;
            $do($one);
            $this->tell($one, $before);
            array_push($ids, ...array_diff($one->master->linked, $ids));
        }
    }

    private function tell(LiveMaster $live, float $before): void
    {
        $reference = Reference::parse("master:{$live->master->id}");
        if ($reference !== null && $live->level !== $before) {
            ($this->changed)($reference, $live->level, $before);
        }
    }

    private function bring(int $now): void
    {
        ++$this->acts;
        $this->bringAll($now);
    }

    /**
     * What masters leave is brought to the universes, and to looks and lists.
     *
     * @param int|null $now null where looks and lists are asked besides
     */
    private function bringAll(?int $now = null): void
    {
        $shares = $alone = [];
        foreach ($this->live as $id => $live) {
            if (! $live->master->over->isBeforeMerging()) {
                $shares[(string) $id] = $live->share();
                $alone = $live->isAlone ? [...$alone, (string) $id] : $alone;
            }
        }
        $before = $this->before()->state();
        $isOtherwise = $before !== $this->before;
        $this->before = $before;
        if ($isOtherwise && $now !== null) {
            ($this->scaled)($now);
        }
        foreach ($this->universes->all() as $universe) {
            $mastering = $universe->wayOut()->mastering();
            if ($mastering === null) {
                continue;
            }
            if ($mastering->use($shares, $this->isDark, $alone)) {
                $universe->wayOutMoved();
                ($this->changes)()->touch($universe);
            }
        }
    }
}
