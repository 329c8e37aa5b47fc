<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use Illuminate\Testing\TestResponse;
use NimbleJunction\Engine\LiveLink\Role;

/** Routes by the interface that pages use: looked at before they are kept, changed many at once, out and in as a sheet. */
final class RoutesApiTest extends AppTestCase
{
    private const CUE = [
        'name' => 'Cue from a slide',
        'when' => ['kind' => 'note-on', 'port' => 'talk-slides', 'note' => 50],
        'steps' => [['kind' => 'scale', 'from' => [0, 127], 'to' => [0, 1]]],
        'do' => [
            ['kind' => 'send', 'port' => 'cue-desk', 'message' => ['kind' => 'osc', 'address' => '/cue/{note}/start', 'arguments' => [['kind' => 'float']]]],
            ['kind' => 'wait', 'seconds' => 2],
            ['kind' => 'set', 'point' => 'slot:palm-house/5', 'value' => 9, 'fade' => 3],
        ],
    ];

    public function testWhatARouteWouldDoIsSaidBeforeItIsKept(): void
    {
        $this->as(Role::Viewer);
        $answer = $this->postJson('/api/show/routes/preview', ['route' => self::CUE, 'value' => 127])
            ->assertOk()
            ->assertJsonPath('faults', []);
        self::assertSame(127, $answer->json('preview.value'));
        self::assertSame('1', $answer->json('preview.steps.0.value'));
        self::assertSame(
            ['send /cue/50/start 1 on Cue desk', 'wait 2 s', 'set slot 5 of Palm House to 9 in 3 s'],
            array_column($answer->json('preview.lines'), 'words'),
        );
        // OSC 1.0, "OSC Messages": address and tags padded to four bytes, a float in 32 bits, big-endian.
        self::assertSame(bin2hex("/cue/50/start\0\0\0,f\0\0\x3F\x80\0\0"), $answer->json('preview.lines.0.bytes'));
        self::assertSame([], $answer->json('preview.unknown'));
        self::assertSame(0, $this->getJson('/api/show')->collect('document.routes')->where('name', 'Cue from a slide')->count());
    }

    public function testAGapThatNothingFillsIsNamed(): void
    {
        $this->as(Role::Viewer);
        $route = self::CUE;
        $route['do'][0]['message']['address'] = '/cue/{cue}/start';
        $answer = $this->postJson('/api/show/routes/preview', ['route' => $route])->assertOk();
        self::assertSame(['cue'], $answer->json('preview.unknown'));
        self::assertSame(['value', 'channel', 'note', 'velocity'], $answer->json('preview.names'));
        $route['do'][0]['port'] = 'talk-slides';
        $answer = $this->postJson('/api/show/routes/preview', ['route' => $route])->assertOk()->assertJsonPath('preview', null);
        self::assertSame('do/0/port', $answer->json('faults.0.path'));
        $this->postJson('/api/show/routes/preview', ['route' => 'none'])->assertStatus(422);
    }

    public function testManyAreRenumberedPutOnAnotherChannelAndMovedInOneEdit(): void
    {
        $this->as(Role::Builder);
        $id = $this->postJson('/api/show/routes', self::CUE)->assertOk()->json('id');
        $this->postJson('/api/show/routes/deed', ['kind' => 'renumber', 'ids' => [$id, 'doors'], 'what' => 'note', 'by' => 12])->assertOk();
        self::assertSame([62, '/note/1/61'], [$this->route($id)['when']['note'], $this->route('doors')['from']['address']]);
        $refused = $this->postJson('/api/show/routes/deed', ['kind' => 'renumber', 'ids' => [$id], 'what' => 'note', 'by' => 100])
            ->assertStatus(422);
        self::assertStringContainsString('when/note', $refused->json('faults.0.path'));
        $this->postJson('/api/show/routes/deed', ['kind' => 'channel', 'ids' => ['doors'], 'to' => 7])->assertOk();
        self::assertSame('/note/7/61', $this->route('doors')['from']['address']);
        $this->postJson('/api/show/routes/deed', ['kind' => 'port', 'ids' => [$id, 'doors'], 'to' => 'lectern'])->assertOk();
        self::assertSame(['lectern', 'lectern'], [$this->route($id)['when']['port'], $this->route('doors')['from']['port']]);
        self::assertSame('cue-desk', $this->route($id)['do'][0]['port'], 'what it sends is left');
        $this->postJson('/api/show/undo')->assertOk()->assertJsonPath('undone', 'move 2 routes to another port');
        $this->postJson('/api/show/routes/deed', ['kind' => 'channel', 'ids' => [], 'to' => 7])->assertStatus(422);
        $this->postJson('/api/show/routes/deed', ['kind' => 'nothing', 'ids' => ['doors']])->assertStatus(422);
    }

