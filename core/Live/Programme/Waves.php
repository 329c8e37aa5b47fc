<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live\Programme;

use NimbleJunction\Core\Live\Points\PlanRoom;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Notice;
use NimbleJunction\Core\Point\Point;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Programme\Programme;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/** Waves: started, stopped, begun anew; each of their fields is a point. */
final class Waves extends PlanRoom implements Room
{
    private const FIELDS = [
        'rate' => [0.0, 100.0, ''],
        'size' => [0.0, 200.0, '%'],
        'centre' => [-100.0, 200.0, '%'],
        'phase' => [0.0, 360.0, '°'],
    ];

    /** @var array<string, LiveWave> by id */
    private array $live = [];

    private int $acts = 0;

    /** @param \Closure(Reference, int|float|null, int|float|null): void $changed a point has another value, and had this one */
    public function __construct(
        private readonly Giving $giving,
        private readonly Moving $moving,
        private readonly Tempos $tempos,
        private readonly \Closure $changed,
    ) {
        parent::__construct();
    }

    /** @return array<string, LiveWave> by id */
    public function live(): array
    {
        return $this->live;
    }

    /** Waves go on by the show of now: where they are in their turn stays. */
    public function goOnBy(Plan $plan, int $now): void
    {
        $this->adopt($plan);
        $before = $this->live;
        $this->live = [];
        foreach ($plan->programme->waves as $id => $wave) {
            $live = $before[$id] ?? new LiveWave($wave);
            if ($live->wave->unit !== $wave->unit || $live->wave->tempo !== $wave->tempo) {
                $live->wave = $wave;
                $live->begin($this->at($live, $now), $live->turns());
            }
            $live->wave = $wave;
            [$live->lanes, $live->places, $live->points, $live->count] = $this->giving->waved($wave->on);
            $this->live[$id] = $live;
        }
        $this->move($now);
    }

    public function kinds(): array
    {
        return ['wave'];
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
        [$low, $high, $unit] = self::FIELDS[$reference->part] ?? [0.0, 1.0, ''];

        return match (true) {
            $reference->part === '' => new Point($reference, $name, PointKind::Switch, isSet: true, isPressed: true),
            isset(self::FIELDS[$reference->part]) => new Point(
                $reference,
                $name,
                PointKind::Number,
                $low,
                $high,
                $unit,
                isSet: true,
            ),
            default => new Point($reference, $name, PointKind::Press, isPressed: true),
        };
    }

    public function read(Reference $reference): int|float|null
    {
        $live = $this->live[$reference->id] ?? null;

        return match (true) {
            $live === null => null,
            $reference->part === '' => (int) $live->isOn,
            isset(self::FIELDS[$reference->part]) => $live->base($reference->part),
            default => null,
        };
    }

    public function set(Reference $reference, int|float|string $value, Act $act, int $now): string
    {
        $live = $this->live[$reference->id] ?? null;
        if ($live === null || ! is_numeric($value)) {
            return $live === null ? 'there is no such wave' : 'it is a number';
        }
        if ($reference->part === '') {
            $this->turn($live, (float) $value > 0.0, $now);

            return '';
        }
        $field = self::FIELDS[$reference->part] ?? null;
        if ($field === null) {
            return (float) $value > 0.0 ? $this->press($reference, $act, $now) : '';
        }
        $live->goOn($this->at($live, $now));
        $before = $live->base($reference->part);
        $live->set[$reference->part] = max($field[0], min($field[1], (float) $value));
        ++$this->acts;
        if ($before !== $live->set[$reference->part]) {
            ($this->changed)($reference, $live->set[$reference->part], $before);
        }

        return '';
    }

    public function press(Reference $reference, Act $act, int $now): string
    {
        $live = $this->live[$reference->id] ?? null;
        if ($live === null) {
            return 'there is no such wave';
        }
        if ($reference->part === '') {
            $this->turn($live, ! $live->isOn, $now);
        } elseif ($reference->part === 'restart') {
            $at = $this->at($live, $now);
            // By beats it begins with the beat that is nearest.
            $live->begin(
                $at,
                $live->wave->unit === 'beats' && $live->field('rate') > 0.0 ? ($at - round($at)) / $live->field('rate') : 0.0,
            );
            ++$this->acts;
        } else {
            return 'it can be set, and not pressed';
        }

        return '';
    }

