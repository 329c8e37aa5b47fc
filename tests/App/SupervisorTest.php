<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\TestCase;

/** What dies is started again, children and all, and nothing outlives the supervisor. */
final class SupervisorTest extends TestCase
{
    public function testWhatDiesIsStartedAgainAndAllEndTogether(): void
    {
        $supervisor = $this->supervise([
            'one' => [PHP_BINARY, '-r', 'echo "one is ", getmypid(), "\n"; sleep(60);'],
            // Starts something itself, as a web server does its workers.
            'two' => ['sh', '-c', 'sleep 61 & echo "two is $$"; wait'],
        ]);
        try {
            $first = $this->pidOf($supervisor, 'one', 1);
            $two = $this->pidOf($supervisor, 'two', 1);
            posix_kill($first, SIGKILL);
            $again = $this->pidOf($supervisor, 'one', 2);
            self::assertNotSame($first, $again);
            self::assertStringContainsString('one ended with', $supervisor->output());
            self::assertSame($two, $this->pidOf($supervisor, 'two', 1), 'the other one goes on');
            $supervisor->signal(SIGTERM);
            Background::until(static fn(): bool => ! $supervisor->isRunning(), 'The supervisor ending');
            Background::until(
                static fn(): bool => ! posix_kill(-$two, 0) && ! posix_kill(-$again, 0),
                'Everything that they started ending',
            );
            $this->addToAssertionCount(1);
        } finally {
            $supervisor->stop();
        }
    }

    /** A web server that cannot live must not take the engine with it: it is tried ever less often. */
    public function testWhatCannotLiveIsTriedEverLessOftenAndEndsNothingElse(): void
    {
        $supervisor = $this->supervise(
            ['broken' => [PHP_BINARY, '-n', '-r', 'exit(3);'], 'sound' => ['sh', '-c', 'echo "sound is $$"; exec sleep 60']],
        );
        try {
            $sound = $this->pidOf($supervisor, 'sound', 1);
            $supervisor->untilSaid('it is started again in 0.8 s.', 30);
            self::assertTrue(posix_kill($sound, 0), 'the other one is still the same');
            self::assertStringContainsString(
                'it is started again.',
                $supervisor->output(),
                'the first deaths are mended at once',
            );
            $supervisor->signal(SIGTERM);
            Background::until(static fn(): bool => ! $supervisor->isRunning(), 'The supervisor ending');
            self::assertSame(0, $supervisor->stop());
        } finally {
            $supervisor->stop();
        }
    }

    /** Its children hold the port that the next one needs, so they go first. */
    public function testChildrenOfTheDeadGoBeforeItIsStartedAgain(): void
    {
        $supervisor = $this->supervise(['web' => ['sh', '-c', 'sleep 62 & echo "child is $!"; echo "web is $$"; wait']]);
        try {
            $child = $this->pidOf($supervisor, 'child', 1);
            posix_kill($this->pidOf($supervisor, 'web', 1), SIGKILL);
            $this->pidOf($supervisor, 'web', 2);
            Background::until(static fn(): bool => ! posix_kill($child, 0), 'The child of the dead one ending');
            $this->addToAssertionCount(1);
        } finally {
            $supervisor->signal(SIGTERM);
            $supervisor->stop();
        }
    }

    /** @param array<string, list<string>> $commands */
    private function supervise(array $commands): Background
    {
        $code = 'require "vendor/autoload.php"; require "bootstrap/app.php"; $s = new App\Processes\Supervisor([], function (string $line): void { echo $line; });'
            .'foreach (json_decode($argv[1], true) as $name => $command) { $s->add($name, $command, "/"); } $s->start(); $s->run();';

        return new Background([PHP_BINARY, '-r', $code, json_encode($commands, JSON_THROW_ON_ERROR)]);
    }

    /** The process id that it has said for the n-th time. */
    private function pidOf(Background $supervisor, string $name, int $time): int
    {
        return Background::until(static function () use ($supervisor, $name, $time): ?int {
            preg_match_all("/{$name} is (\\d+)/", $supervisor->output(), $found);

            return isset($found[1][$time - 1]) ? (int) $found[1][$time - 1] : null;
        }, "{$name} starting for the {$time}. time");
    }
}
