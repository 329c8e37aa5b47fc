<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Tests\Support\Evening;
use PHPUnit\Framework\TestCase;

/** Random evenings: loops, rates, pauses, jumps. What leaves is exactly what a plain count of the way says: none twice, none lost. */
final class RoundsTest extends TestCase
{
    private const LENGTH = 5.0;

    public function testEveryMomentThatIsPassedByPlayingComesOnceAndNoOther(): void
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            mt_srand($seed);
            $moments = [];
            for ($i = 0; $i < 12; ++$i) {
                // No moment lies where somebody acts: which of both comes first is nobody's to say.
                $moments["/m{$i}"] = mt_rand(1, 4989) / 1000 + 0.0004;
            }
            $evening = self::evening($moments);
            $expected = $came = [];
            [$at, $rate, $plays] = [0.0, 1.0, false];
            for ($deed = 0; $deed < 40; ++$deed) {
                switch (mt_rand(0, 4)) {
                    case 0:
                        $rate = mt_rand(1, 40) / 10;
                        $evening->set('timeline:song/rate', $rate);
                        break;
                    case 1:
                        $at = mt_rand(0, 4900) / 1000;
                        $evening->set('timeline:song', $at);
                        break;
                    case 2:
                        $plays = ! $plays;
                        $evening->press('timeline:song');
                        break;
                    default:
                        $seconds = mt_rand(1, 3000) / 1000;
                        array_push($came, ...self::sent($evening->rig->pass($seconds)));
                        if ($plays) {
                            array_push($expected, ...self::passed($moments, $at, $at + $seconds * $rate));
                            $at = fmod($at + $seconds * $rate, self::LENGTH);
                        }
                }
            }
            self::assertSame($expected, $came, "seed {$seed}");
            self::assertEqualsWithDelta($at, $evening->read('timeline:song'), 0.1, "seed {$seed}: a frame, four times as fast");
        }
    }

    /**
     * @param array<string, float> $moments
     *
     * @return list<string> those on the way, round after round
     */
    private static function passed(array $moments, float $from, float $to): array
    {
        $passed = [];
        for ($round = 0; $round * self::LENGTH < $to; ++$round) {
            foreach ($moments as $address => $at) {
                $place = $round * self::LENGTH + $at;
                if ($place >= $from && $place <= $to) {
                    $passed[] = [$place, $address];
                }
            }
        }
        usort($passed, static fn(array $one, array $other): int => $one[0] <=> $other[0] ?: strnatcmp($one[1], $other[1]));

        return array_column($passed, 1);
    }

    /**
     * @param list<array{float, \NimbleJunction\Core\Port\OutgoingPacket}> $packets
     *
     * @return list<string>
     */
    private static function sent(array $packets): array
    {
        $addresses = array_map(static fn(array $one): string => explode("\0", $one[1]->bytes)[0], $packets);

        return array_values(array_filter($addresses, static fn(string $one): bool => str_starts_with($one, '/m')));
    }

    /** @param array<string, float> $moments */
    private static function evening(array $moments): Evening
    {
        $triggers = [];
        foreach ($moments as $address => $at) {
            $triggers[] = [
                'id' => substr($address, 1),
                'at' => $at,
                'do' => [['kind' => 'send', 'port' => 'tablet', 'message' => ['kind' => 'osc', 'address' => $address]]],
            ];
        }

        return new Evening(['timelines' => [['id' => 'song', 'name' => 'Song', 'length' => self::LENGTH, 'loop' => true, 'tracks' => [
            ['id' => 'marks', 'name' => 'Marks', 'does' => ['kind' => 'triggers', 'triggers' => $triggers]],
        ]]]]);
    }
}
