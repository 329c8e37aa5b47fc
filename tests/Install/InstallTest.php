<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use NimbleJunction\Tests\Support\Background;
use PHPUnit\Framework\Attributes\Depends;
use Symfony\Component\Process\Process;

/**
 * A real installation: the readme's lines are followed on a machine of its own (tests/Support/machine), as root and as www-data,
 * with the systemd, nginx and PHP-FPM of the system, over TLS; then it is attacked, upgraded, and brought back.
 */
final class InstallTest extends InstallationTestCase
{
    private const PASSWORD = 'fern-and-moss';

    public function testTheReadmeIsFollowedLineByLine(): void
    {
        $folder = InstalledMachine::release();
        self::assertFileExists("{$folder}/nimble-junction-".self::version().'.tar.gz');
        self::$machine->follow('sha256sum --check --quiet *.sha256 && cp *.tar.gz /srv', in: $folder);
        $lines = self::readme();
        self::assertStringStartsWith('sudo apt-get install ', $lines[0]);
        preg_match_all('/\s((?:php|nginx|openssl)[\w.-]*)/', $lines[0], $packages);
        foreach ($packages[1] as $package) {
            self::$machine->follow("dpkg -s {$package} | grep -q 'Status: install ok installed'");
        }
        self::assertStringStartsWith('tar xzf ', $lines[1]);
        self::$machine->follow($lines[1]);
        self::assertStringContainsString('deploy/install', $lines[2]);
        $refused = Process::fromShellCommandline(substr($lines[2], 5), '/srv', null, "no\n");
        self::assertSame(1, $refused->run());
        self::assertStringContainsString('Nothing was changed.', $refused->getErrorOutput());
        self::assertFileDoesNotExist(InstalledMachine::ROOT, 'it asks first');
        $said = self::$machine->follow($lines[2], "y\n");
        self::assertStringContainsString('This installs Nimble Junction '.self::version(), $said);
        self::assertStringContainsString('with a certificate of its own', $said);
        self::assertStringContainsString('junction:user', $lines[3]);
        self::$machine->follow($lines[3], self::PASSWORD."\n".self::PASSWORD."\n");
        self::$machine->follow('nginx -t');
        self::$machine->untilWell('all of it running');
        self::assertStringContainsString('All is well.', self::$machine->follow($lines[4]));
    }

    #[Depends('testTheReadmeIsFollowedLineByLine')]
    public function testWhatLiesThereIsForThoseItIsFor(): void
    {
        $root = InstalledMachine::ROOT;
        $modes = static fn(string $path): string => trim(self::$machine->follow("stat -c '%a %U' {$path}"));
        self::assertSame(
            ['700 www-data', '600 www-data', '600 root', '640 root'],
            [$modes("{$root}/data"), $modes("{$root}/data/app/junction/shows.sqlite"), $modes("{$root}/tls/key.pem"), $modes("{$root}/env")],
        );
        self::assertSame(
            '',
            trim(self::$machine->follow("find {$root}/releases/".self::version().' ! -perm -o=r')),
            'the service can read all of it',
        );
        self::assertSame(
            '',
            trim(self::$machine->follow("runuser -u www-data -- find {$root}/releases/ {$root}/env -writable ! -type l")),
            'and write none of it',
        );
        self::assertFalse(Process::fromShellCommandline("runuser -u www-data -- ls {$root}/tls")->run() === 0, 'the key is root\'s alone');
        self::assertSame('', trim(self::$machine->follow("find {$root}/data -perm /o=rwx ! -type l")), 'nobody else reads data');
        foreach (['phpunit', 'phpstan', 'php-webdriver', 'mockery', 'friendsofphp'] as $workshop) {
            self::assertDirectoryDoesNotExist("{$root}/current/vendor/{$workshop}");
        }
        foreach (['node_modules', 'tests', 'resources/ts', '.git'] as $workshop) {
            self::assertFileDoesNotExist("{$root}/current/{$workshop}");
        }
    }