    public function letGo(Reference $reference, string $owner, int $now): string
    {
        $live = $this->live[$reference->id] ?? null;
        if ($live !== null && $reference->part === '') {
            $this->turn($live, false, $now);
        } elseif ($live !== null) {
            unset($live->set[$reference->part]);
            ++$this->acts;
        }

        return $live === null ? 'there is no such wave' : '';
    }

    public function all(): iterable
    {
        foreach (array_keys($this->live) as $id) {
            foreach (Programme::WAVE_PARTS as $part) {
                $reference = Reference::parse("wave:{$id}".($part === '' ? '' : "/{$part}"));
                if ($reference !== null) {
                    yield $reference;
                }
            }
        }
    }

    public function releaseAll(int $now): void
    {
        foreach ($this->live as $live) {
            $this->turn($live, false, $now);
        }
    }

    /** When goOn() must be called next. */
    public function dueAt(int $lastFrame): int
    {
        foreach ($this->live as $live) {
            if ($live->isOn) {
                return $lastFrame + Giving::FRAME_NANOS;
            }
        }

        return \PHP_INT_MAX;
    }

    /** A frame: each wave goes on. */
    public function goOn(int $now): void
    {
        $isAny = false;
        foreach ($this->live as $live) {
            if ($live->isOn) {
                $live->goOn($this->at($live, $now));
                $isAny = true;
            }
        }
        if ($isAny) {
            $this->move($now);
        }
    }

    public function key(): string
    {
        return 'waves';
    }

    public function revisions(): array
    {
        return array_map(
            fn(): int => $this->acts,
            array_filter($this->live, static fn(LiveWave $live): bool => $live->isOn || $live->set !== []),
        );
    }

    public function kept(string $part, int $now): array
    {
        $live = $this->live[$part];
        if ($live->isOn) {
            $live->goOn($this->at($live, $now));
        }

        return ['on' => $live->isOn, 'turns' => $live->turns(), 'set' => $live->set];
    }

    /** @param int $away nanoseconds since it was written down */
    public function restore(Stored $stored, int $now, int $away): void
    {
        foreach ($this->live as $id => $live) {
            $part = $stored->part((string) $id);
            $turns = $part->scalar('turns');
            if (! is_numeric($turns)) {
                continue;
            }
            foreach (self::FIELDS as $field => [$low, $high]) {
                $value = $part->part('set')->scalar($field);
                if (is_numeric($value)) {
                    $live->set[$field] = max($low, min($high, (float) $value));
                }
            }
            $live->isOn = $part->flag('on');
            $at = $this->at($live, $now);
            // While it was away it went on by the time, or by the beat, that has passed.
            $live->begin($at - ($live->isOn ? $this->passed($live, $away) : 0.0), (float) $turns);
            $live->goOn($at);
            ++$this->acts;
        }
        $this->move($now);
    }

    private function turn(LiveWave $live, bool $isOn, int $now): void
    {
        if ($live->isOn === $isOn) {
            return;
        }
        $live->isOn = $isOn;
        $live->begin($this->at($live, $now), $live->turns());
        if ($isOn) {
            $this->moving->begins($live);
        }
        ++$this->acts;
        $this->move($now);
        $reference = Reference::parse("wave:{$live->wave->id}");
        if ($reference !== null) {
            ($this->changed)($reference, (int) $isOn, (int) ! $isOn);
        }
    }

    private function move(int $now): void
    {
        $this->moving->move($this->live, $now);
    }

    /** @return float what its rate goes by: seconds, or beats of its tempo */
    private function at(LiveWave $live, int $now): float
    {
        if ($live->wave->unit !== 'beats') {
            return $now / 1e9;
        }
        $tempo = $this->tempos->of($live->wave->tempo);

        return $tempo === null ? 0.0 : $tempo->clock->at($now);
    }

    private function passed(LiveWave $live, int $away): float
    {
        $tempo = $live->wave->unit === 'beats' ? $this->tempos->of($live->wave->tempo) : null;

        return $tempo === null ? ($live->wave->unit === 'beats' ? 0.0 : $away / 1e9) : $away * $tempo->clock->bpm() / 60e9;
    }
}
