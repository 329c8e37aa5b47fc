<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use App\Shows\ShowStore;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\App\AppTestCase;

/** Whatever is sent to the API: it is refused in words, and the server is never at a loss (no 5xx). */
final class HostileInputTest extends AppTestCase
{
    private const ODD = [
        null,
        true,
        -1,
        1e300,
        9_223_372_036_854_775_807,
        '',
        'x',
        '../../etc/passwd',
        "\0",
        [],
        ['a'],
        [['a' => ['b' => []]]],
        ['name' => ['x']],
    ];

    public function testEveryFieldMayBeAnything(): void
    {
        $this->as(Role::Builder);
        $wrong = [];
        foreach ([
            'name',
            'protocol',
            'receive',
            'send',
            'link',
            'enabled',
            'allow',
            'from',
            'to',
            'merge',
            'look',
            'shapes',
            'parameters',
            'universe',
            'first',
            'middleC',
            'gives',
            'takes',
            'address',
            'ours',
        ] as $field) {
            foreach (self::ODD as $value) {
                $part = [
                    'name' => 'Odd',
                    'protocol' => 'art-net',
                    'address' => '127.0.0.9',
                    'receive' => ['feeds' => []],
                    $field => $value,
                ];
                foreach ([
                    ['patch', '/api/show'],
                    ['post', '/api/show/take-up'],
                    ['post', '/api/show/ports'],
                    ['put', '/api/show/ports/house-desk'],
                    ['post', '/api/show/universes'],
                    ['post', '/api/show/routes'],
                    ['post', '/api/show/copies'],
                    ['post', '/api/show/profiles'],
                    ['post', '/api/show/fixtures'],
                    ['post', '/api/packets/decode'],
                    ['post', '/api/packets/encode'],
                    ['post', '/api/session'],
                ] as [$method, $path]) {
                    $status = $this->json($method, $path, $part)->status();
                    if ($status >= 500) {
                        $wrong[] = "{$method} {$path} with {$field} = ".json_encode($value, JSON_PARTIAL_OUTPUT_ON_ERROR).": {$status}";
                    }
                }
                // What was taken after all is undone, so that the show does not grow.
                while (app(ShowStore::class)->lastEdit() !== null) {
                    app(ShowStore::class)->undo();
                }
            }
        }
        self::assertSame([], $wrong);
    }

    public function testWholeBodiesMayBeAnything(): void
    {
        $this->as(Role::Builder);
        $deep = str_repeat('{"a":', 600).'1'.str_repeat('}', 600);
        foreach ([
            '',
            'null',
            '7',
            '"x"',
            '[]',
            '[[]]',
            '{',
            $deep,
            "\xFF\xFE",
            str_repeat('[', 10_000),
            '{"universes": '.json_encode(array_fill(0, 20_000, ['id' => 'x'])).'}',
        ] as $body) {
            foreach ([
                ['POST', '/api/show/ports'],
                ['PUT', '/api/show/ports/house-desk'],
                ['PATCH', '/api/show'],
                ['POST', '/api/show/import'],
                ['POST', '/api/show/take-up'],
                ['POST', '/api/packets/decode'],
            ] as [$method, $path]) {
                $status = $this->call(
                    $method,
                    $path,
                    server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                    content: $body,
                )->status();
                self::assertLessThan(500, $status, "{$method} {$path} with ".substr($body, 0, 40));
            }
        }
    }

    public function testManyUniverseNumbersAreNotTaken(): void
    {
        $this->as(Role::Builder);
        $find = ['name' => 'Flood', 'protocol' => 'sacn', 'address' => '127.0.0.9', 'gives' => range(1, 63_999)];
        $this->postJson('/api/show/take-up', $find)->assertStatus(422)->assertJsonPath(
            'faults.0.allowed',
            'Give at most 512 whole numbers.',
        );
        $this->postJson('/api/show/take-up', [...$find, 'gives' => ['a' => 1]])->assertStatus(422);
        $this->postJson('/api/show/take-up', [...$find, 'gives' => [1, '2']])->assertStatus(422);
        $this->postJson('/api/show/take-up', [...$find, 'gives' => [1, 2]])->assertOk();
    }

    /** A megabyte of MIDI clocks once took 2.4 GB. */
    public function testTakingAPacketApartHasBounds(): void
    {
        $this->as(Role::Viewer);
        $worst = [
            'midi' => [str_repeat('f8', 16_384), str_repeat('f8', 1_000_000)],
            'osc' => ['2f610000'.bin2hex(','.str_repeat('T', 65_520)).'000000', '2f610000'.str_repeat('00', 100_000)],
            'smf' => [$this->midiFile(21_000), $this->midiFile(60_000)],
        ];
        foreach ($worst as $format => [$most, $tooMuch]) {
            $before = memory_get_usage();
            memory_reset_peak_usage();
            $this->postJson('/api/packets/decode', ['format' => $format, 'hex' => $most])->assertOk();
            self::assertLessThan(160_000_000, memory_get_peak_usage() - $before, $format);
            $refused = $this->postJson('/api/packets/decode', ['format' => $format, 'hex' => $tooMuch])->assertOk();
            self::assertStringContainsString(
                'are more than this page takes apart at once',
                (string) $refused->json('refused.error'),
                $format,
            );
        }
    }

    private function midiFile(int $events): string
    {
        $track = str_repeat("\0\xC0\1", $events)."\0\xFF\x2F\0";

        return bin2hex("MThd\0\0\0\6\0\0\0\1\0\x60MTrk".pack('N', \strlen($track)).$track);
    }
}