    #[Depends('testTheReadmeIsFollowedLineByLine')]
    public function testByAnyNameAndAddressOverTls(): void
    {
        foreach (['junction.example', '10.0.0.5', 'localhost'] as $host) {
            $moved = self::$machine->ask('GET', "http://{$host}/ports?a=1");
            self::assertSame([301, "https://{$host}/ports?a=1"], [$moved->status, $moved->header('location')]);
            $page = self::$machine->ask('GET', "https://{$host}/ports", headers: ['Accept: text/html']);
            self::assertSame([200, ''], [$page->status, $page->error], $host);
            self::assertStringContainsString('<div id="app">', $page->body);
            self::assertSame(
                ["default-src 'self'", 'DENY', 'nosniff'],
                [explode(';', $page->header('content-security-policy'))[0], $page->header('x-frame-options'), $page->header('x-content-type-options')],
                'once each',
            );
            self::assertStringContainsString("wss://{$host}", $page->header('content-security-policy'));
        }
        preg_match('#/build/assets/[\w.-]+\.js#', $page->body, $script);
        $file = self::$machine->ask('GET', "https://10.0.0.5{$script[0]}", headers: ['Accept-Encoding: gzip']);
        self::assertSame(
            [200, 'gzip', 'public, max-age=31536000, immutable', 'nosniff', 'DENY'],
            [$file->status, $file->header('content-encoding'), $file->header('cache-control'), $file->header('x-content-type-options'), $file->header('x-frame-options')],
        );
        foreach ([
            '/mark.svg',
            '/robots-none',
            '/.env',
            '/index.php',
            '/index.php/ports',
            '/build/assets/none.js',
            '/build/manifest.json/x',
            '/..%2f.env',
            '/storage/logs/laravel.log',
            '/wp-login.php',
        ] as $path) {
            $answer = self::$machine->ask('GET', "https://10.0.0.5{$path}");
            self::assertSame(['/mark.svg' => 200, '/..%2f.env' => 400][$path] ?? 404, $answer->status, $path);
            self::assertStringNotContainsString('APP_KEY', $answer->body);
            self::assertSame('nosniff', $answer->header('x-content-type-options'), $path);
        }
        // "/live" is a page, and the link.
        self::assertStringContainsString(
            '<div id="app">',
            self::$machine->ask('GET', 'https://10.0.0.5/live', headers: ['Accept: text/html'])->body,
        );
        self::assertStringNotContainsString('nginx/', self::$machine->ask('GET', 'https://10.0.0.5/')->header('server'));
    }

    #[Depends('testByAnyNameAndAddressOverTls')]
    public function testLoggedInALinkOpensAndNoTokenStandsInALog(): void
    {
        foreach (['junction.example', '10.0.0.5'] as $host) {
            $token = $this->login($host);
            self::assertSame('/live', $token['live']);
            $heard = $this->link("wss://{$host}/live", "https://{$host}", (string) $token['token']);
            self::assertSame('welcome', $heard['json'][0]['type'] ?? json_encode($heard));
            self::assertSame(403, $this->link("wss://{$host}/live", 'https://evil.example', $this->login($host)['token'])['status'] ?? 0);
        }
        foreach (glob('/var/log/nginx/*') ?: [] as $log) {
            $words = (string) file_get_contents($log);
            self::assertStringNotContainsString((string) $token['token'], $words);
            self::assertStringNotContainsString('token=', $words);
        }
        self::assertStringContainsString('GET /live 101', (string) file_get_contents('/var/log/nginx/nimble-junction.log'));
        self::assertStringContainsString(
            'secure',
            strtolower(implode(self::$machine->ask('GET', 'https://10.0.0.5/api/session')->headers['set-cookie'] ?? [])),
        );
    }

    #[Depends('testLoggedInALinkOpensAndNoTokenStandsInALog')]
    public function testALargeShowGoesInAndAVeryLargeBodyIsRefusedInWords(): void
    {
        $this->login('10.0.0.5');
        $document = self::$machine->ask('GET', 'https://10.0.0.5/api/show/export')->json();
        $document['ports'] = [[
            'id' => 'tablet',
            'name' => 'Tablet',
            'protocol' => 'osc',
            'send' => ['address' => '127.0.0.1', 'to' => ['127.0.0.9'], 'port' => 9000],
        ]];
        $document['routes'] = array_map(static fn(int $i): array => [
            'id' => "large-{$i}",
            'name' => "Large {$i}",
            'when' => ['kind' => 'started'],
            'do' => array_map(
                static fn(int $n): array => [
                    'kind' => 'send',
                    'port' => 'tablet',
                    'message' => ['kind' => 'osc', 'address' => "/large/{$i}/of/many/{$n}", 'arguments' => [['kind' => 'text', 'text' => str_repeat('moss ', 8)]]],
                ],
                range(1, 18),
            ),
        ], range(1, 2000));
        $json = json_encode($document, JSON_THROW_ON_ERROR);
        self::assertGreaterThan(5_700_000, \strlen($json));
        $answer = self::$machine->ask('POST', 'https://10.0.0.5/api/show/import', $json);
        self::assertSame(200, $answer->status, substr($answer->body, 0, 400));
        self::assertStringContainsString('"Large 2000"', self::$machine->ask('GET', 'https://10.0.0.5/api/show/export')->body);
        self::assertSame(413, self::$machine->ask('POST', 'https://10.0.0.5/api/show/import', str_repeat(' ', 275_000_000))->status);
        $undone = self::$machine->send('POST', 'https://10.0.0.5/api/show/undo');
        self::assertSame(200, $undone->status, $undone->body);
    }

