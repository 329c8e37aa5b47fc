<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Fault;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Order\Orders;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use NimbleJunction\Tests\Support\StateFolder;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/** Odd commands over the live link and at the control socket: each is answered in words, and the engine goes on. */
final class HostileLinkTest extends TestCase
{
    private const NET = '127.78.46';
    private const ODD = [null, true, -1, 0, 513, 1.5, 1e300, '', 'palm', "\0", [], ['a'], [['x' => []]], ['universe' => 'palm']];

    public function testEveryOddCommandIsAnsweredAndTheEngineGoesOn(): void
    {
        $folder = new StateFolder();
        $live = Background::freePort();
        $engine = $folder->engine(EngineProcess::document(self::NET), ["--live=127.0.0.1:{$live}"]);
        $desk = new Udp(self::NET.'.11', 6454);
        $line = new Udp(self::NET.'.2', 5120);
        try {
            $commands = [];
            $sound = [
                'universe' => 'palm',
                'slot' => 5,
                'level' => 9,
                'port' => 'desk',
                'device' => 'midi Keys',
                'bytes' => '90',
                'topics' => ['status'],
                'devices' => [],
                'point' => 'slot:palm/5',
                'value' => 1,
                'fixture' => 'none',
                'parameter' => 'pan',
            ];
            foreach (Orders::ALL as $order) {
                $names = array_map(static fn(Field $field): string => $field->name, $order::fields());
                $own = array_intersect_key($sound, array_flip($names));
                foreach ([...$names, 'do', 'colour'] as $field) {
                    foreach (self::ODD as $value) {
                        $commands[] = ['do' => $order::kind(), ...$own, $field => $value];
                    }
                }
            }
            foreach (array_chunk($commands, 400) as $some) {
                $heard = (new LiveLink($live, Role::Operator, $some, 0.1))->heardWhole();
                self::assertNull($heard['close']);
                $answers = array_filter($heard['json'], static fn(array $one): bool => $one['type'] === 'answer');
                self::assertCount(\count($some), $answers);
                self::assertSame(
                    [],
                    array_filter($answers, static fn(array $one): bool => str_contains($one['error'] ?? '', 'failed')),
                    'none of them made it fail',
                );
            }
            foreach ([
                '',
                'rubbish',
                '[]',
                '{"do":[]}',
                '{"do":"adopt"}',
                '{"do":"adopt","document":7}',
                '{"do":"adopt","document":"{}","revision":"x"}',
                str_repeat('[', 5000),
                json_encode(['do' => 'adopt', 'document' => str_repeat('{"a":', 400).'1'.str_repeat('}', 400)]),
            ] as $odd) {
                $socket = stream_socket_client("unix://{$folder->path}/engine.sock");
                fwrite($socket, "{$odd}\n");
                self::assertFalse(json_decode((string) fgets($socket), true)['ok'] ?? null, "{$odd} was taken, or not answered");
                fclose($socket);
            }
            (new LiveLink($live, Role::Operator, [['do' => 'release']], 0.1))->heard();
            $desk->send((new Dmx(1, Rig::levels([1 => 66])))->encode(), self::NET.'.1:6454');
            $line->until(static fn(string $bytes): bool => $bytes[1] === "\x42");
            $status = (new LiveLink(
                $live,
                Role::Viewer,
                [['do' => 'subscribe', 'topics' => ['status']]],
                0.1,
            ))->heard()['status'];
            self::assertSame([], end($status)['engine']['warnings']);
            self::assertStringContainsString('compiled (opcache.jit=1054)', end($status)['engine']['runs']);
        } finally {
            $desk->close();
            $line->close();
            $engine->stop();
            $folder->delete();
        }
    }
}
