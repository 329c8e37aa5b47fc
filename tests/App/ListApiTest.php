<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Shows\Csv;
use App\Shows\ShowStore;
use Illuminate\Testing\TestResponse;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use Symfony\Component\Process\Process;

/** Several parts at once, and lists as tables for spreadsheets. */
final class ListApiTest extends AppTestCase
{
    public function testSeveralPartsAreChangedInOneEdit(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $answer = $this->postJson(
            '/api/show/ports/batch',
            ['ids' => ['house-desk', 'guest-desk'], 'set' => ['enabled' => false, 'receive/enabled' => false]],
        )->assertOk();
        self::assertSame('change 2 ports: enabled, receive/enabled', $answer->json('undo'));
        $ports = $this->ports();
        self::assertSame(
            [false, false, false],
            [$ports['house-desk']['enabled'], $ports['guest-desk']['enabled'], $ports['house-desk']['receive']['enabled']],
        );
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame($before, app(ShowStore::class)->json());
        $this->postJson('/api/show/ports/batch', ['ids' => ['house-desk'], 'set' => ['enabled' => null]])->assertOk();
        self::assertArrayNotHasKey('enabled', $this->ports()['house-desk']);
    }

    public function testAFieldOfAnObjectThatAPartDoesNotHaveIsNotMade(): void
    {
        $this->as(Role::Builder);
        $sending = array_key_first(array_filter($this->ports(), static fn(array $port): bool => ! isset($port['receive'])));
        $this->postJson(
            '/api/show/ports/batch',
            ['ids' => [$sending, 'house-desk'], 'set' => ['receive/priority' => 80]],
        )->assertOk();
        self::assertArrayNotHasKey('receive', $this->ports()[$sending]);
        self::assertSame(80, $this->ports()['house-desk']['receive']['priority']);
    }

    public function testPartsAreCopiedMovedAndDeletedTogether(): void
    {
        $this->as(Role::Builder);
        $ids = array_keys($this->ports());
        $copies = [$this->ports()[$ids[0]], ['name' => 'Another'] + $this->ports()[$ids[1]]];
        $answer = $this->postJson('/api/show/ports/batch', ['add' => $copies])->assertOk();
        self::assertSame('add 2 ports', $answer->json('undo'));
        $added = $answer->json('ids');
        self::assertSame([...$ids, ...$added], array_keys($this->ports()));
        $this->postJson('/api/show/ports/batch', ['ids' => $added, 'before' => $ids[0]])->assertOk();
        self::assertSame([...$added, ...$ids], array_keys($this->ports()));
        $this->postJson('/api/show/ports/batch', ['ids' => [$added[0]], 'before' => null])->assertOk();
        self::assertSame([$added[1], ...$ids, $added[0]], array_keys($this->ports()));
        $this->postJson('/api/show/ports/batch', ['ids' => $added, 'remove' => true])->assertOk();
        self::assertSame($ids, array_keys($this->ports()));
    }

    public function testWhatABatchCannotDoIsSaidAndNothingChanges(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $asked = [
            'does not say one thing' => ['ids' => ['house-desk']],
            'does not say one thing to do' => ['ids' => ['house-desk'], 'remove' => true, 'set' => ['enabled' => true]],
            'no list of ids' => ['ids' => 'house-desk', 'remove' => true],
            'there is no \"gone\" among the ports' => ['ids' => ['gone'], 'remove' => true],
            'an id cannot be changed' => ['ids' => ['house-desk'], 'set' => ['id' => 'other']],
            'no list of objects' => ['add' => ['house-desk']],
            'no such part to put them before' => ['ids' => ['house-desk'], 'before' => 'gone'],
            'this field is not known here' => ['ids' => ['house-desk'], 'set' => ['colour' => 'red']],
        ];
        foreach ($asked as $words => $what) {
            $answer = $this->postJson('/api/show/ports/batch', $what)->assertStatus(422);
            self::assertStringContainsString($words, (string) $answer->getContent());
        }
        self::assertSame($before, app(ShowStore::class)->json());
        $this->as(Role::Operator);
        $this->postJson('/api/show/ports/batch', ['ids' => ['house-desk'], 'remove' => true])->assertForbidden();
        $this->upload('ports', 'id')->assertForbidden();
    }

