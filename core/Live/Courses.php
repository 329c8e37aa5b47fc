<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Points;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Terms;
use NimbleJunction\Core\State\Room;
use NimbleJunction\Core\State\Stored;

/**
 * What routes give that goes on by itself: fades in, and ends. A fade counts as one act, made when it began; what fades out
 * goes to what is there without it, whatever others do meanwhile, so that its end is no step.
 */
final class Courses implements Room
{
    /** How often a fade goes on. Our own choice: 40 a second, below the most that DMX can show. */
    public const STEP_NANOS = 25_000_000;

    /** So many run at once; more are set where they were to go. Our own limit. */
    public const MOST = 5000;

    private const NANOS = 1e9;

    /** When goOn() must be called next. */
    public int $dueAt = \PHP_INT_MAX;

    /** @var array<string, Course> by owner and point */
    private array $running = [];

    private int $changes = 0;

    public function __construct(private readonly Points $points)
    {
    }

    /** @param array<string, mixed> $routes by id: of all others nothing goes on */
    public function keep(array $routes): void
    {
        foreach ($this->running as $key => $course) {
            $routeId = substr($course->act->owner, \strlen('route '));
            if (! isset($routes[$routeId]) || $this->points->describe($course->reference) === null) {
                unset($this->running[$key]);
            }
        }
        $this->look();
    }

    /** @return string why it cannot be set so; '' when it is on its way */
    public function set(Reference $reference, float $value, Act $act, Terms $terms, int $now): string
    {
        $refusal = '';
        foreach ($this->points->members($reference) as $member) {
            $from = $this->points->read($member);
            $from = $terms->fade > 0.0 && is_numeric($from) && \count($this->running) < self::MOST ? (float) $from : $value;
            $refusal = $this->points->set($member, $from, $act, $now);
            $endsAt = $terms->after > 0.0 ? $now + (int) round(($terms->fade + $terms->after) * self::NANOS) : \PHP_INT_MAX;
            $course = new Course(
                $member,
                $act,
                $from,
                $value,
                $now,
                $from === $value ? 0.0 : $terms->fade,
                $endsAt,
                $this->outOf($terms),
            );
            unset($this->running[$course->key()]);
            if ($refusal === '' && ($course->seconds > 0.0 || $endsAt !== \PHP_INT_MAX)) {
                $this->running[$course->key()] = $course;
            }
        }
        ++$this->changes;
        $this->look();

        return $refusal;
    }

    /** @return string why it cannot end; '' when it is on its way */
    public function end(Reference $reference, Act $act, float $out, int $now): string
    {
        $refusal = '';
        foreach ($this->points->members($reference) as $member) {
            $key = Course::keyOf($act->owner, $member);
            $isEnding = isset($this->running[$key]) && $this->running[$key]->to === null;
            $from = $this->points->read($member);
            if ($isEnding) {
                continue;
            }
            if ($out > 0.0 && is_numeric($from) && $this->points->without($member, $act->owner) !== null) {
                $this->running[$key] = new Course($member, $act, (float) $from, null, $now, $out);
            } else {
                unset($this->running[$key]);
                $refusal = $this->points->letGo($member, $act->owner, $now);
            }
        }
        ++$this->changes;
        $this->look();

        return $refusal;
    }

    /** An owner has set a point otherwise: what went on there is over. */
    public function forget(string $owner, Reference $reference): void
    {
        foreach ($this->running === [] ? [] : $this->points->members($reference) as $member) {
            unset($this->running[Course::keyOf($owner, $member)]);
        }
    }

    /** What an owner gives goes on no more: it stays where it is. */
    public function stop(string $owner): void
    {
        $this->running = array_filter($this->running, static fn(Course $course): bool => $course->act->owner !== $owner);
        ++$this->changes;
        $this->look();
    }

