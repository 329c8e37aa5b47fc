<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\Attributes\Depends;
use Symfony\Component\Process\Process;

/** What systemd does with the services that are installed: who they are, what they may, and that they are begun again however they end. */
final class ServicesTest extends InstallationTestCase
{
    private const NAMES = ['engine', 'php', 'nginx'];

    public function testTheEngineIsWhoItsUnitSays(): void
    {
        self::$machine->follow('rm -rf '.InstalledMachine::ROOT.' nimble-junction-*');
        self::$machine->follow(
            'tar xzf '.InstalledMachine::release().'/nimble-junction-*.tar.gz && nimble-junction-*/deploy/install --host=10.0.0.5 --yes',
        );
        self::$machine->untilWell('all of it running');
        self::$machine->follow(
            'sudo -u www-data php '.InstalledMachine::ROOT.'/current/artisan junction:user anna --role=builder --password=fern-and-moss',
        );

        $pid = self::$machine->services->property('engine', 'MainPID');
        $status = (string) file_get_contents("/proc/{$pid}/status");
        $of = static fn(string $key): array => preg_match("/^{$key}:\s+(.*)$/m", $status, $found) === 1
            ? preg_split('/\s+/', trim($found[1]))
            : [];
        $user = posix_getpwnam('www-data');
        self::assertSame((string) $user['uid'], $of('Uid')[0]);
        foreach (['audio', 'dialout', 'www-data'] as $group) {
            self::assertContains((string) posix_getgrnam($group)['gid'], $of('Groups'), $group);
        }
        self::assertSame(
            [['1'], ['0000000000000000'], ['0000000000000000'], ['0077']],
            [$of('NoNewPrivs'), $of('CapEff'), $of('CapBnd'), $of('Umask')],
        );
        self::assertSame('-10', trim((string) shell_exec("ps -o nice= -p {$pid}")));
        self::assertSame((string) 2 ** 30, self::$machine->services->property('engine', 'MemoryMax'));
        self::assertStringContainsString('The engine runs', self::$machine->services->said('engine'));
    }

    #[Depends('testTheEngineIsWhoItsUnitSays')]
    public function testItWritesIntoItsDataAlone(): void
    {
        $pid = self::$machine->services->property('engine', 'MainPID');
        $root = InstalledMachine::ROOT;
        $writes = static fn(string $path): bool => Process::fromShellCommandline(
            "nsenter --mount --target {$pid} touch {$path}",
        )->run() === 0;
        foreach ([
            '/etc/anything',
            '/usr/anything',
            '/var/anything',
            "{$root}/current/anything",
            "{$root}/env",
            '/root/anything',
            '/sys/fs/cgroup/anything',
        ] as $path) {
            self::assertFalse($writes($path), "{$path}, even for root");
        }
        self::assertTrue($writes("{$root}/data/app/junction/anything"));
        self::assertTrue($writes('/run/nimble-junction/anything'));
        self::assertTrue($writes('/tmp/of-the-engine'));
        self::assertFileDoesNotExist('/tmp/of-the-engine', 'its temporary files are its own');
        foreach (["{$root}/data/app/junction/anything", '/run/nimble-junction/anything'] as $path) {
            unlink($path);
        }
    }

    #[Depends('testTheEngineIsWhoItsUnitSays')]
    public function testABackupIsMadeByTheTimersService(): void
    {
        self::assertStringContainsString('nimble-junction-backup.timer', self::$machine->follow('systemctl list-timers --no-pager'));
        self::$machine->follow('systemctl start nimble-junction-backup.service');
        $kept = glob(InstalledMachine::ROOT.'/data/app/junction/kept/*.zip') ?: [];
        self::assertCount(1, $kept);
        self::assertSame(0o600, fileperms($kept[0]) & 0o777);
    }

    #[Depends('testItWritesIntoItsDataAlone')]
    public function testEachIsBegunAgainHoweverItEnds(): void
    {
        foreach (self::NAMES as $name) {
            $before = self::$machine->services->property($name, 'MainPID');
            self::$machine->services->kill($name);
            $this->untilAgain($name, $before);
            self::$machine->untilWell("{$name} being back");
        }
        // More often than a limit that systemd has of its own accord (five times in ten seconds): each of them is off.
        foreach (self::NAMES as $name) {
            self::assertSame(
                ['always', '0'],
                [self::$machine->services->property($name, 'Restart'), self::$machine->services->property($name, 'StartLimitIntervalUSec')],
                $name,
            );
        }
    }

