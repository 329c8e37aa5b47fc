<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use App\Live\Secret;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\LiveLink\Token;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Found and announced by name, with the system's own Avahi, on a machine and a network of their own; and without it. */
final class DiscoveryTest extends TestCase
{
    /** @var list<Background> */
    private array $running = [];
    private EngineProcess $engine;
    private int $live;

    protected function setUp(): void
    {
        if (getenv('JUNCTION_MACHINE') !== 'yes') {
            self::markTestSkipped('It needs a machine of its own: tests/Support/machine vendor/bin/phpunit --testsuite installation');
        }
        (new Process([
            'sh',
            '-c',
            'ip link add hall0 type veth peer name hall1 && ip address add 10.77.0.1/24 dev hall0 && ip link set hall0 up multicast on && ip link set hall1 up',
        ]))->mustRun();
        $document = EngineProcess::document('127.78.81');
        $document['ports'][] = [
            'id' => 'keys',
            'name' => 'Keys',
            'protocol' => 'midi',
            'link' => ['kind' => 'session'],
            'receive' => ['address' => '10.77.0.1', 'port' => 5004],
        ];
        $document['ports'][] = [
            'id' => 'open',
            'name' => 'Open tablet',
            'protocol' => 'osc',
            'receive' => ['address' => '10.77.0.1', 'port' => 8123],
        ];
        $this->live = Background::freePort();
        $this->engine = new EngineProcess($document, ['--for=170', "--live=127.0.0.1:{$this->live}"]);
    }

    protected function tearDown(): void
    {
        if (getenv('JUNCTION_MACHINE') !== 'yes') {
            return;
        }
        $this->engine->stop();
        array_map(static fn(Background $one) => $one->stop(), array_reverse($this->running));
        self::avahi('stop');
        (new Process(['ip', 'link', 'delete', 'hall0']))->mustRun();
    }

    public function testWithoutAvahiAllElseWorksAndWithItEachFindsTheOther(): void
    {
        $without = $this->finds();
        self::assertStringContainsString('Avahi does not run on this machine', $without['unnamed']);
        self::assertSame([], $without['services']);

        self::avahi('start');
        // Somebody else on the network, and somebody who browses it.
        $other = $this->running[] = new Background(['avahi-publish-service', 'Fern; keys', '_apple-midi._udp', '5040']);
        $browser = $this->running[] = new Background([
            'stdbuf',
            '-oL',
            'avahi-browse',
            '--parsable',
            '--resolve',
            '--no-db-lookup',
            '_apple-midi._udp',
        ]);
        $osc = $this->running[] = new Background([
            'stdbuf',
            '-oL',
            'avahi-browse',
            '--parsable',
            '--resolve',
            '--no-db-lookup',
            '_osc._udp',
        ]);
        $found = Background::until(
            fn(): ?array => array_values(array_filter(
                $this->finds()['services'],
                static fn(array $one): bool => $one['name'] === 'Fern; keys',
            ))[0] ?? null,
            'the other one being found',
        );
        self::assertSame(['midi', '10.77.0.1', 5040], [$found['protocol'], $found['address'], $found['port']]);
        self::assertSame(['Fern; keys'], array_column($this->finds()['services'], 'name'), 'ours are not among what is found');
        self::assertSame('', $this->finds()['unnamed']);
        $browser->untilSaid(';10.77.0.1;5004;');
        self::assertMatchesRegularExpression(
            '/=;hall0;IPv4;Nimble\\\\032Junction[^;]*Keys;_apple-midi\._udp;local;[^;]+;10\.77\.0\.1;5004;/',
            $browser->output(),
        );
        $osc->untilSaid(';10.77.0.1;8123;');
        self::assertStringNotContainsString(';8000;', $osc->output(), 'what listens for this machine alone is not announced');

        $other->stop();
        Background::until(fn(): bool => $this->finds()['services'] === [], 'who has gone being gone');
        self::assertNotSame([], self::publishers());
        self::avahi('stop');
        Background::until(fn(): bool => str_contains($this->finds()['unnamed'], 'does not run'), 'it being said that Avahi has ended');
        self::assertTrue($this->engine->process()->isRunning());
        self::avahi('start');
        Background::until(static fn(): bool => \count(self::publishers()) === 2, 'ours being announced again, by itself');
        $this->engine->process()->signal(SIGKILL);
        Background::until(static fn(): bool => self::publishers() === [], 'nobody announcing what was killed');
    }

    /** The system's own, on the network of this test alone. */
    private static function avahi(string $what): void
    {
        file_put_contents('/etc/avahi/avahi-daemon.conf', "[server]\nallow-interfaces=hall0\nuse-ipv6=no\n");
        (new Process(['systemctl', $what, 'avahi-daemon.socket', 'avahi-daemon.service']))->mustRun();
    }

    /**
     * @return list<string> ids of those that run (what has ended waits for this machine's first process for ever); names are cut to
     * fifteen letters
     */
    private static function publishers(): array
    {
        return array_values(array_filter(explode("\n", (string) shell_exec('pgrep --runstates S,R,D -x avahi-publish-s'))));
    }

    /** @return array<string, mixed> what a page is told of finds */
    private function finds(): array
    {
        $token = Token::sign('Ada', Role::Viewer, Secret::derive((string) getenv('APP_KEY')), time());
        $question = [
            'url' => "ws://127.0.0.1:{$this->live}/live",
            'protocols' => ['junction', $token],
            'origin' => 'http://127.0.0.1:1',
            'commands' => [['do' => 'subscribe', 'topics' => ['finds']]],
            'seconds' => 0.3,
        ];
        $process = new Process(
            ['node', __DIR__.'/../Support/live.cjs'],
            Background::root(),
            null,
            json_encode($question, JSON_THROW_ON_ERROR),
            90,
        );
        $process->mustRun();
        $heard = json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);

        return array_values(array_filter($heard['json'], static fn(array $one): bool => $one['type'] === 'finds'))[0];
    }
}
