<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Timeline;

use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\PressAction;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Action\WaitAction;
use NimbleJunction\Core\Timeline\Done;
use NimbleJunction\Core\Timeline\Due;
use NimbleJunction\Core\Timeline\Kind\LevelTrack;
use NimbleJunction\Core\Timeline\Kind\TriggerTrack;
use NimbleJunction\Core\Timeline\Knot;
use NimbleJunction\Core\Timeline\Moment;
use NimbleJunction\Core\Timeline\Past;
use NimbleJunction\Core\Timeline\Score;
use NimbleJunction\Core\Timeline\Timeline;
use NimbleJunction\Core\Timeline\Track;
use PHPUnit\Framework\TestCase;

/** A timeline as it is played: moments in order, what counts, and what would be set by a time. */
final class ScoreTest extends TestCase
{
    public function testMomentsOfAllTracksStandInTheOrderOfTimeThoseAtOneMomentInTheOrderOfTracks(): void
    {
        $score = self::score(
            self::marks('a', [new Moment('late', 3.0), new Moment('early', 1.0)]),
            self::marks('b', [new Moment('same', 3.0), new Moment('first', 0.5)]),
        );
        self::assertSame(['b.first', 'a.early', 'a.late', 'b.same'], self::names($score->dues));
        self::assertSame([0, 1, 1, 2, 4], array_map($score->placeAt(...), [0.5, 0.6, 1.0, 1.1, 3.1]));
        self::assertSame(3.0, $score->ends);
        self::assertSame(9.0, (new Timeline('song', 'Song', length: 9.0))->score->ends);
        self::assertSame(0.0, (new Timeline('song', 'Song'))->score->ends);
    }

    public function testMutedTracksAndThoseBesideASoloDoNotCountButTheTimelineIsAsLong(): void
    {
        $level = new Track('line', 'Line', new LevelTrack(self::point('value:x'), [new Knot(0.0, 1.0), new Knot(8.0, 2.0)]));
        $marks = self::marks('a', [new Moment('one', 1.0)]);
        $muted = self::score(new Track('a', 'A', $marks->does, muted: true), $level);
        self::assertSame([[], ['timeline.song.line'], 8.0], [$muted->dues, array_keys($muted->levels), $muted->ends]);
        $alone = self::score(new Track('a', 'A', $marks->does, solo: true), $level);
        self::assertSame([['a.one'], [], 8.0], [self::names($alone->dues), $alone->levels, $alone->ends]);
        self::assertSame(
            [],
            self::score(new Track('line', 'Line', new LevelTrack(null, [new Knot(0.0, 1.0)])))->levels,
            'a line that moves nothing yet',
        );
    }

    public function testOfEachPointTheLastThatWasSetByATimeCountsAndPressesThatLeaveNothingDoNot(): void
    {
        $score = self::score(self::marks('a', [
            new Moment('one', 1.0, do: [self::set('value:x', 1), new PressAction(self::point('route:y'))]),
            new Moment('two', 2.0, do: [self::set('value:x', 2), self::set('value:z', 5)]),
            new Moment('three', 3.0, do: [self::set('value:x', 3)]),
        ]));
        self::assertSame([], self::states($score, 1.0), 'what comes at that very moment is still to come');
        self::assertSame(['value:x 1 at 1'], self::states($score, 1.5));
        self::assertSame(['value:x 2 at 2', 'value:z 5 at 2'], self::states($score, 3.0));
        self::assertSame(['value:z 5 at 2', 'value:x 3 at 3'], self::states($score, 9.0));
        self::assertSame(['value:x', 'route:y', 'value:z'], array_keys($score->sets['timeline.song.a']));
    }