    /** Lamps wait for it: an engine that had begun is never kept waiting, however often it ends. */
    #[Depends('testEachIsBegunAgainHoweverItEnds')]
    public function testAnEngineThatHadBegunIsBackAtOnceHoweverOftenItEnds(): void
    {
        for ($i = 0; $i < 7; ++$i) {
            $before = self::$machine->services->property('engine', 'MainPID');
            self::$machine->services->kill('engine');
            $this->untilAgain('engine', $before);
        }
        $lines = explode("\n", self::$machine->follow('journalctl --no-pager --output=short-unix --unit=nimble-junction-engine'));
        $of = static fn(string $words): array => array_map(
            floatval(...),
            array_values(array_filter($lines, static fn(string $line): bool => str_contains($line, $words))),
        );
        $ends = \array_slice($of('Main process exited'), -7);
        $begins = \array_slice($of('Scheduled restart job'), -7);
        self::assertCount(7, $ends);
        self::assertLessThan(4.0, max(array_map(static fn(float $end, float $begin): float => $begin - $end, $ends, $begins)), implode("\n", $lines));
    }

    /** It stands still without ending: the watchdog sees that its loop does not turn. */
    #[Depends('testEachIsBegunAgainHoweverItEnds')]
    public function testAnEngineThatStandsStillIsEndedAndBegunAgain(): void
    {
        $before = self::$machine->services->property('engine', 'MainPID');
        self::$machine->services->kill('engine', 'STOP');
        $this->untilAgain('engine', $before);
        self::$machine->untilWell('it being back');
        self::assertStringContainsString('Watchdog timeout', self::$machine->services->said('engine'));
        self::$machine->follow('sudo -u www-data php '.InstalledMachine::ROOT.'/current/artisan junction:status');
    }

    /**
     * Where it cannot begin at all it is tried at once, then ever more seldom, and for ever; once the reason has gone it is back by
     * itself.
     */
    #[Depends('testAnEngineThatStandsStillIsEndedAndBegunAgain')]
    public function testAnEngineThatCannotBeginIsTriedEverMoreSeldom(): void
    {
        self::$machine->services->stop('engine');
        $taken = stream_socket_server('tcp://127.0.0.1:8081');
        $journal = static fn(): array => array_values(array_filter(
            explode("\n", self::$machine->follow('journalctl --no-pager --output=short-unix --unit=nimble-junction-engine')),
            static fn(string $line): bool => str_contains($line, 'Scheduled restart job'),
        ));
        $before = \count($journal());
        Process::fromShellCommandline('systemctl start --no-block nimble-junction-engine')->mustRun();
        $tries = Background::until(
            static fn(): ?array => \count($journal()) < $before + 6 ? null : \array_slice($journal(), $before),
            'six tries',
            90,
        );
        self::assertStringContainsString('The live link cannot listen at 127.0.0.1:8081', self::$machine->services->said('engine'));
        $at = array_map(static fn(string $line): float => (float) $line, $tries);
        self::assertGreaterThan(4.0, $at[4] - $at[3]);
        self::assertGreaterThan(8.0, $at[5] - $at[4]);
        fclose($taken);
        self::$machine->untilWell('it being back by itself');
    }

    #[Depends('testAnEngineThatCannotBeginIsTriedEverMoreSeldom')]
    public function testItIsAnnouncedByNameForAllThatItsUnitForbids(): void
    {
        self::$machine->follow(
            'ip link add hall0 type veth peer name hall1 && ip address add 10.77.0.1/24 dev hall0 && ip link set hall0 up multicast on && ip link set hall1 up',
        );
        file_put_contents('/etc/avahi/avahi-daemon.conf', "[server]\nallow-interfaces=hall0\nuse-ipv6=no\n");
        self::$machine->follow('systemctl start avahi-daemon.socket avahi-daemon.service');
        $this->import([[
            'id' => 'keys',
            'name' => 'Keys',
            'protocol' => 'midi',
            'link' => ['kind' => 'session'],
            'receive' => ['address' => '10.77.0.1', 'port' => 5004],
        ]]);
        $browser = new Background(['stdbuf', '-oL', 'avahi-browse', '--parsable', '--resolve', '--no-db-lookup', '_apple-midi._udp']);
        $browser->untilSaid(';10.77.0.1;5004;');
        self::$machine->services->kill('engine');
        Background::until(static fn(): bool => preg_match('/^-;hall0;.*Keys;_apple-midi/m', $browser->output()) === 1, 'it being gone');
        Background::until(static fn(): bool => substr_count($browser->output(), ';10.77.0.1;5004;') > 1, 'it being there again');
        $browser->stop();
        self::$machine->follow('systemctl stop avahi-daemon.socket avahi-daemon.service && ip link delete hall0');
    }

