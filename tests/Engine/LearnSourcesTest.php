<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Universe\Hold;
use NimbleJunction\Engine\Learn\FromPort;
use NimbleJunction\Engine\Learn\FromTouch;
use NimbleJunction\Engine\Learn\FromUniverse;
use NimbleJunction\Engine\Learn\Source;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Said\LearnCandidate;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\LiveLink;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** Where somebody learns from: ports, universes, and whatever people touch; and what is suggested for a point. */
final class LearnSourcesTest extends TestCase
{
    public function testATargetIsLearnedByTouchingIt(): void
    {
        $rig = self::rig();
        $source = new FromTouch($rig->junction);
        $rig->sacn([]);
        self::assertSame([], self::lines($source, $rig));
        $rig->now += 0.2;
        $rig->sacn([21 => 200, 300 => 3]);
        self::assertSame(['fixture:head/pan' => 'Head, pan'], self::lines($source, $rig), 'slot 300 hardly moved');
        $open = Reference::parse('value:open') ?? self::fail('it is one');
        $rig->junction->set($open, 1, new Act('anna', 'anna'), $rig->nanos());
        $rig->junction->hold('palm', [new Hold(49, 255, 'anna', $rig->nanos() + 1_000_000_000)], $rig->nanos());
        $rig->junction->hold('palm', [new Hold(22, 255, 'anna', $rig->nanos() + 1_000_000_000)], $rig->nanos());
        $expected = [
            'fixture:head/level' => 'Head, level',
            'slot:palm/50' => 'Palm House, slot 50',
            'value:open' => 'House open',
            'fixture:head/pan' => 'Head, pan',
        ];
        self::assertSame($expected, self::lines($source, $rig), 'what was touched last stands first');
        $rig->pass(70);
        self::assertSame([], self::lines($source, $rig), 'a minute later nobody means it any more');
    }

    /** Shaking pan goes to and fro by a tenth; the level is moved once from 0 to full. */
    public function testWhatOnlyWobblesStandsLast(): void
    {
        $rig = self::rig();
        $source = new FromTouch($rig->junction);
        $rig->sacn([21 => 100]);
        self::lines($source, $rig);
        for ($i = 0; $i < 40; ++$i) {
            $rig->now += 0.05;
            $rig->sacn([21 => 100 + ($i % 2) * 60, 23 => $i * 6]);
            self::lines($source, $rig);
        }
        self::assertSame('fixture:head/level', array_key_first(self::lines($source, $rig)));
    }

    /** A wave over half of the universe, or a desk's master: nobody has touched one thing of it. */
    public function testWhereManyMoveAtOnceNobodyIsMeant(): void
    {
        $rig = self::rig();
        $source = new FromTouch($rig->junction);
        $rig->sacn([]);
        self::lines($source, $rig);
        $rig->sacn(array_fill(1, 65, 200));
        self::assertSame([], self::lines($source, $rig));
    }

    public function testPortsAndUniversesAreLearnedFromAsBefore(): void
    {
        $rig = self::rig();
        $rig->osc('/lamp', 0.2);
        $rig->osc('/lamp', 0.9);
        self::assertSame(['/lamp' => '/lamp'], self::lines(new FromPort($rig->junction), $rig, 'tablet'));
        self::assertSame([], self::lines(new FromPort($rig->junction), $rig, 'none'));
        $universe = new FromUniverse($rig->junction);
        self::lines($universe, $rig, 'palm');
        $rig->sacn([22 => 255]);
        self::assertSame(['slot:palm/22' => 'Head, pan (slot 22 of Palm House)'], self::lines($universe, $rig, 'palm'));
        self::assertSame([], self::lines($universe, $rig, 'none'));
    }

