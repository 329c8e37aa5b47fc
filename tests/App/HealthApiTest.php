<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Health\PrometheusText;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Mail;
use NimbleJunction\Engine\Events\EventLog;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Tests\Support\Background;
use Symfony\Component\Console\Output\BufferedOutput;
use Symfony\Component\Process\Process;

/** The installation seen from outside: by monitors, by a command, by a service manager; and what is written down of it. */
final class HealthApiTest extends AppTestCase
{
    private ?Background $engine = null;

    protected function tearDown(): void
    {
        if ($this->engine?->isRunning() === true) {
            $this->engine->signal(SIGCONT);
            $this->engine->stop();
        }
        parent::tearDown();
    }

    public function testWithoutAnEngineItIsDownAndSaysNothingElse(): void
    {
        $answer = $this->get('/health')->assertStatus(503);
        self::assertSame(['status' => 'down', 'engine' => false], $answer->json());
        self::assertSame([], $answer->headers->getCookies(), 'monitors leave no sessions behind');
        self::assertSame(
            [2, 'No engine runs.'],
            [Artisan::call('junction:status', outputBuffer: $said = new BufferedOutput()), trim(explode("\n", $said->fetch())[1])],
        );
        self::assertStringContainsString("junction_engine_up 0\n", (string) $this->get('/metrics')->assertOk()->getContent());
    }

    public function testAnEngineThatRunsHangsAndGoesOn(): void
    {
        $this->start();
        // Ports of the demo show have nobody to hear here: that is trouble of none, or of some.
        self::assertContains($this->get('/health')->assertOk()->json('status'), ['well', 'troubled']);
        self::assertContains(Artisan::call('junction:status', ['--json' => true], $said = new BufferedOutput()), [0, 1]);
        $status = json_decode($said->fetch(), true, flags: JSON_THROW_ON_ERROR);
        self::assertSame(
            [trim((string) file_get_contents(base_path('VERSION'))), 'Fernhall Glasshouse, Night Walk'],
            [$status['engine']['version'], $status['engine']['show']],
        );
        self::assertEqualsWithDelta(microtime(true), $status['engine']['startedAt'], 60);
        $this->metrics((string) $this->get('/metrics')->assertOk()->assertHeader('Content-Type', PrometheusText::MEDIA_TYPE)->getContent());
        $machine = $this->as(Role::Viewer)->getJson('/api/machine')->assertOk();
        self::assertSame($status['engine']['pid'], $machine->json('engine.pid'));

        $this->engine?->signal(SIGSTOP);
        $began = microtime(true);
        $this->get('/health')->assertStatus(503)->assertJsonPath('status', 'down');
        self::assertLessThan(30, microtime(true) - $began, 'whoever asks is answered');
        self::assertStringContainsString('The engine does not answer.', implode(' ', $this->getJson('/api/machine')->json('troubles')));
        $this->engine?->signal(SIGCONT);
        Background::until(fn(): bool => $this->get('/health')->status() === 200, 'the engine answering again');
        $this->engine?->stop();
        $words = array_column((new EventLog($this->data))->read(50, ['restart']), 'words');
        self::assertSame('The engine ends.', $words[0]);
        self::assertStringContainsString(' runs "Fernhall Glasshouse, Night Walk"', end($words) ?: '');
    }