    public function testTheTriggerSheetComesBackAsItWentOut(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/routes', self::CUE)->assertOk();
        $csv = $this->get('/api/show/routes/sheet')->assertOk()->assertHeader('content-type', 'text/csv; charset=utf-8')->getContent();
        self::assertStringContainsString('note name (middle C = C4)', (string) $csv);
        self::assertStringContainsString('doors,Doors,,yes,"Talk slides",note,1,49,C#3,,,,,,set,slot:palm-house/9', (string) $csv);
        $this->sheet((string) $csv, true)->assertOk()->assertJson(['added' => 0, 'changed' => 0]);
    }

    public function testASheetChangesAndAddsByNoteNames(): void
    {
        $this->as(Role::Builder);
        $id = $this->postJson('/api/show/routes', self::CUE)->assertOk()->json('id');
        $csv = "id;name;folder;port;when;note name (middle C = C3);does;point;to;note\n"
            ."{$id};Cue from a slide;Talk;Talk slides;note-on;D2;more;;;agreed with Ada\n"
            .";Interval;Talk;Talk slides;note-on;Bb-1;set;slot:palm-house/9;200;\n";
        $this->sheet($csv, true)->assertOk()->assertJson(['added' => 1, 'changed' => 1, 'same' => 0]);
        $this->sheet($csv)->assertOk();
        $first = $this->route($id);
        self::assertSame([50, 'Talk', 'agreed with Ada'], [$first['when']['note'], $first['folder'], $first['note']]);
        self::assertSame(self::CUE['do'][0]['kind'], $first['do'][0]['kind'], 'what has no column stays');
        self::assertCount(3, $first['do']);
        $second = $this->route('interval');
        self::assertSame(
            ['kind' => 'note-on', 'port' => 'talk-slides', 'note' => 22],
            array_intersect_key($second['when'], ['kind' => 1, 'port' => 1, 'note' => 1]),
        );
        self::assertSame([['kind' => 'set', 'point' => 'slot:palm-house/9', 'value' => 200]], $second['do']);
    }

    public function testARouteOfTheShortFormIsChangedInItsOwnForm(): void
    {
        $this->as(Role::Builder);
        $this->sheet("id,channel,number,point\ndoors,2,50,slot:palm-house/10\n")->assertOk();
        $route = $this->route('doors');
        self::assertSame(['/note/2/50', 10], [$route['from']['address'], $route['to']['slot']]);
    }

    public function testWhatNotesMeanStandsInSentences(): void
    {
        $this->as(Role::Builder);
        $id = $this->postJson('/api/show/routes', self::CUE)->assertOk()->json('id');
        $this->postJson('/api/show/notes', ['name' => 'Interval', 'note' => 50])->assertOk();
        $answer = $this->postJson('/api/show/notes', ['name' => 'Doors open', 'note' => 49, 'channel' => 1])->assertOk();
        self::assertStringStartsWith('When note 49 (C#3) on channel 1 "Doors open" arrives', $answer->json('sentences.doors'));
        self::assertStringStartsWith('When note 50 (D3) "Interval" on arrives', $this->getJson('/api/show')->json("sentences.{$id}"));
        $this->putJson("/api/show/routes/{$id}", [...self::CUE, 'name' => 'Other'])->assertOk();
        self::assertStringStartsWith(
            'When note 50 (D3) "Interval" on arrives',
            $this->getJson('/api/show')->json("sentences.{$id}"),
            'after a small edit too',
        );
        $this->postJson('/api/show/notes', ['name' => 'Nothing', 'note' => 200])->assertStatus(422);
        $this->deleteJson('/api/show/notes/interval')->assertOk();
        self::assertStringStartsWith('When note 50 (D3) on arrives', $this->getJson('/api/show')->json("sentences.{$id}"));
    }

