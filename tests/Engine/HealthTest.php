<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Engine\AlreadyRunning;
use NimbleJunction\Engine\Health\Compilation;
use NimbleJunction\Engine\Health\FaultLog;
use NimbleJunction\Engine\Health\SelfCheck;
use NimbleJunction\Engine\Health\Warnings;
use NimbleJunction\Engine\Lock;
use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** How the engine looks after itself: compiled code that is checked, faults that are said, one engine a data folder. */
final class HealthTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-health-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->mustRun();
    }

    /** The digest was made by code that is not compiled; the tests of what leaves hold it against other programs. */
    public function testTheSelfCheckComesOutAsItIsWrittenDown(): void
    {
        $check = SelfCheck::load('{"format": "nimble-junction/show", "version": 1, "name": "Running"}');
        for ($round = 1; $round <= 3; ++$round) {
            self::assertSame(
                '',
                $check->round(),
                'After a change of what is meant to leave, "bin/self-check --renew" writes the new digest down.',
            );
        }
        self::assertSame(3, $check->rounds());
        self::assertFalse($check->isOver());
    }

    public function testTheSelfCheckSeesWhatComesOutWrong(): void
    {
        $work = (string) file_get_contents(Background::root().'/engine/Health/self-check.json');
        $changed = "{$this->folder}/changed.json";
        // One level of one desk: what leaves is another thing.
        file_put_contents(
            $changed,
            (string) preg_replace('/("hex":"4172742d4e657400[0-9a-f]{20})0a/', '${1}0b', $work, 1, $count),
        );
        self::assertSame(1, $count);
        self::assertStringContainsString(
            'in round 1 of the self-check what leaves has the digest',
            SelfCheck::load('', $changed)->round(),
        );
        self::assertStringContainsString(
            '/name',
            SelfCheck::load('{"format": "nimble-junction/show", "version": 1, "name": 7}')->round(),
            'nor can the running show be read',
        );
    }

    /** Exactly the flags that the engine has: bin/engine-php is where they stand. */
    public function testCodeIsCompiledAsItIsShipped(): void
    {
        $says = (new Process(
            ['bin/engine-php', '-r', 'require "vendor/autoload.php"; echo NimbleJunction\Engine\Health\Compilation::words();'],
            Background::root(),
        ))->mustRun()->getOutput();
        self::assertSame('PHP '.PHP_VERSION.', compiled (opcache.jit=1054)', $says);
        foreach ([
            'deploy/nimble-junction-engine.service',
            'app/Console/Commands/DemoCommand.php',
            'bench/Support/Subject.php',
            'bin/bench',
            'bin/test',
        ] as $file) {
            self::assertStringContainsString('bin/engine-php', (string) file_get_contents(Background::root()."/{$file}"), $file);
        }
        if (getenv('JUNCTION_COMPILED') === 'yes') {
            self::assertTrue(Compilation::isOn(), 'these very tests run compiled');
        }
    }

    public function testAnEngineThatDistrustsItsCompilerBeginsAgainWithoutIt(): void
    {
        $script = "{$this->folder}/again.php";
        file_put_contents(
            $script,
            '<?php require $argv[1]."/vendor/autoload.php"; use NimbleJunction\Engine\Health\Compilation; echo getmypid(), " ", Compilation::words(), " ", Compilation::distrust(), "\n"; if (Compilation::distrust() === "") { Compilation::beginAgainWithout("two and two made five"); }',
        );
        $lines = explode(
            "\n",
            trim((new Process(['bin/engine-php', $script, Background::root()], Background::root()))->mustRun()->getOutput()),
        );
        self::assertMatchesRegularExpression('/^(\d+) PHP \S+, compiled \(opcache\.jit=1054\) $/', $lines[0]);
        self::assertMatchesRegularExpression('/^(\d+) PHP \S+, not compiled two and two made five$/', $lines[1]);
        self::assertSame((int) $lines[0], (int) $lines[1], 'the same process: whoever watches over it notices nothing');
    }

    public function testFaultsAreCountedSaidAndWrittenDownWithTheirTrace(): void
    {
        $said = [];
        $warnings = new Warnings(static function (string $words) use (&$said): void {
            $said[] = $words;
        });
        $log = new FaultLog($this->folder, $warnings);
        for ($i = 0; $i < 50; ++$i) {
            $log->note('turning a page', new \LogicException('it came off'));
        }
        $log->note('opening a door', new \TypeError('it is a window'));
        self::assertSame(51, $log->count);
        self::assertCount(1, $warnings->all());
        self::assertStringContainsString(
            '51 faults in the program itself, the newest while opening a door: it is a window',
            $warnings->all()[0]['words'],
        );
        $written = (string) file_get_contents("{$this->folder}/".FaultLog::FILE);
        self::assertSame(3, substr_count($written, 'LogicException: it came off'), 'the same one is written down three times');
        self::assertStringContainsString('#0 ', $written);
        self::assertStringContainsString('while opening a door:', $written);
        (new FaultLog('/nowhere', $warnings))->note('anything', new \LogicException('x'));
        $warnings->clear('faults');
        self::assertSame([], $warnings->all());
        self::assertNotEmpty($said);
    }

    public function testOneEngineADataFolder(): void
    {
        $first = Lock::take($this->folder);
        try {
            Lock::take($this->folder);
            self::fail('two have it');
        } catch (AlreadyRunning $running) {
            self::assertStringContainsString('Another engine (process '.getmypid().") runs on {$this->folder}", $running->getMessage());
        }
        $first->release();
        Lock::take($this->folder)->release();
        $this->expectExceptionMessage('cannot be written');
        Lock::take('/nowhere');
    }
}
