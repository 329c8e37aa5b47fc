<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;

/**
 * Lines for a desk by real packets: typed, rendered from a timeline, sent with a pause between, answered; and what is not taken is not
 * sent.
 */
final class DeskLinkTest extends TestCase
{
    private const NET = '127.78.48';

    public function testLinesAreCheckedSentInTheirOrderAndAnswered(): void
    {
        $live = Background::freePort();
        $desk = new Udp(self::NET.'.20', 9020);
        $trigger = static fn(string $id, float $at, string $name): array => ['id' => $id, 'at' => $at, 'name' => $name];
        $document = [...EngineProcess::document(self::NET), 'routes' => [],
            'ports' => [['id' => 'desk', 'name' => 'Desk', 'protocol' => 'osc', 'receive' => ['address' => self::NET.'.1', 'port' => 8021], 'send' => ['address' => self::NET.'.1', 'to' => [self::NET.'.20'], 'port' => 9020]]],
            'desks' => [['id' => 'lines', 'name' => 'Lines', 'port' => 'desk', 'pause' => 0.05, 'forms' => [['line' => 'make cue {cue: 1-9} [called {name: text}]'], ['line' => 'go cue {cue: 1-9}', 'sends' => 'G{cue}']]]],
            'timelines' => [['id' => 'song', 'name' => 'Song', 'tracks' => [['id' => 't', 'name' => 'T', 'does' => ['kind' => 'triggers', 'triggers' => [$trigger('b', 2, 'Say "Doors"'), $trigger('a', 1, 'Moss')]]]]]],
        ];
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        try {
            $link = new LiveLink($live, Role::Operator, [
                ['do' => 'subscribe', 'topics' => ['desk']],
                ['do' => 'type-line', 'desk' => 'lines', 'line' => 'g c 3'],
                ['do' => 'type-line', 'desk' => 'lines', 'line' => 'go cue 12', 'sends' => true],
                ['do' => 'render-lines', 'desk' => 'lines', 'timeline' => 'song', 'template' => 'make cue {number} called "{name} at {at}"'],
                ['do' => 'render-lines', 'desk' => 'lines', 'timeline' => 'song', 'template' => 'make cue {time}'],
                ['do' => 'send-lines', 'desk' => 'lines', 'lines' => ['go cue 1', 'go cue nine']],
                ['do' => 'send-lines', 'desk' => 'lines', 'lines' => ['make cue 1 called Moss', 'go cue 2']],
                ['do' => 'type-line', 'desk' => 'gone', 'line' => 'go'],
            ], 3.0);
            $sent = [];
            foreach (range(1, 2) as $i) {
                $sent[] = Message::decode((string) $desk->receive(5.0))->arguments[0]->value;
                $desk->send((new Message('/said', [Argument::of("taken {$i}")]))->encode(), self::NET.'.1:8021');
            }
            $heard = $link->heard();
            $viewed = (new LiveLink(
                $live,
                Role::Viewer,
                [['do' => 'send-lines', 'desk' => 'lines', 'lines' => ['go cue 1']], ['do' => 'stop-lines']],
                0.3,
            ))->heard();
        } finally {
            $engine->stop();
        }
        self::assertSame(['make cue 1 called "Moss"', 'G2'], $sent);
        self::assertNull($desk->receive(0.2), 'nothing else has left');
        $answers = $heard['answer'];
        $verdicts = array_values(array_filter($answers, static fn(array $one): bool => isset($one['whole'])));
        self::assertEquals([true, 'go cue 3', 'G3'], [$verdicts[0]['isRight'], $verdicts[0]['whole'], $verdicts[0]['sends']]);
        $rendered = array_values(array_filter($answers, static fn(array $one): bool => isset($one['lines'])));
        self::assertSame(
            ['make cue 1 called "Moss at 1"', "make cue 2 called \"Say 'Doors' at 2\""],
            array_column($rendered[0]['lines'], 'sends'),
        );
        self::assertSame([false, false], array_column($rendered[1]['lines'], 'isRight'));
        $errors = implode(' ', array_column($answers, 'error'));
        foreach (['"12" cannot stand there', 'Line 2 is not sent, and none of the others', 'no desk "gone"'] as $words) {
            self::assertStringContainsString($words, $errors);
        }
        $last = end($heard['desk']);
        self::assertEquals([2, 2, false, ''], [$last['count'], $last['sent'], $last['isRunning'], $last['why']]);
        self::assertSame(
            [[true, 'make cue 1 called "Moss"'], [false, '/said "taken 1"'], [true, 'G2'], [false, '/said "taken 2"']],
            array_map(static fn(array $one): array => [$one['isOurs'], $one['words']], $last['said']),
        );
        self::assertCount(2, array_column($viewed['answer'], 'error'));
    }
}