    public function testWhatIsDoneAfterAWaitIsSetThatMuchLater(): void
    {
        $score = self::score(self::marks(
            'a',
            [new Moment('one', 1.0, do: [self::set('value:x', 1), new WaitAction(2.0), self::set('value:x', 2)])],
        ));
        self::assertSame(['value:x 1 at 1'], self::states($score, 2.5));
        self::assertSame(['value:x 2 at 3'], self::states($score, 3.5));
    }

    public function testALookActsWhenItCameOnAndOfWhatFadesTheWayThereIsKept(): void
    {
        $score = self::score(self::marks('a', [
            new Moment('on', 1.0, do: [self::set('look:moss', 100)]),
            new Moment('again', 2.0, do: [self::set('look:moss', 60)]),
            new Moment('low', 3.0, do: [self::set('slot:palm/1', 20)]),
            new Moment('high', 4.0, do: [self::set('slot:palm/1', 200, 3.0)]),
        ]));
        self::assertSame(['look:moss 60 at 1', 'slot:palm/1 20 at 3', 'slot:palm/1 200 at 4'], self::states($score, 5.0));
        self::assertTrue(self::set('slot:palm/1', 200, 3.0)->goesOn());
        self::assertFalse(self::set('slot:palm/1', 200)->goesOn());
        self::assertTrue((new SetAction(self::point('slot:palm/1'), 9, ends: 'release', after: 2.0))->goesOn());
    }

    private static function score(Track ...$tracks): Score
    {
        return (new Timeline('song', 'Song', tracks: array_values($tracks)))->score;
    }

    /** @param list<Moment> $moments */
    private static function marks(string $id, array $moments): Track
    {
        return new Track($id, strtoupper($id), new TriggerTrack($moments));
    }

    private static function set(string $point, int $value, ?float $fade = null): SetAction
    {
        return new SetAction(self::point($point), $value, fade: $fade);
    }

    private static function point(string $text): Reference
    {
        return Reference::parse($text) ?? throw new \LogicException($text);
    }

    /**
     * @param list<Due> $dues
     *
     * @return list<string>
     */
    private static function names(array $dues): array
    {
        return array_map(static fn(Due $due): string => substr($due->routeId, \strlen('timeline.song.')), $dues);
    }

    public function testOfAListThatIsPressedAllCountsSinceItWasLastInACueThatWasNamed(): void
    {
        $press = static fn(string $point): PressAction => new PressAction(self::point($point));
        $score = self::score(self::marks('a', [
            new Moment('one', 1.0, do: [$press('list:walk/go')]),
            new Moment('two', 2.0, do: [$press('list:walk')]),
            new Moment('three', 3.0, do: [self::set('list:walk/cue', 5)]),
            new Moment('four', 4.0, do: [$press('list:walk/go')]),
            new Moment('five', 5.0, do: [$press('wave:sway')]),
            new Moment('six', 6.0, do: [self::set('wave:sway', 1), $press('list:walk/release')]),
        ]));
        self::assertSame(['press list:walk/go at 1', 'press list:walk at 2'], self::states($score, 2.5));
        self::assertSame(
            ['press list:walk/go at 1', 'press list:walk at 2', 'list:walk/cue 5 at 3', 'press list:walk/go at 4'],
            self::states($score, 4.5),
            'what it fades from is there too',
        );
        self::assertSame('press wave:sway at 5', self::states($score, 5.5)[4]);
        self::assertSame(['wave:sway 1 at 6', 'press list:walk/release at 6'], \array_slice(self::states($score, 9.0), -2));
        self::assertSame(['list:walk' => true, 'wave:sway' => true], $score->sets['timeline.song.a']);
    }

    /** @return list<string> */
    private static function states(Score $score, float $at): array
    {
        $words = static fn(Done $one): string => $one->action instanceof SetAction
            ? "{$one->action->point->text()} {$one->action->value} at {$one->at}"
            : "press {$one->action->point->text()} at {$one->at}";

        return array_map($words, Past::of($score, $at, static fn(SetAction|PressAction $action): bool => $action->point->kind !== 'route'));
    }
}
