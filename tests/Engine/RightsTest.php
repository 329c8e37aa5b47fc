<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use App\Live\EngineDoor;
use App\Live\Secret;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What somebody may ends when it is taken: their pages are closed, with what they lend; tokens are good once, and not from before. */
final class RightsTest extends TestCase
{
    private string $folder;
    private int $port;
    private EngineProcess $engine;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->port = Background::freePort();
        $document = EngineProcess::document('127.78.61');
        $document['ports'][] = [
            'id' => 'keys',
            'name' => 'Keys',
            'protocol' => 'midi',
            'link' => ['kind' => 'browser', 'device' => 'Attic Keys'],
            'receive' => (object) [],
        ];
        $this->engine = new EngineProcess($document, ['--for=120', "--live=127.0.0.1:{$this->port}", "--state={$this->folder}"]);
    }

    protected function tearDown(): void
    {
        $this->engine->stop();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function testWhoMaySomethingElseIsCutOffWithWhatTheyLendAndNobodyElseIs(): void
    {
        $lend = [['do' => 'lend', 'devices' => ['midi Attic Keys']]];
        $ada = $this->page(self::token('Ada', 'visit-a'), $lend, 40);
        $bo = $this->page(self::token('Bo', 'visit-b'), [], 40);
        $this->present(3, ['Ada', 'Bo']);
        $early = self::token('Ada', 'visit-c');
        self::door($this->folder)->expel('Ada');
        $ada->wait();
        self::assertSame(4401, self::answer($ada)['close']);
        // Somebody else may lend the same now: hers is given back.
        $cleo = $this->page(self::token('Cleo', 'visit-d'), $lend, 2);
        $cleo->wait();
        $said = array_values(array_filter(self::answer($cleo)['json'], static fn(array $one): bool => $one['type'] === 'answer'));
        self::assertTrue($said[0]['ok'], json_encode($said, JSON_THROW_ON_ERROR));
        $late = $this->page($early, [], 20);
        $late->wait();
        self::assertSame(4401, self::answer($late)['close'], 'a token from before is good for nothing');
        self::assertTrue($bo->isRunning(), 'another page goes on');
        self::door($this->folder)->expel('', 'visit-b');
        $bo->wait();
        self::assertSame(4401, self::answer($bo)['close'], 'who logs out closes the pages of that login');
    }

    public function testATokenIsGoodForOneLink(): void
    {
        $token = self::token('Ada', 'visit-a');
        $first = $this->page($token, [], 1);
        $first->wait();
        self::assertNull(self::answer($first)['close']);
        $second = $this->page($token, [], 1);
        $second->wait();
        self::assertSame(403, self::answer($second)['status']);
    }

    /** @param list<string> $names who have a page open */
    private function present(int $seconds, array $names): void
    {
        Background::until(function () use ($seconds, $names): bool {
            $look = $this->page(self::token('Looker', ''), [['do' => 'subscribe', 'topics' => ['present']]], $seconds);
            $look->wait();
            $people = array_merge(...array_column(
                array_filter(self::answer($look)['json'], static fn(array $one): bool => $one['type'] === 'present'),
                'people',
            ));

            return array_diff($names, array_column($people, 'name')) === [];
        }, 'all being there');
    }

    private static function token(string $user, string $visit): string
    {
        return Token::sign($user, Role::Operator, Secret::derive((string) getenv('APP_KEY')), time(), visit: $visit);
    }

    private static function door(string $folder): EngineDoor
    {
        return new EngineDoor("{$folder}/engine.sock");
    }

    /** @param list<array<string, mixed>> $commands */
    private function page(string $token, array $commands, int $seconds): Process
    {
        $question = [
            'url' => "ws://127.0.0.1:{$this->port}/?token=".urlencode($token),
            'origin' => 'http://127.0.0.1:1',
            'commands' => $commands,
            'seconds' => $seconds,
        ];
        $process = new Process(
            ['node', __DIR__.'/../Support/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            90,
        );
        $process->start();

        return $process;
    }

    /** @return array<string, mixed> */
    private static function answer(Process $page): array
    {
        return json_decode($page->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }
}
