<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\DemoStack;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What set-up says before it installs anything, and that a demo ends when it is told to, whatever it is doing. */
final class SetupTest extends TestCase
{
    private string $bin;

    protected function setUp(): void
    {
        $this->bin = sys_get_temp_dir().'/junction-bin-'.bin2hex(random_bytes(6));
        mkdir($this->bin);
        // Whoever would install something leaves a mark.
        foreach (['apt-get', 'composer', 'npm', 'sudo'] as $name) {
            $this->program($name, "touch '{$this->bin}/installed'; exit 1");
        }
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->bin]))->mustRun();
    }

    /** @return iterable<string, array{string, string, string}> program, what it does, what is said */
    public static function tooOld(): iterable
    {
        yield 'the Node of Debian 12' => [
            'node',
            'if [ "$1" = --version ]; then echo v18.19.0; else exit 1; fi',
            'Node 18.19.0 is too old to build the page: 20.19, 22.12 or newer is needed',
        ];
        yield 'an old PHP' => [
            'php',
            'case "$2" in *PHP_VERSION_ID*) exit 1 ;; *) echo 7.4.33 ;; esac',
            'PHP 7.4.33 is too old: 8.2 or newer is needed',
        ];
    }

    #[DataProvider('tooOld')]
    public function testWhatIsTooOldIsToldInOneLineBeforeAnythingIsInstalled(string $program, string $does, string $words): void
    {
        $this->program($program, $does);
        $setup = new Process(['bin/setup'], Background::root(), ['PATH' => "{$this->bin}:".getenv('PATH')], null, 180);
        self::assertSame(1, $setup->run());
        self::assertStringContainsString($words, $setup->getErrorOutput());
        self::assertSame(1, substr_count(trim($setup->getErrorOutput()), "\n") + 1);
        self::assertFileDoesNotExist("{$this->bin}/installed");
    }

    /** A shell starts what runs in its background with this signal ignored: so a demo once went on for minutes. */
    public function testADemoThatWasStartedInTheBackgroundEndsOnSigint(): void
    {
        $demo = new DemoStack('127.73.0');
        $demo->stop();
        mkdir($demo->data);
        $background = new Background(
            ['sh', '-c', 'trap "" INT; exec bin/demo --port='.$demo->port],
            [...$demo->environment(), 'JUNCTION_LOOPBACK' => '127.73.0'],
        );
        try {
            // While it sets up, and once it runs.
            Background::until(
                static fn(): bool => str_contains((string) @file_get_contents("/proc/{$background->pid()}/environ"), 'JUNCTION_SIGNALS'),
                'The demo beginning',
            );
            $background->signal(SIGINT);
            Background::until(static fn(): bool => ! $background->isRunning(), 'The demo ending');
            $background = new Background(
                ['sh', '-c', 'trap "" INT; exec bin/demo --port='.$demo->port],
                [...$demo->environment(), 'JUNCTION_LOOPBACK' => '127.73.0'],
            );
            $background->untilSaid('Open http://');
            $background->signal(SIGINT);
            Background::until(static fn(): bool => ! $background->isRunning(), 'The running demo ending');
            $this->addToAssertionCount(1);
        } finally {
            $background->stop();
            (new Process(['rm', '-rf', $demo->data]))->run();
        }
    }

    private function program(string $name, string $does): void
    {
        file_put_contents("{$this->bin}/{$name}", "#!/bin/sh\n{$does}\n");
        chmod("{$this->bin}/{$name}", 0o755);
    }
}
