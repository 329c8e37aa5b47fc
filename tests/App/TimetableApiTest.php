<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Occasions as they are stored: added, refused with the place of what is wrong, and what becomes of them when something is deleted. */
final class TimetableApiTest extends AppTestCase
{
    public function testAnOccasionIsAddedRefusedAndForgetsWhatIsDeleted(): void
    {
        $this->as(Role::Builder);
        $press = ['kind' => 'press', 'point' => 'look:moss'];
        $set = ['kind' => 'set', 'point' => 'value:mood', 'value' => 2];
        $this->postJson('/api/show/values', ['name' => 'Mood', 'type' => 'number', 'low' => 0, 'high' => 9])->assertOk();
        $id = $this->postJson(
            '/api/show/occasions',
            ['name' => 'House opens', 'when' => ['kind' => 'time', 'at' => '18:30'], 'days' => ['fri', 'mon'], 'do' => [$press, $set]],
        )->assertOk()->json('id');
        self::assertSame('house-opens', $id);
        $occasion = fn(): array => collect($this->getJson('/api/show')->json('document.occasions'))->firstWhere('id', 'house-opens');
        self::assertEquals([['fri', 'mon'], [$press, $set]], [$occasion()['days'], $occasion()['do']]);
        $this->deleteJson('/api/show/values/mood')->assertOk();
        self::assertEquals([$press], $occasion()['do']);
        foreach ([
            ['when' => ['kind' => 'moon']],
            ['when' => ['kind' => 'time', 'at' => '7:00']],
            ['days' => ['friday']],
            ['except' => ['2026-13-01']],
        ] as $wrong) {
            $this->postJson('/api/show/occasions', ['name' => 'Wrong', 'when' => ['kind' => 'time', 'at' => '18:30'], ...$wrong])
                ->assertStatus(422);
        }
        $this->as(Role::Operator)->deleteJson('/api/show/occasions/house-opens')->assertStatus(403);
    }
}
