<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Port;

use NimbleJunction\Core\Merge\Rhythm;

/** All senders of levels of a port, also those that are lost, for as long as that says something. */
final class Streams
{
    private const MOST = 1024;

    /** What has been lost for longer says nothing about now: its outages stay. */
    private const OVER_NANOS = 600_000_000_000;

    /** Senders that went within so long went together. */
    private const TOGETHER_NANOS = 500_000_000;
    private const MOST_NAMED = 3;

    /** Times the rhythm of a sender that is too slow for its time-out: a time-out that fits it. */
    private const FITTING = 3;

    /** @var array<string, Stream> by universe and sender */
    private array $all = [];

    /** @var list<Outage> from before a restart, the newest first */
    private array $before = [];

    /** @param list<Outage> $outages from before a restart, the newest first */
    public function remember(array $outages): void
    {
        $this->before = $outages;
    }

    /** How many outages are over: another number as soon as there is one more. */
    public function ended(): int
    {
        $count = \count($this->before);
        foreach ($this->all as $stream) {
            $count += $stream->rhythm->outages->ended();
        }

        return $count;
    }

    /** The stream of a sender that is heard (again): its rhythm goes on. */
    public function of(string $key, string $name, string $universe, int $lostAfter): Stream
    {
        $stream = $this->all[$key] ??= new Stream(new Rhythm(), $name, $universe, $lostAfter);
        $stream->name = $name;
        $stream->universe = $universe;
        $stream->lostAfter = $lostAfter;
        $stream->isOver = false;
        if (\count($this->all) > self::MOST) {
            unset($this->all[array_key_first($this->all)]);
        }

        return $stream;
    }

    public function find(string $key): ?Stream
    {
        return $this->all[$key] ?? null;
    }

    /** @return array<string, Stream> those that say something about now */
    public function all(int $now): array
    {
        return array_filter($this->all, static fn(Stream $stream): bool => $stream->rhythm->silence($now) <= self::OVER_NANOS);
    }

    /** @return array{State, string}|null how they are together, and what is wrong in words; null where there are none */
    public function health(int $now): ?array
    {
        $streams = $this->all($now);
        if ($streams === []) {
            return null;
        }
        $by = [];
        foreach ($streams as $stream) {
            $by[$stream->state($now)->value][] = $stream;
        }
        $count = \count($streams);
        $lost = $by[State::Lost->value] ?? [];
        $silent = $by[State::Silent->value] ?? [];
        $unsteady = $by[State::Unsteady->value] ?? [];
        if (\count($lost) === $count) {
            return [State::Lost, ''];
        }
        if (\count($lost) + \count($silent) === $count) {
            return [State::Silent, self::silence($silent[0], $now)];
        }

        return match (true) {
            $lost !== [] => [State::Unsteady, self::some($lost, $count, 'lost', $now)],
            $silent !== [] => [State::Unsteady, self::some($silent, $count, 'silent', $now)],
            $unsteady !== [] => [State::Unsteady, "{$unsteady[0]->universe}: {$unsteady[0]->rhythm->unsteadiness()}"],
            default => [State::Alive, $this->slowness()],
        };
    }

    /** @return list<Outage> what of all senders is one outage in one, the newest first */
    public function outages(int $now): array
    {
        $single = [];
        foreach ($this->all as $stream) {
            foreach ($stream->rhythm->outages->all() as $one) {
                $single[] = [$one['from'], $one['until'], $stream, $one['meanwhile']];
            }
            if ($stream->rhythm->isOverdue($now) && ! $stream->isOver) {
                $single[] = [$stream->rhythm->lastAt(), null, $stream, $stream->rhythm->outages->meanwhile()];
            }
        }
        usort($single, static fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $groups = [];
        foreach ($single as $one) {
            $last = array_key_last($groups);
            $isSame = $last !== null && abs($one[0] - $groups[$last][0][0]) < self::TOGETHER_NANOS
                && ($one[1] === null) === ($groups[$last][0][1] === null);
            $isSame ? $groups[$last][] = $one : $groups[] = [$one];
        }

        return [...array_reverse(array_map(self::joined(...), $groups)), ...$this->before];
    }

    /** @param non-empty-list<array{int, int|null, Stream, string}> $group that began together */
    private static function joined(array $group): Outage
    {
        $names = array_values(array_unique(array_map(static fn(array $one): string => $one[2]->name, $group)));
        $universes = array_values(array_unique(array_map(static fn(array $one): string => $one[2]->universe, $group)));
        $into = \count($universes) > self::MOST_NAMED ? \count($universes).' universes' : implode(', ', $universes);
        $meanwhile = array_values(array_unique(array_filter(array_map(static fn(array $one): string => $one[3], $group))));
        $more = \count($meanwhile) - self::MOST_NAMED;

        return new Outage(
            $group[0][0],
            $group[0][1] === null ? null : max(array_map(static fn(array $one): int => $one[1] ?? 0, $group)),
            implode(', ', \array_slice($names, 0, self::MOST_NAMED))." into {$into}",
            implode('; ', \array_slice($meanwhile, 0, self::MOST_NAMED)).($more > 0 ? "; {$more} more" : ''),
        );
    }

    /** A sender that is slower than its time-out, in words; '' where there is none. */
    public function slowness(): string
    {
        $slow = $this->slowest();
        if ($slow === null) {
            return '';
        }
        $rhythm = self::seconds($slow->rhythm->usual());
        $timeOut = self::seconds($slow->lostAfter);

        return "{$slow->name} sends every {$rhythm} s and counts as lost after {$timeOut} s: it drops out each time. Raise the time-out to ".self::number($this->fittingSeconds()).' s.';
    }

    /** A time-out that fits the slowest of those that drop out, in seconds; 0 where none does. */
    public function fittingSeconds(): float
    {
        $slow = $this->slowest();

        return $slow === null ? 0.0 : min(120.0, ceil(self::FITTING * $slow->rhythm->usual() / 1e9));
    }

    private function slowest(): ?Stream
    {
        $slow = array_filter($this->all, static fn(Stream $stream): bool => $stream->isTooSlow());
        usort($slow, static fn(Stream $a, Stream $b): int => $b->rhythm->usual() <=> $a->rhythm->usual());

        return $slow[0] ?? null;
    }

    private static function silence(Stream $stream, int $now): string
    {
        $usual = $stream->rhythm->usual();
        $often = $usual > 0 ? ', usually at most '.self::seconds($usual).' s' : '';

        return 'silent for '.self::seconds($stream->rhythm->silence($now))." s{$often}; lost after ".self::seconds($stream->lostAfter)
            .' s';
    }

    /** @param non-empty-list<Stream> $some */
    private static function some(array $some, int $all, string $word, int $now): string
    {
        $first = $some[0];

        return \count($some)." of {$all} {$word}: {$first->name} into {$first->universe}, last heard "
            .self::seconds($first->rhythm->silence($now)).' s ago';
    }

    private static function seconds(int $nanos): string
    {
        return number_format($nanos / 1e9, 1, '.', '');
    }

    private static function number(float $seconds): string
    {
        return rtrim(rtrim(number_format($seconds, 1, '.', ''), '0'), '.');
    }
}
