<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use Database\Seeders\FernhallGlasshouse;
use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** An evening of edits: the two thousandth reading is as right as the first, and no edit moves a lamp. */
final class AdoptionsTest extends TestCase
{
    public function testTwoThousandEditsMoveNoLamp(): void
    {
        $document = FernhallGlasshouse::document('127.0.0');
        $json = json_encode($document, JSON_THROW_ON_ERROR);
        $first = serialize(ShowReader::fromJson($json));
        $compiler = new Compiler(new Identity(str_repeat('J', 16)));
        $junction = new Junction();
        $now = 1_000_000_000_000;
        $junction->adopt($compiler->compile(ShowReader::fromJson($json)), $now);
        $desk = array_key_first(
            array_filter(
                $junction->plan()->endpoints,
                static fn($endpoint): bool => \in_array('house-desk', $endpoint->portIds, true),
            ),
        );
        for ($edit = 0; $edit < 2000; ++$edit) {
            $now += 20_000_000;
            $level = $edit % 255 + 1;
            $junction->arrived(
                (string) $desk,
                '127.0.0.11',
                6454,
                (new Dmx(1, Rig::levels([1 => $level, 500 => 3])))->encode(),
                $now,
            );
            $show = ShowReader::fromJson(
                $edit % 2 === 0 ? $json : json_encode([...$document, 'name' => "Edit {$edit}"], JSON_THROW_ON_ERROR),
            );
            if ($edit % 2 === 0 && serialize($show) !== $first) {
                self::fail("Reading {$edit} came out otherwise than the first.");
            }
            $junction->adopt($compiler->compile($show), $now);
            $levels = $junction->universes()['palm-house']->levels;
            if (\ord($levels[0]) !== $level || \ord($levels[499]) !== 3) {
                self::fail("Edit {$edit} moved a lamp.");
            }
        }
        self::assertSame(2001, $junction->adoptions);
        self::assertSame(
            ['house-desk'],
            array_values(array_unique(array_column($junction->universes()['palm-house']->control()->leading, 'portId'))),
        );
    }
}