    #[Depends('testLoggedInALinkOpensAndNoTokenStandsInALog')]
    public function testWhoeverTriesPasswordsWaits(): void
    {
        $statuses = [];
        $multi = curl_multi_init();
        $tries = array_map(static function (int $i) use ($multi) {
            $curl = curl_init('https://10.0.0.5/api/session');
            curl_setopt_array(
                $curl,
                [CURLOPT_RETURNTRANSFER => true, CURLOPT_CAINFO => InstalledMachine::ROOT.'/tls/certificate.pem', CURLOPT_POSTFIELDS => json_encode(['name' => "nobody{$i}", 'password' => 'wrong']), CURLOPT_HTTPHEADER => ['Accept: application/json', 'Content-Type: application/json']],
            );
            curl_multi_add_handle($multi, $curl);

            return $curl;
        }, range(1, 60));
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 1.0);
        } while ($running > 0);
        foreach ($tries as $curl) {
            $statuses[] = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        }
        self::assertContains(429, $statuses);
        self::assertNotContains(500, $statuses);
        self::assertNotContains(502, $statuses);
    }

    #[Depends('testLoggedInALinkOpensAndNoTokenStandsInALog')]
    public function testEachPartBeginsAgainAloneAndInAnyOrder(): void
    {
        foreach (['engine', 'php', 'nginx'] as $name) {
            self::$machine->services->stop($name);
            if ($name === 'engine') {
                self::assertSame(503, self::$machine->ask('GET', 'http://127.0.0.1/health')->status);
                self::assertStringContainsString(
                    'No engine listens',
                    (string) self::$machine->send('POST', 'https://10.0.0.5/api/live-check')->json()['problem'],
                );
            }
            self::$machine->services->start($name);
            self::$machine->untilWell("{$name} being back");
        }
        self::$machine->services->stopAll();
        self::$machine->services->start('engine');
        self::$machine->services->start('php', 'nginx');
        self::$machine->untilWell('all being back');
    }

    #[Depends('testEachPartBeginsAgainAloneAndInAnyOrder')]
    public function testUpgradedAndBroughtBack(): void
    {
        $this->login('10.0.0.5');
        self::assertSame(200, self::$machine->send('PATCH', 'https://10.0.0.5/api/show', ['name' => 'Before it'])->status);
        // The same one once more is no upgrade: there is nothing to go back to.
        $said = self::$machine->follow('nimble-junction-'.self::version().'/deploy/install --yes');
        self::assertStringContainsString('This installs Nimble Junction '.self::version().' again', $said);
        $this->isBack();
        $back = Process::fromShellCommandline(InstalledMachine::ROOT.'/current/deploy/rollback --yes');
        self::assertSame(1, $back->run());
        self::assertStringContainsString('There is no version before', $back->getErrorOutput());
        // A version to come: another number, and a migration more.
        self::$machine->follow(
            'cp -a nimble-junction-'.self::version().' nimble-junction-99.0.0 && echo 99.0.0 >nimble-junction-99.0.0/VERSION',
        );
        file_put_contents(
            '/srv/nimble-junction-99.0.0/database/migrations/2099_01_01_000001_of_tomorrow.php',
            '<?php return new class extends Illuminate\Database\Migrations\Migration { public function up(): void { Illuminate\Support\Facades\DB::statement("ALTER TABLE shows ADD COLUMN tomorrow TEXT"); } };',
        );
        $said = self::$machine->follow('nimble-junction-99.0.0/deploy/install --yes');
        self::assertStringContainsString('This upgrades Nimble Junction '.self::version().' to 99.0.0', $said);
        self::assertStringContainsString('1 changes to the form of the database', $said);
        $this->isBack();
        self::assertSame('99.0.0', self::$machine->send('GET', 'https://10.0.0.5/api/machine')->json()['version']);
        self::assertSame(200, self::$machine->send('PATCH', 'https://10.0.0.5/api/show', ['name' => 'After it'])->status);

        $said = self::$machine->follow(InstalledMachine::ROOT.'/current/deploy/rollback', "y\n");
        self::assertStringContainsString('This goes back from Nimble Junction 99.0.0 to '.self::version(), $said);
        self::assertStringContainsString('What was edited since then is not in it', $said);
        $this->isBack();
        self::assertSame(self::version(), self::$machine->send('GET', 'https://10.0.0.5/api/machine')->json()['version']);
        self::assertSame('Before it', self::$machine->ask('GET', 'https://10.0.0.5/api/show')->json()['document']['name']);
        $aside = glob(InstalledMachine::ROOT.'/data/app/junction/shows.sqlite.of-99.0.0-*') ?: [];
        self::assertCount(1, $aside, 'what was edited since is kept');
        self::assertSame('After it', (new \PDO("sqlite:{$aside[0]}"))->query('SELECT name FROM shows WHERE is_current')->fetchColumn());
        $again = Process::fromShellCommandline(InstalledMachine::ROOT.'/current/deploy/rollback --yes');
        self::assertSame(1, $again->run());
        self::assertStringContainsString('There is no version before', $again->getErrorOutput());
    }

    /** The technician's two pages, line by line. */
    #[Depends('testUpgradedAndBroughtBack')]
    public function testTheTechniciansPagesAreFollowedLineByLine(): void
    {
        preg_match_all('/```sh\n(.*?)```/s', (string) file_get_contents(Background::root().'/docs/operation.md'), $blocks);
        $lines = explode("\n", trim(implode('', $blocks[1])));
        self::assertGreaterThan(14, \count($lines));
        self::assertLessThanOrEqual(
            120,
            substr_count((string) file_get_contents(Background::root().'/docs/operation.md'), "\n"),
            'two pages',
        );
        foreach ($lines as $line) {
            if (str_contains($line, 'rollback')) {
                self::$machine->follow('nimble-junction-99.0.0/deploy/install --yes');
            }
            $said = self::$machine->follow($line, "y\n");
            match (true) {
                str_contains($line, 'systemctl restart') => self::$machine->untilWell("{$line}: being back"),
                str_contains($line, 'junction:status') => self::assertStringContainsString('All is well.', $said),
                str_contains($line, '/health') => self::assertStringContainsString('"status":"well"', $said),
                str_contains($line, 'events.jsonl') => self::assertStringContainsString('"kind":"login"', $said),
                str_contains($line, '--role=operator') => self::assertStringContainsString('bo may log in as operator', $said),
                str_contains($line, 'show-mode') => self::assertStringContainsString('Show mode is off.', $said),
                str_contains($line, 'junction:backup') => self::assertFileExists('/srv/nimble-junction/backups/spare.zip'),
                str_contains($line, 'junction:restore') => self::assertStringContainsString('The engine runs "Before it".', $said),
                str_contains($line, 'factory-reset') => self::assertStringContainsString('The engine runs an empty show.', $said),
                str_contains($line, 'rollback') => self::assertStringContainsString('runs again.', $said),
                default => null,
            };
        }
        self::assertSame(401, self::$machine->ask('GET', 'https://10.0.0.5/api/show')->status);
    }

    private function isBack(): void
    {
        self::$machine->untilWell('all being back');
        $this->login('10.0.0.5');
    }

    /** @return array<string, mixed> a token for the link, and where that is */
    private function login(string $host): array
    {
        self::$machine->forget();
        self::$machine->ask('GET', "https://{$host}/api/session");
        $login = Background::until(static function () use ($host): ?Answer {
            $login = self::$machine->send('POST', "https://{$host}/api/session", ['name' => 'anna', 'password' => self::PASSWORD]);

            return $login->status === 429 ? null : $login;
        }, 'a login', 90);
        self::assertSame([200, 'builder'], [$login->status, $login->json()['user']['role'] ?? $login->body]);

        return self::$machine->send('POST', "https://{$host}/api/live-token")->json();
    }

    /** @return array<string, mixed> */
    private function link(string $url, string $origin, string $token): array
    {
        $question = ['url' => $url, 'origin' => $origin, 'protocols' => ['junction', $token], 'commands' => [], 'seconds' => 1];
        $client = new Process(
            ['node', 'tests/Support/live.cjs'],
            Background::root(),
            ['NODE_EXTRA_CA_CERTS' => InstalledMachine::ROOT.'/tls/certificate.pem'],
            json_encode($question, JSON_THROW_ON_ERROR),
        );
        $client->mustRun();

        return json_decode($client->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    /** @return list<string> the lines of the readme that install it */
    private static function readme(): array
    {
        $readme = (string) file_get_contents(Background::root().'/README.md');
        self::assertSame(1, preg_match('/## For real.*?```sh\n(.*?)```/s', $readme, $found));

        return explode("\n", trim($found[1]));
    }

    private static function version(): string
    {
        return trim((string) file_get_contents(Background::root().'/VERSION'));
    }
}