    public function goOn(int $now): void
    {
        if ($this->dueAt > $now) {
            return;
        }
        foreach ($this->running as $key => $course) {
            if ($course->begin > $now) {
                continue;
            }
            $this->move($course, $now);
            if ($course->share($now) < 1.0) {
                continue;
            }
            unset($this->running[$key]);
            if ($course->to === null) {
                $this->points->letGo($course->reference, $course->act->owner, $now);
            } elseif ($course->endsAt > $now && $course->endsAt !== \PHP_INT_MAX) {
                $this->running[$key] = $course->staying();
            } elseif ($course->endsAt <= $now) {
                $this->end($course->reference, $course->act, $course->out, $now);
            }
        }
        ++$this->changes;
        $this->look($now);
    }

    public function key(): string
    {
        return 'courses';
    }

    public function revisions(): array
    {
        return $this->running === [] ? [] : array_fill_keys(array_keys($this->running), $this->changes);
    }

    /** @return array<string, mixed> */
    public function kept(string $part, int $now): array
    {
        $course = $this->running[$part];

        return [
            'point' => $course->reference->text(),
            'owner' => $course->act->owner,
            'name' => $course->act->name,
            'priority' => $course->act->priority,
            'highest' => $course->act->isHighest,
            'from' => $course->from,
            'to' => $course->to,
            'elapsed' => $now - $course->begin,
            'seconds' => $course->seconds,
            'left' => $course->endsAt === \PHP_INT_MAX ? null : $course->endsAt - $now,
            'out' => $course->out,
        ];
    }

    /**
     * Goes on where it would be now: what was over in between is over.
     *
     * @param array<string, mixed> $routes those of now, by id
     * @param int $away nanoseconds since it was written down
     */
    public function restore(Stored $stored, array $routes, int $now, int $away): void
    {
        foreach (\array_slice($stored->names(), 0, self::MOST) as $name) {
            $one = $stored->part($name);
            $reference = Reference::parse($one->text('point', 400));
            $from = $one->scalar('from');
            $to = $one->scalar('to');
            if ($reference === null || ! is_numeric($from) || ! isset($routes[substr($one->text('owner'), \strlen('route '))])) {
                continue;
            }
            $act = new Act($one->text('owner'), $one->text('name'), $one->whole('priority', 0, 200), $one->flag('highest'));
            $left = $one->whole('left', \PHP_INT_MIN, \PHP_INT_MAX - $now);
            $course = new Course(
                $reference,
                $act,
                (float) $from,
                is_numeric($to) ? (float) $to : null,
                $now - $away - max(0, $one->whole('elapsed', 0, \PHP_INT_MAX - $away) ?? 0),
                self::seconds($one->scalar('seconds')),
                $left === null ? \PHP_INT_MAX : $now + $left - $away,
                self::seconds($one->scalar('out')),
            );
            $this->running[$course->key()] = $course;
        }
        $this->look();
    }

    private static function seconds(int|float|string|null $seconds): float
    {
        return is_numeric($seconds) ? max(0.0, min(7200.0, (float) $seconds)) : 0.0;
    }

    private function outOf(Terms $terms): float
    {
        return $terms->ends === Terms::FADE ? $terms->out : 0.0;
    }

    private function move(Course $course, int $now): void
    {
        $to = $course->to ?? $this->points->without($course->reference, $course->act->owner);
        if ($course->seconds <= 0.0 || $to === null) {
            return;
        }
        $value = $course->from + $course->share($now) * ($to - $course->from);
        $act = $course->act;
        $this->points->set(
            $course->reference,
            $value,
            new Act($act->owner, $act->name, $act->priority, $act->isHighest, true),
            $now,
        );
    }

    private function look(?int $now = null): void
    {
        $this->dueAt = \PHP_INT_MAX;
        foreach ($this->running as $course) {
            $isMoving = $now === null || $course->share($now) < 1.0;
            $this->dueAt = min(
                $this->dueAt,
                $isMoving && $course->seconds > 0.0 ? ($now ?? $course->begin) + self::STEP_NANOS : $course->endsAt,
            );
        }
    }
}