    public function testEachWrongLineOfASheetIsNamed(): void
    {
        $this->as(Role::Builder);
        $csv = "name,port,when,number,note name (middle C = C4),does,point\n"
            ."One,talk-slides,note,60,C4,set,slot:palm-house/1\n"
            ."Two,talk-slides,note,60,C3,set,slot:palm-house/2\n"
            ."Three,nobody,note,61,,set,slot:palm-house/3\n"
            ."Four,talk-slides,note,200,,press,slot:palm-house/4\n";
        $faults = $this->sheet($csv)->assertStatus(422)->json('faults');
        self::assertSame(
            ['row 3, column note name', 'row 4, column port', 'row 5, column number'],
            array_column($faults, 'path'),
        );
        self::assertSame('C3 is note 48, and the number is 60', $faults[0]['problem']);
        self::assertNull($this->getJson('/api/show')->collect('document.routes')->firstWhere('name', 'One'), 'nothing of it is stored');
        self::assertSame('there is no column "nr"', $this->sheet("name,nr\na,b\n")->assertStatus(422)->json('faults.0.problem'));
        self::assertSame(
            'the column "port" is there twice',
            $this->sheet("name,port,port\na,b,c\n")->assertStatus(422)->json('faults.0.problem'),
        );
        self::assertSame(
            'row 2 is "doors" too',
            $this->sheet("id,number\ndoors,50\ndoors,51\n")->assertStatus(422)->json('faults.0.problem'),
        );
        $this->sheet("id,number,\ndoors,50,a remark\n")->assertOk();
        $this->sheet("who,what\na,b\n")->assertStatus(422);
        $this->sheet('')->assertStatus(422);
    }

    private function sheet(string $csv, bool $isTried = false): TestResponse
    {
        return $this->call(
            'POST',
            '/api/show/routes/sheet'.($isTried ? '?try=1' : ''),
            server: ['CONTENT_TYPE' => 'text/csv', 'HTTP_ACCEPT' => 'application/json'],
            content: $csv,
        );
    }

    /** @return array<string, mixed> */
    private function route(string $id): array
    {
        return $this->getJson('/api/show')->collect('document.routes')->firstWhere('id', $id) ?? self::fail("there is no route {$id}");
    }

    public function testRoutesThatSetEachOtherOffWithoutEndAreRefusedWithTheirNames(): void
    {
        $this->as(Role::Builder);
        $comes = ['kind' => 'osc', 'port' => 'guides-tablet', 'address' => '/round'];
        $this->postJson(
            '/api/show/routes',
            ['name' => 'There', 'when' => [$comes], 'do' => [['kind' => 'press', 'point' => 'value:house-open']]],
        )->assertOk();
        $back = [
            'name' => 'Back',
            'when' => [['kind' => 'fired', 'point' => 'route:there']],
            'do' => [['kind' => 'press', 'point' => 'route:there']],
        ];
        $refused = $this->postJson('/api/show/routes', $back)->assertStatus(422);
        self::assertSame(
            'it sets itself off without end: "Back" sets off "There", which sets off "Back"',
            $refused->json('faults.0.problem'),
        );
        self::assertSame('/routes/13/do', $refused->json('faults.0.path'));
        $this->postJson('/api/show/routes', [...$back, 'steps' => [['kind' => 'delay', 'seconds' => 1]]])->assertOk();
        $this->putJson(
            '/api/show/routes/there',
            ['name' => 'There', 'when' => [$comes], 'do' => [['kind' => 'press', 'point' => 'route:there']]],
        )->assertStatus(422);
    }
}
