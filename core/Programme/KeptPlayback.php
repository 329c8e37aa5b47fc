<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\State\Stored;

/** A playback goes on after a restart where it would be by now. */
final class KeptPlayback
{
    private const MOST = 100_000;
    private const HIGHEST_RATE = 100.0;

    /** @return array<string, mixed> as it is kept */
    public static function of(Playback $playback, int $now): array
    {
        $at = $playback->clock->at($now);
        $lanes = [];
        foreach ($playback->strips() as $strip) {
            $lanes += $strip->kept($at);
        }

        return [
            'rate' => $playback->clock->rate(),
            'lanes' => $lanes,
            'waiting' => array_map(static fn(Waiting $one): array => [
                'left' => $one->at - $at,
                'up' => $one->times->up,
                'down' => $one->times->down,
                'kinds' => array_map(
                    static fn(KindTime $kind): array => [
                        'kind' => $kind->kind->value,
                        'fade' => $kind->fade,
                        'jumps' => $kind->jumps,
                    ],
                    $one->times->kinds,
                ),
                'to' => array_map(static fn(Target $target): int => $target->value, $one->targets),
            ], $playback->waiting()),
        ];
    }

    /** @param int $away nanoseconds since it was written down */
    public static function restore(Stored $stored, Playback $playback, Lanes $lanes, int $now, int $away): void
    {
        $rate = $stored->scalar('rate');
        $playback->clock->run(is_numeric($rate) ? max(0.0, min(self::HIGHEST_RATE, (float) $rate)) : 1.0, $now);
        $at = $playback->clock->at($now);
        $passed = (int) ($away * $playback->clock->rate());
        foreach (\array_slice($stored->list('lanes'), 0, self::MOST, true) as $key => $kept) {
            $lane = $lanes->lane((string) $key);
            $way = KeptLane::fromArray($kept)?->after($passed);
            if ($lane !== null && $way !== null) {
                $playback->strip($lane->universeId)->resume($lane, $way, $at);
            }
        }
        foreach ($stored->parts('waiting', self::MOST) as $one) {
            $targets = [];
            foreach ($one->list('to') as $key => $value) {
                $lane = $lanes->lane((string) $key);
                if ($lane !== null && \is_int($value) && $value >= 0 && $value <= $lane->highest) {
                    $targets[$lane->key] = new Target($lane, $value);
                }
            }
            $left = $one->whole('left', \PHP_INT_MIN + $passed, (int) (Times::LONGEST * 4e9)) ?? 0;
            $playback->wait(new Waiting(
                $at + $left - $passed,
                $targets,
                new Times(self::seconds($one->scalar('up')), self::seconds($one->scalar('down')), kinds: self::kinds($one)),
            ));
        }
    }

    /** @return list<KindTime> their delays have passed, or are waited for already */
    private static function kinds(Stored $stored): array
    {
        $kinds = [];
        foreach ($stored->parts('kinds', \count(ParameterKind::cases())) as $one) {
            $kind = ParameterKind::tryFrom($one->text('kind'));
            $fade = $one->scalar('fade');
            if ($kind !== null) {
                $kinds[] = new KindTime($kind, is_numeric($fade) ? self::seconds($fade) : null, jumps: $one->flag('jumps'));
            }
        }

        return $kinds;
    }

    private static function seconds(int|float|string|null $seconds): float
    {
        return is_numeric($seconds) ? max(0.0, min(Times::LONGEST, (float) $seconds)) : 0.0;
    }
}