    public function testAPageIsToldWhatIsTouchedWhoListensAndWhatIsSuggested(): void
    {
        $document = EngineProcess::document('127.78.44');
        $document['values'][] = ['id' => 'mood', 'name' => 'Mood', 'type' => 'choice', 'choices' => ['calm', 'wild', 'dark']];
        $document['ports'][] = Rig::CABLE;
        $note = static fn(string $id, array $when): array => [
            'id' => $id,
            'name' => ucfirst($id),
            'when' => ['port' => 'lectern', ...$when],
            'do' => [['kind' => 'press', 'point' => 'value:open']],
        ];
        $document['routes'][] = $note('third', ['kind' => 'note', 'channel' => 3, 'note' => 49]);
        $document['routes'][] = $note('others', ['kind' => 'note', 'channel' => 3, 'note' => 50]);
        $live = Background::freePort();
        $engine = new EngineProcess($document, ['--for=60', "--live=127.0.0.1:{$live}"]);
        try {
            $heard = (new LiveLink($live, Role::Operator, [
                ['do' => 'set', 'point' => 'value:open', 'value' => 1],
                ['do' => 'hold', 'universe' => 'palm', 'slot' => 9, 'level' => 255],
                ['do' => 'listens', 'trigger' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/lamp']],
                ['do' => 'listens', 'trigger' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/nobody']],
                ['do' => 'listens', 'trigger' => ['kind' => 'osc', 'port' => 'tablet']],
                ['do' => 'listens', 'trigger' => ['kind' => 'note-on', 'port' => 'lectern', 'note' => 49]],
                ['do' => 'suggest', 'point' => 'value:mood'],
                ['do' => 'suggest', 'point' => 'value:open'],
                ['do' => 'suggest', 'point' => 'slot:palm/9'],
                ['do' => 'suggest', 'point' => 'value:none'],
                ['do' => 'subscribe', 'topics' => ['learn:touch:']],
            ], 1.5))->heard();
        } finally {
            $engine->stop();
        }
        self::assertSame(['slot:palm/9', 'value:open'], array_column(end($heard['learn'])['candidates'], 'address'));
        $listening = array_column($heard['answer'], 'routes');
        self::assertSame(
            [[['id' => 'in', 'name' => 'In', 'enabled' => true]], [], [['id' => 'third', 'name' => 'Third', 'enabled' => true]]],
            $listening,
        );
        $errors = array_values(array_filter(array_column($heard['answer'], 'error')));
        self::assertStringContainsString('"trigger/address": it is missing.', $errors[0]);
        self::assertStringContainsString('There is no point value:none', $errors[1]);
        $parts = array_column($heard['answer'], 'part');
        self::assertSame([[1, 85, 'calm'], [86, 170, 'wild'], [171, 255, 'dark']], array_map(
            static fn(array $one): array => [$one['first'], $one['last'], $one['value']],
            $parts[0]['functions'],
        ));
        self::assertSame(
            ['name' => 'House open', 'bits' => '8', 'functions' => [['kind' => 'level', 'point' => 'value:open', 'low' => 0, 'high' => 1, 'whole' => true]]],
            $parts[1],
        );
        self::assertEquals(['kind' => 'level', 'point' => 'slot:palm/9', 'low' => 0, 'high' => 255], $parts[2]['functions'][0]);
    }

    /** @return array<string, string> name by address, in their order */
    private static function lines(Source $source, Rig $rig, string $of = ''): array
    {
        $lines = array_map(static fn(\Closure $line): LearnCandidate => $line(), $source->candidates($of, $rig->nanos()));

        return array_column($lines, 'name', 'address');
    }

    private static function rig(): Rig
    {
        return new Rig([
            'routes' => [],
            'values' => [['id' => 'open', 'name' => 'House open', 'type' => 'switch']],
            'profiles' => [['id' => 'head', 'name' => 'Head', 'parameters' => [['name' => 'pan', 'slots' => 2], ['name' => 'level']]]],
            'fixtures' => [['id' => 'head', 'name' => 'Head', 'profile' => 'head', 'universe' => 'palm', 'first' => 21]],
        ]);
    }
}