    public function testABatchDoesNotOverwriteWhatSomebodyElseHasChanged(): void
    {
        $this->as(Role::Builder);
        $seen = $this->getJson('/api/show')->json('revision');
        $this->postJson('/api/show/ports/batch', ['ids' => ['house-desk'], 'set' => ['name' => 'Theirs']])->assertOk();
        $this->postJson(
            '/api/show/ports/batch',
            ['ids' => ['guest-desk'], 'set' => ['enabled' => false]],
            ['X-Base-Revision' => $seen],
        )->assertOk();
        $this->postJson(
            '/api/show/ports/batch',
            ['ids' => ['guest-desk', 'house-desk'], 'remove' => true],
            ['X-Base-Revision' => $seen],
        )->assertConflict();
        self::assertSame('Theirs', $this->ports()['house-desk']['name']);
    }

    public function testATableDoesNotOverwriteWhatSomebodyElseHasChanged(): void
    {
        $this->as(Role::Builder);
        $seen = $this->getJson('/api/show')->json('revision');
        $this->postJson('/api/show/ports/batch', ['ids' => ['house-desk'], 'set' => ['name' => 'Theirs']])->assertOk();
        $send = fn(string $csv) => $this->call(
            'POST',
            '/api/show/ports/table',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_X_BASE_REVISION' => (string) $seen],
            content: $csv,
        );
        $send("id,name\nhouse-desk,Mine\n")->assertConflict()->assertJsonPath('conflicts.0.fields.0.theirs', 'Theirs');
        $send("id,name\nguest-desk,Mine\n")->assertOk();
        self::assertSame(['Theirs', 'Mine'], [$this->ports()['house-desk']['name'], $this->ports()['guest-desk']['name']]);
    }

    public function testEveryListGoesOutAsATableAndComesBackUnchanged(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->document();
        foreach (array_keys(Show::LISTS) as $list) {
            $table = $this->get("/api/show/{$list}/table")->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8');
            $answer = $this->upload($list, (string) $table->getContent())->assertOk();
            self::assertSame(
                [0, 0, \count($before[$list])],
                [$answer->json('added'), $answer->json('changed'), $answer->json('same')],
                $list,
            );
        }
        self::assertEquals($before, app(ShowStore::class)->document());
    }

    /** Oracle: Python's csv module reads what we write, and we read what it writes. */
    public function testAnotherProgramReadsAndWritesTheTable(): void
    {
        $this->as(Role::Builder);
        $this->postJson(
            '/api/show/ports/batch',
            ['ids' => ['house-desk'], 'set' => ['name' => "A \"quoted\" name, with\na second line; späť"]],
        )->assertOk();
        $table = (string) $this->get('/api/show/ports/table')->getContent();
        $python = 'import csv,io,sys; rows=list(csv.DictReader(io.StringIO(sys.stdin.buffer.read().decode("utf-8-sig"),newline="")));'
            .' one=[r for r in rows if r["id"]=="house-desk"][0]; one["name"]=one["name"].upper();'
            .' out=io.StringIO(newline=""); w=csv.DictWriter(out,["id","name"],delimiter=";",extrasaction="ignore"); w.writeheader(); w.writerow(one); w.writerow({"id":"","name":"-"}); sys.stdout.buffer.write(out.getvalue().encode())';
        $process = new Process(['python3', '-c', $python], Background::root(), null, $table, 60);
        $process->mustRun();
        $lines = explode("\r\n", $process->getOutput());
        $this->upload('ports', implode("\r\n", \array_slice($lines, 0, -2)))->assertOk()->assertJsonPath('changed', 1);
        self::assertSame("A \"QUOTED\" NAME, WITH\nA SECOND LINE; SPÄŤ", $this->ports()['house-desk']['name']);
    }

    public function testATableChangesAddsAndIsTriedFirst(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $csv = "id;name;profile;universe;first\r\n;New lamp;dimmer;palm-house;400\r\n\r\n;New lamp;dimmer;palm-house;401\r\n";
        $profile = app(ShowStore::class)->document()['profiles'][0]['id'];
        $csv = str_replace('dimmer', $profile, $csv);
        $this->upload('fixtures', $csv, '?try=1')->assertOk()->assertJsonPath('added', 2);
        self::assertSame($before, app(ShowStore::class)->json());
        $this->upload('fixtures', $csv)->assertOk()->assertJsonPath('undo', 'add 2 fixtures from a table');
        $fixtures = array_column(app(ShowStore::class)->document()['fixtures'], null, 'id');
        self::assertSame([400, 401], [$fixtures['new-lamp']['first'], $fixtures['new-lamp-2']['first']]);
        $this->upload('fixtures', "id,first\nnew-lamp,402\n")->assertOk()->assertJsonPath('undo', 'change 1 fixture from a table');
        $this->postJson('/api/show/undo')->assertOk();
        $this->postJson('/api/show/undo')->assertOk();
        self::assertSame($before, app(ShowStore::class)->json());
    }