    /** What a service manager is told (sd_notify(3), from memory): ready when it is, then, from the loop, that it turns. */
    public function testTheServiceManagerHearsThatTheLoopTurnsAndThatItDoesNot(): void
    {
        $path = "{$this->data}/notify";
        $manager = socket_create(AF_UNIX, SOCK_DGRAM, 0);
        self::assertNotFalse($manager);
        socket_bind($manager, $path);
        $heard = static function (float $seconds) use ($manager): ?string {
            socket_set_option($manager, SOL_SOCKET, SO_RCVTIMEO, ['sec' => (int) $seconds, 'usec' => (int) (fmod($seconds, 1) * 1e6)]);

            return @socket_recv($manager, $words, 4096, 0) !== false ? $words : null;
        };
        $this->start(['NOTIFY_SOCKET' => $path, 'WATCHDOG_USEC' => '300000']);
        self::assertStringStartsWith("READY=1\nSTATUS=Runs \"Fernhall Glasshouse, Night Walk\"", (string) $heard(45));
        for ($i = 0; $i < 5; ++$i) {
            self::assertSame('WATCHDOG=1', $heard(45));
        }
        $this->engine?->signal(SIGSTOP);
        while ($heard(0.3) !== null) {
            continue;
        }
        self::assertNull($heard(1.5), 'an engine that hangs says nothing');
        $this->engine?->signal(SIGCONT);
        self::assertSame('WATCHDOG=1', $heard(45));
        $this->engine?->signal(SIGTERM);
        do {
            $last = $heard(45);
        } while ($last === 'WATCHDOG=1');
        self::assertSame('STOPPING=1', $last);
        socket_close($manager);
    }

    public function testFiguresAreForThisMachineAndThoseWhoKnowTheWord(): void
    {
        $from = fn(string $address, array $headers = []): int => $this->call(
            'GET',
            '/metrics',
            server: ['REMOTE_ADDR' => $address, ...$headers],
        )
            ->status();
        self::assertSame([200, 200, 403], [$from('127.0.0.1'), $from('::1'), $from('10.0.0.9')]);
        self::assertSame(403, $from('10.0.0.9', ['HTTP_AUTHORIZATION' => 'Bearer ']));
        config(['junction.metrics_token' => 'moss-and-fern']);
        self::assertSame(403, $from('10.0.0.9', ['HTTP_AUTHORIZATION' => 'Bearer moss']));
        self::assertSame(200, $from('10.0.0.9', ['HTTP_AUTHORIZATION' => 'Bearer moss-and-fern']));
        $this->call('GET', '/health', server: ['REMOTE_ADDR' => '10.0.0.9'])->assertStatus(503);
    }

    public function testLoginsEditsAndPeopleAreWrittenDownAndFound(): void
    {
        $this->postJson('/api/session', ['name' => 'builder', 'password' => 'wrong-one'])->assertStatus(422);
        $this->postJson('/api/session', ['name' => 'builder', 'password' => 'night-walk'])->assertOk();
        $this->patchJson('/api/show', ['name' => 'Another evening'])->assertOk();
        $this->postJson('/api/users', ['name' => 'Ada', 'role' => 'viewer', 'password' => 'fern-and-moss'])->assertOk();
        $this->putJson('/api/show/ports/nobody', [])->assertStatus(404);
        $this->deleteJson('/api/session')->assertOk();
        $lines = array_map(static fn(array $one): string => "{$one['kind']}: {$one['words']}", (new EventLog($this->data))->read(20));
        self::assertSame('login: builder logged out.', $lines[0]);
        self::assertSame('people: Ada may log in as viewer.', $lines[1]);
        self::assertStringStartsWith('edit: ', $lines[2]);
        self::assertSame(
            ['login: builder logged in at 127.0.0.1.', 'login: Somebody at 127.0.0.1 gave a wrong name or password.'],
            \array_slice($lines, 3, 2),
        );
        self::assertStringNotContainsString('night-walk', implode($lines));
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->getJson('/api/events')->assertStatus(401);
        $this->as(Role::Viewer)->getJson('/api/events')->assertForbidden();
        $this->getJson('/api/events/file')->assertForbidden();
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->as(Role::Operator);
        self::assertSame(
            ['Ada may log in as viewer.'],
            array_column($this->getJson('/api/events?kind=people')->assertOk()->json('events'), 'words'),
        );
        self::assertCount(1, $this->getJson('/api/events?text=ADA&most=5')->json('events'));
        $this->getJson('/api/events?most=100000')->assertStatus(422);
        $file = explode("\n", trim($this->get('/api/events/file')->assertOk()->streamedContent()));
        self::assertSame($lines[0], 'login: '.json_decode((string) end($file), true)['words'], 'the oldest first');
    }

