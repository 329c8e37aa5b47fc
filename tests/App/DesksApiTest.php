<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Engine\LiveLink\Role;

/** Desks as they are stored, and what types lines at them: what the desk does not take is refused where it is known. */
final class DesksApiTest extends AppTestCase
{
    public function testADeskIsAddedAndWhatIsWrongIsSaid(): void
    {
        $this->as(Role::Builder);
        $desk = [
            'name' => 'Encore',
            'port' => 'cue-desk',
            'address' => '/encore/{cue}',
            'forms' => [['line' => 'fire {cue: 1-99}', 'sends' => 'F{cue}']],
        ];
        $this->postJson('/api/show/desks', $desk)->assertOk()->assertJsonPath('id', 'encore');
        foreach ([
            [['port' => 'house-desk'], 'port'],
            [['port' => 'gone'], 'port'],
            [['way' => 'sysex'], 'port'],
            [['address' => 'encore'], 'address'],
            [['forms' => [['line' => '{cue: 1-9}']]], 'forms/0/line'],
            [['forms' => [['line' => 'fire {cue: 1-9}', 'sends' => '{que}']]], 'forms/0/sends'],
            [['way' => 'sysex', 'bytes' => '90 {line}', 'port' => 'cue-desk-midi'], 'bytes'],
            [['pause' => 100], 'pause'],
        ] as [$changes, $path]) {
            $faults = $this->postJson('/api/show/desks', [...$desk, 'name' => 'Wrong', ...$changes])->assertStatus(422)->json('faults');
            self::assertStringContainsString($path, implode(' ', array_column($faults, 'path')), json_encode($faults, JSON_THROW_ON_ERROR));
        }
        $this->postJson(
            '/api/show/desks',
            [...$desk, 'name' => 'By MIDI', 'way' => 'sysex', 'bytes' => '7D 01 {line}', 'port' => 'cue-desk-midi'],
        )->assertOk();
        $this->as(Role::Operator)->deleteJson('/api/show/desks/encore')->assertStatus(403);
    }

    public function testARouteTypesOnlyWhatItsDeskTakes(): void
    {
        $this->as(Role::Builder);
        $route = static fn(string $line, string $desk = 'cue-desk'): array => [
            'name' => "Type {$line}",
            'when' => [['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/type']],
            'do' => [['kind' => 'line', 'desk' => $desk, 'line' => $line]],
        ];
        $this->postJson('/api/show/routes', $route('go cue 4'))->assertOk();
        $this->postJson('/api/show/routes', $route('go cue {value}'))->assertOk();
        $this->postJson('/api/show/routes', $route('go cue four'))
            ->assertStatus(422)
            ->assertJsonPath('faults.0.problem', 'Cue desk lines does not take it: "four" cannot stand there');
        $this->postJson('/api/show/routes', $route('go cue 4', 'gone'))->assertStatus(422);
        $this->deleteJson('/api/show/desks/cue-desk')->assertStatus(422);
    }
}