    public function testWhatIsWrongWithATableIsSaidByRowAndColumn(): void
    {
        $this->as(Role::Builder);
        $before = app(ShowStore::class)->json();
        $tables = [
            'row 1: there is no column' => "nome;first\nx;1",
            'there is no column \"colour\". Columns are: id, name' => "id,colour\nx,red",
            'the column \"first\" stands there twice' => "id,first,first\nx,1,2",
            'row 3, column id: \"a\" stands in row 2 too' => "id,name\na,A\na,B",
            'row 4, column first' => "id,name,profile,universe,first\n\n\n,Lamp,dimmer,palm-house,513",
            'row 2, column profile' => "name,profile,universe,first\nLamp,gone,palm-house,1",
            'more cells than there are columns' => "id,name\na,b,c",
            'its text is not UTF-8' => "id,name\na,sp\xE4t",
            'row 1: there is no column \"id\" and none' => '',
        ];
        foreach ($tables as $words => $csv) {
            $answer = $this->upload('fixtures', $csv)->assertStatus(422);
            self::assertStringContainsString(
                $words,
                (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE),
            );
        }
        self::assertSame($before, app(ShowStore::class)->json());
    }

    public function testTextsThatLookLikeFormulasComeBackAsTheyWere(): void
    {
        $rows = [['=1+1', "'=1", '-5', '-five', '@x', "it's", '', "a\tb"]];
        $text = Csv::write($rows);
        self::assertStringContainsString("'=1+1", $text);
        self::assertStringNotContainsString("'-5", $text);
        self::assertSame([1 => $rows[0]], Csv::read($text));
        $this->expectException(ShowRefused::class);
        Csv::read("\xFF");
    }

    /** @return array<string, array<string, mixed>> by id */
    private function ports(): array
    {
        return array_column(app(ShowStore::class)->document()['ports'], null, 'id');
    }

    private function upload(string $list, string $csv, string $query = ''): TestResponse
    {
        return $this->call(
            'POST',
            "/api/show/{$list}/table{$query}",
            server: ['CONTENT_TYPE' => 'text/csv', 'HTTP_ACCEPT' => 'application/json'],
            content: $csv,
        );
    }

    /** A table of somebody else's, with other names of columns, and names where ours has ids. */
    public function testATableOfSomebodyElsesIsUnderstood(): void
    {
        $this->as(Role::Builder);
        $csv = "Unit;Fixture;Type;Uni;DMX;Remark\n12;Path lamp;Moving lantern;fern gallery;101;by the door\n";
        $columns = ['Unit' => 'number', 'Fixture' => 'name', 'Type' => 'profile', 'Uni' => 'universe', 'DMX' => 'first', 'Remark' => ''];
        $path = '/api/show/fixtures/table?columns='.rawurlencode(json_encode($columns, JSON_THROW_ON_ERROR));
        $server = ['CONTENT_TYPE' => 'text/csv', 'HTTP_ACCEPT' => 'application/json'];
        $send = fn(string $path, string $body): TestResponse => $this->call('POST', $path, server: $server, content: $body);
        $send('/api/show/fixtures/table?try=1', $csv)->assertStatus(422)->assertJsonPath('faults.0.path', 'row 1');
        $send($path, $csv)->assertOk()->assertJsonPath('added', 1);
        $added = collect(app(ShowStore::class)->document()['fixtures'])->firstWhere('name', 'Path lamp');
        self::assertSame(
            [12, 'moving-lantern', 'fern-gallery', 101],
            [$added['number'], $added['profile'], $added['universe'], $added['first']],
        );
        $refused = $send($path, str_replace('101', '511', str_replace('Path lamp', 'Other', $csv)))->assertStatus(422);
        self::assertSame('row 2, column first', $refused->json('faults.0.path'));
        $send('/api/show/fixtures/table?columns=rubbish', $csv)->assertStatus(422);
    }
}