    public function testAnAlarmGoesOutByMail(): void
    {
        self::assertSame(2, Artisan::call('junction:alarm-mail', ['--try' => true]));
        config(['junction.alarm_mail' => 'night-watch@fernhall.example']);
        Mail::fake();
        self::assertSame(0, Artisan::call('junction:alarm-mail', ['--try' => true]));
        // With a mail server that only writes down what it is told (RFC 5321).
        $port = Background::freePort();
        $server = new Background([PHP_BINARY, \dirname(__DIR__).'/Support/mail-server.php', (string) $port, "{$this->data}/mail"]);
        try {
            $server->untilSaid('listening');
            $mailer = new Process(
                [PHP_BINARY, 'artisan', 'junction:alarm-mail'],
                base_path(),
                ['JUNCTION_DATA' => $this->data, 'JUNCTION_ALARM_MAIL' => 'night-watch@fernhall.example', 'MAIL_HOST' => '127.0.0.1', 'MAIL_PORT' => (string) $port, 'MAIL_MAILER' => 'smtp', 'APP_KEY' => (string) config('app.key')],
                "Tablet has been in trouble for 10 s: it is lost.\n",
            );
            self::assertSame(0, $mailer->run(), $mailer->getErrorOutput().$mailer->getOutput());
            $mail = (string) file_get_contents("{$this->data}/mail");
            self::assertStringContainsString('RCPT TO:<night-watch@fernhall.example>', $mail);
            self::assertStringContainsString('Subject: Nimble Junction: Tablet has been in trouble for 10 s: it is lost.', $mail);
        } finally {
            $server->stop();
        }
    }

    /** @param array<string, string> $environment */
    private function start(array $environment = []): void
    {
        $this->engine = new Background(
            ['bin/engine-php', 'artisan', 'junction:engine', '--live=off', '--for=120'],
            ['JUNCTION_DATA' => $this->data, 'JUNCTION_LOOPBACK' => '127.79.3', 'APP_KEY' => (string) config('app.key'), 'DB_DATABASE' => '', ...$environment],
        );
        $this->engine->untilSaid('runs "Fernhall Glasshouse, Night Walk"');
        Background::until(fn(): bool => file_exists("{$this->data}/engine.sock"), 'the control socket');
    }

    /** Names, labels and numbers as the format has them, each name with its type before it, and no sample twice. */
    private function metrics(string $text): void
    {
        self::assertStringEndsWith("\n", $text);
        $types = [];
        $seen = [];
        foreach (explode("\n", trim($text)) as $line) {
            if (preg_match('/^# TYPE ([a-z_]+) (gauge|counter)$/D', $line, $found) === 1) {
                self::assertArrayNotHasKey($found[1], $types);
                $types[$found[1]] = $found[2];
            } elseif (! str_starts_with($line, '# HELP ')) {
                self::assertMatchesRegularExpression(
                    '/^[a-z_]+(\{[a-z]+="([^"\\\\]|\\\\[\\\\"n])*"(,[a-z]+="([^"\\\\]|\\\\[\\\\"n])*")*\})? -?\d+(\.\d+)?(E[+-]?\d+)?$/D',
                    $line,
                );
                preg_match('/^[a-z_]+/', $line, $name);
                self::assertArrayHasKey($name[0], $types);
                self::assertSame($types[$name[0]] === 'counter', str_ends_with($name[0], '_total'), $name[0]);
                self::assertArrayNotHasKey((string) strrev((string) strstr(strrev($line), ' ')), $seen);
                $seen[(string) strrev((string) strstr(strrev($line), ' '))] = true;
            }
        }
        self::assertSame('gauge', $types['junction_port_state'] ?? '');
        self::assertStringContainsString("junction_engine_up 1\n", $text);
        self::assertMatchesRegularExpression(
            '/junction_port_received_packets_total\{port="house-desk",name="[^"]+",protocol="art-net"\} \d+/',
            $text,
        );
    }
}