    #[Depends('testItIsAnnouncedByNameForAllThatItsUnitForbids')]
    public function testLampsKeepTheirLightThroughAnUpgrade(): void
    {
        $links = [['number' => 1, 'universe' => 'hall']];
        $this->import([
            ['id' => 'desk', 'name' => 'Desk', 'protocol' => 'art-net', 'receive' => ['address' => '127.90.0.1', 'feeds' => $links]],
            ['id' => 'lamps', 'name' => 'Lamps', 'protocol' => 'sacn', 'send' => ['address' => '127.90.0.1', 'to' => ['127.90.0.3'], 'carries' => $links]],
        ]);
        $desk = new Udp('127.90.0.11', 6454);
        $lamps = new Udp('127.90.0.3', 5568);
        $frame = (new Dmx(1, "\xC8".str_repeat("\x64", 511)))->encode();
        $heard = static function () use ($lamps): ?string {
            $packet = $lamps->receive(0.02);

            // Slot 1 behind the start code (E1.31-2018, table 4-1).
            return $packet !== null && \strlen($packet) > 126 ? $packet[126] : null;
        };
        Background::until(static function () use ($desk, $frame, $heard): bool {
            $desk->send($frame, '127.90.0.1:6454');

            return $heard() === "\xC8";
        }, 'the level leaving');
        self::$machine->follow('cp -a nimble-junction-0* nimble-junction-98.0.0 && echo 98.0.0 >nimble-junction-98.0.0/VERSION');
        $upgrade = new Process(['nimble-junction-98.0.0/deploy/install', '--yes'], '/srv', timeout: 120);
        $upgrade->start();
        // The desk has sent its look and is silent (its stream stays): who begins again has nothing but what was kept.
        $levels = [];
        $longest = 0.0;
        $at = microtime(true);
        while ($upgrade->isRunning()) {
            $level = $heard();
            if ($level !== null) {
                $levels[$level] = true;
                $longest = max($longest, microtime(true) - $at);
                $at = microtime(true);
            }
        }
        self::assertSame(0, $upgrade->getExitCode(), $upgrade->getErrorOutput());
        self::assertSame('98.0.0', self::$machine->send('GET', 'https://10.0.0.5/api/machine')->json()['version']);
        Background::until(static fn(): bool => $heard() === "\xC8", 'the level, still');
        self::assertSame(["\xC8"], array_keys($levels), 'no other level has left meanwhile');
        fwrite(STDERR, sprintf("\nUpgrade: longest without a frame %.2f s\n", $longest));
        $desk->close();
        $lamps->close();
    }

    /** As in a container: whoever begins the services is told to. */
    #[Depends('testLampsKeepTheirLightThroughAnUpgrade')]
    public function testWithoutAServiceManagerItIsInstalledAllTheSame(): void
    {
        $said = self::$machine->follow("unshare --mount sh -c 'mount -t tmpfs none /run/systemd && nimble-junction-98.0.0/deploy/install --yes'");
        self::assertStringContainsString('No service manager runs here: restart php8.2-fpm, nginx and the engine yourself.', $said);
        self::assertStringContainsString('is installed', $said);
        self::$machine->services->restart('engine', 'php', 'nginx');
        self::$machine->untilWell('all being back');
    }

    private function untilAgain(string $name, string $before): void
    {
        $services = self::$machine->services;
        Background::until(
            static fn(): bool => ! \in_array($services->property($name, 'MainPID'), ['0', $before], true) && $services->runs($name),
            "{$name} being begun again",
            60,
        );
    }

    /** @param list<array<string, mixed>> $ports */
    private function import(array $ports): void
    {
        self::$machine->ask('GET', 'https://10.0.0.5/api/session');
        self::$machine->send('POST', 'https://10.0.0.5/api/session', ['name' => 'anna', 'password' => 'fern-and-moss']);
        $imported = self::$machine->send('POST', 'https://10.0.0.5/api/show/import', [
            'format' => 'nimble-junction/show',
            'version' => 2,
            'name' => 'Of services',
            'universes' => [['id' => 'hall', 'name' => 'Hall']],
            'ports' => $ports,
        ]);
        self::assertSame(200, $imported->status, $imported->body);
    }
}
