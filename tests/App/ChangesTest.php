<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Database\OneMoment;
use App\Shows\Draft;
use App\Shows\ShowStore;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Support\Facades\Event;
use Illuminate\Testing\TestResponse;
use NimbleJunction\Core\Edit\Update;
use NimbleJunction\Engine\LiveLink\Role;

/** A page that is told only what has changed shows the same as one that asks for all of it. */
final class ChangesTest extends AppTestCase
{
    private const BY_ID = [
        'sentences' => 'routes',
        'routeEnds' => 'routes',
        'places' => 'ports',
        'numbering' => 'universes',
        'nextFree' => 'universes',
        'footprints' => 'profiles',
    ];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach ([1, 2] as $seed) {
            yield "walk {$seed}" => [$seed];
        }
    }

    #[\PHPUnit\Framework\Attributes\DataProvider('seeds')]
    public function testAfterAnyWalkAPageThatFollowsShowsWhatAFreshOneShows(int $seed): void
    {
        mt_srand($seed);
        $this->as(Role::Builder);
        $page = $this->fresh();
        $behind = $page;
        $followed = 0;
        for ($step = 0; $step < 60; ++$step) {
            $answer = $this->move($step);
            if ($answer->status() === 200) {
                $followed += $answer->json('changes') === null ? 0 : 1;
                $page = self::merged($page, $answer->json());
                self::assertEquals($this->fresh(), $page, "step {$step}");
            }
            if ($step % 7 === 0) {
                // Another page, that looks only now and then.
                $behind = self::merged(
                    $behind,
                    $this->getJson("/api/show/changes?since={$behind['revision']}")->assertOk()->json(),
                );
                self::assertEquals($page, $behind, "step {$step}");
            }
        }
        self::assertGreaterThan(20, $followed);
    }

    public function testWhatOneOtherEndNeedsIsWhatTheWholePageSaysOfIt(): void
    {
        $this->as(Role::Viewer);
        $all = $this->getJson('/api/show')->json('otherEnds');
        foreach ($all as $port => $lines) {
            self::assertSame($lines, $this->getJson("/api/show/ports/{$port}/other-end")->assertOk()->json('lines'), $port);
        }
        $this->getJson('/api/show/ports/nowhere/other-end')->assertNotFound();
    }

    public function testAPageThatFollowsMayGetTheShowOfAMomentAgoAndIsThenToldTheRest(): void
    {
        $this->as(Role::Builder);
        $packed = fn(): array => json_decode(
            (string) gzdecode((string) $this->get(
                '/api/show',
                ['X-Answer' => 'changes', 'Accept-Encoding' => 'gzip'],
            )->assertOk()->assertHeader('Content-Encoding', 'gzip')->getContent()),
            true,
        );
        $first = $packed();
        self::assertEquals(
            array_diff_key($this->fresh(), ['undo' => 0]),
            array_diff_key($packed(), ['undo' => 0, 'adapters' => 0]),
        );
        $this->patchJson('/api/show', ['name' => 'Later'])->assertOk();
        $this->deleteJson('/api/show/ports/lily-laser')->assertOk();
        self::assertSame($first, $packed(), 'as it was put into words');
        $now = self::merged(
            array_diff_key($packed(), ['adapters' => 0]),
            $this->getJson("/api/show/changes?since={$first['revision']}")->json(),
        );
        self::assertEquals($this->fresh(), $now);
        $copy = $this->postJson('/api/shows/1/duplicate', ['name' => 'Other'])->json('id');
        $this->postJson("/api/shows/{$copy}/open")->assertOk();
        self::assertSame('Other', $packed()['document']['name']);
        for ($i = 0; $i <= 100; ++$i) {
            $this->patchJson('/api/show', ['name' => "Other {$i}"], ['X-Answer' => 'changes'])->assertOk();
        }
        self::assertSame('Other 100', $packed()['document']['name'], 'after many edits it is made anew');
        self::assertCount(1, glob("{$this->data}/pages/{$copy}/*") ?: []);
    }

    public function testWhatIsNotKnownIsAnsweredWhole(): void
    {
        $this->as(Role::Viewer);
        self::assertSame(
            'Fernhall Glasshouse, Night Walk',
            $this->getJson('/api/show/changes?since=7777')->assertOk()->json('document.name'),
        );
        $this->getJson('/api/show/changes')->assertStatus(422);
        $this->getJson('/api/show/changes?since=soon')->assertStatus(422);
        $now = $this->fresh()['revision'];
        $nothing = $this->getJson("/api/show/changes?since={$now}")->assertOk();
        self::assertNull($nothing->json('document'));
        self::assertSame($now, $nothing->json('revision'));
    }

    /** Another person's edit lands between an edit and its answer: the answer is of the first one, and the page asks for the rest. */
    public function testAnAnswerNeverClaimsMoreThanItSays(): void
    {
        $this->as(Role::Builder);
        $base = $this->fresh()['revision'];
        $isOther = true;
        Event::listen(TransactionCommitted::class, function () use (&$isOther): void {
            if ($isOther) {
                $isOther = false;
                app(ShowStore::class)->amend(
                    'add look "Other"',
                    null,
                    static fn(Draft $draft) => $draft->put('looks', 'other', ['name' => 'Other']),
                );
            }
        });
        $answer = $this->postJson('/api/show/looks', ['name' => 'Mine'], ['X-Answer' => 'changes'])->assertSuccessful();
        self::assertFalse($isOther, 'the other one was in between');
        self::assertSame(
            [$base, $base + 1, ['mine']],
            [$answer->json('base'), $answer->json('revision'), array_keys($answer->json('changes.parts.looks'))],
        );
        $rest = $this->getJson('/api/show/changes?since='.($base + 1))->assertOk();
        self::assertSame([$base + 2, ['other']], [$rest->json('revision'), array_keys($rest->json('changes.parts.looks'))]);
    }

    /**
     * What is read is of one moment, also where somebody writes by another connection meanwhile; and whoever writes does not wait for
     * it.
     */
    public function testAPageIsOfOneMoment(): void
    {
        $before = app(ShowStore::class)->current()->revision;
        $seen = OneMoment::of(function (): array {
            $first = app(ShowStore::class)->current()->revision;
            $other = new \PDO("sqlite:{$this->data}/shows.sqlite");
            $other->exec('UPDATE shows SET revision = revision + 1 WHERE is_current = 1');

            return [$first, app(ShowStore::class)->current()->revision];
        });
        self::assertSame([$before, $before], $seen);
        self::assertSame($before + 1, app(ShowStore::class)->current()->revision);
    }

    private function move(int $step): TestResponse
    {
        $document = app(ShowStore::class)->document();
        $list = ['ports', 'ports', 'routes', 'universes', 'fixtures', 'profiles', 'values', 'copies'][mt_rand(0, 7)];
        $parts = array_column($document[$list], null, 'id');
        $id = $parts === [] ? 'none' : array_rand($parts);
        $part = $parts[$id] ?? ['name' => 'None', 'type' => 'switch'];
        $other = $parts === [] ? null : array_rand($parts);
        $universe = $document['universes'][array_rand($document['universes'])]['id'];
        $headers = ['X-Answer' => 'changes'];

        return match (mt_rand(0, 9)) {
            0, 1 => $this->putJson("/api/show/{$list}/{$id}", [...$part, 'name' => "Name {$step}"], $headers),
            2 => $this->putJson("/api/show/{$list}/{$id}", self::elsewhere($part, $universe, $step), $headers),
            3 => $this->postJson("/api/show/{$list}", [...array_diff_key($part, ['id' => 0]), 'name' => "New {$step}"], $headers),
            4 => $this->deleteJson("/api/show/{$list}/{$id}", [], $headers),
            5 => $this->postJson(
                "/api/show/{$list}/batch",
                ['ids' => [$id], 'before' => $other === $id ? null : $other],
                $headers,
            ),
            6 => $this->patchJson(
                '/api/show',
                mt_rand(0, 1) === 0 ? ['name' => "Show {$step}"] : ['middleC' => mt_rand(3, 5)],
                $headers,
            ),
            7 => $this->postJson('/api/show/redo', [], $headers),
            default => $this->postJson('/api/show/undo', [], $headers),
        };
    }

    /**
     * The part with other numbers, universes or slots.
     *
     * @param array<string, mixed> $part
     *
     * @return array<string, mixed>
     */
    private static function elsewhere(array $part, string $universe, int $step): array
    {
        foreach (['receive' => 'feeds', 'send' => 'carries'] as $side => $list) {
            if (isset($part[$side][$list])) {
                $part[$side][$list] = [['number' => 20 + $step, 'universe' => $universe]];
            }
        }
        foreach (['from', 'to'] as $end) {
            if (isset($part[$end]['slot'])) {
                $part[$end] = [...$part[$end], 'universe' => $universe, 'slot' => 100 + $step];
            }
        }

        return isset($part['first']) ? [...$part, 'universe' => $universe, 'first' => 200 + 2 * $step] : $part;
    }

    /** @return array<string, mixed> */
    private function fresh(): array
    {
        return array_diff_key($this->getJson('/api/show')->assertOk()->json(), ['adapters' => 0, 'otherEnds' => 0]);
    }

    /**
     * @param array<string, mixed> $page
     * @param array<string, mixed> $answer
     *
     * @return array<string, mixed>
     */
    private static function merged(array $page, array $answer): array
    {
        unset(
            $answer['notice'],
            $answer['id'],
            $answer['ids'],
            $answer['undone'],
            $answer['undoneBy'],
            $answer['redone'],
            $answer['redoneBy'],
            $answer['adapters'],
            $answer['otherEnds'],
        );
        if (isset($answer['document'])) {
            return $answer;
        }
        self::assertSame($page['revision'], $answer['base']);
        $page['document'] = Update::fromArray($answer['changes'])->document($page['document']);
        foreach (self::BY_ID as $name => $list) {
            $page[$name] = array_intersect_key(
                [...$page[$name], ...$answer[$name]],
                array_column($page['document'][$list], null, 'id'),
            );
        }
        $page['unsent'] = [...array_diff_key($page['unsent'], $answer['places']), ...$answer['unsent']];
        $page['patch'] = [
            ...array_filter(
                $page['patch'],
                static fn(array $one): bool => ! \in_array($one['universe'], $answer['patched'], true),
            ),
            ...$answer['patch'],
        ];
        usort(
            $page['patch'],
            static fn(array $a, array $b): int => [$a['universe'], $a['first']] <=> [$b['universe'], $b['first']],
        );

        return [
            ...$page,
            ...array_intersect_key($answer, ['revision' => 0, 'undo' => 0, 'undoBy' => 0, 'redo' => 0, 'redoBy' => 0]),
        ];
    }
}
