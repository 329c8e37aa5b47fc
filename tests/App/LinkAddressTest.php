<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Http\Pages;
use App\Live\LinkCheck;
use NimbleJunction\Engine\LiveLink\Role;
use PHPUnit\Framework\Attributes\DataProvider;

/** How a page gets to the live link by any name, and what it is told where it does not; and addresses that no page has. */
final class LinkAddressTest extends AppTestCase
{
    /** @return iterable<string, array{string, bool, string, string}> setting, TLS, what the page is told, what its policy allows */
    public static function addresses(): iterable
    {
        yield 'of the page itself' => ['/live', false, '/live', 'ws://hall.example:8080'];
        yield 'of the page itself, over TLS' => ['/live', true, '/live', 'wss://hall.example:8080'];
        yield 'another port' => [':8081', false, ':8081', 'ws://hall.example:8081'];
        yield 'a whole address' => ['wss://far.example/live', false, 'wss://far.example/live', 'wss://far.example'];
    }

    #[DataProvider('addresses')]
    public function testAPageIsToldWhereItsLinkIsAndMayGoThere(string $setting, bool $isSecure, string $told, string $allowed): void
    {
        config(['junction.live_url' => $setting, 'junction.stand_ins' => '127.0.0.1:8082']);
        $answer = $this->as(Role::Viewer)->postJson(($isSecure ? 'https' : 'http').'://hall.example:8080/api/live-token')->assertOk();
        $answer->assertJsonPath('live', $told)->assertJsonPath('standIns', ':8082');
        $policy = (string) $answer->headers->get('Content-Security-Policy');
        self::assertStringContainsString("connect-src 'self' {$allowed} ", $policy);
    }

    public function testOriginsAreReadWithSpacesCommasAndSlashes(): void
    {
        $before = getenv('JUNCTION_ORIGINS');
        $_SERVER['JUNCTION_ORIGINS'] = $_ENV['JUNCTION_ORIGINS'] = " https://Junction.example/ , https://b.example\thttp://c.example:81,";
        try {
            $settings = require base_path('config/junction.php');
        } finally {
            unset($_SERVER['JUNCTION_ORIGINS'], $_ENV['JUNCTION_ORIGINS']);
        }
        self::assertFalse($before);
        self::assertSame(['https://junction.example', 'https://b.example', 'http://c.example:81'], $settings['origins']);
    }

    public function testWhereNoEngineListensThatIsSaid(): void
    {
        config(['junction.live' => '127.0.0.1:9']);
        $answer = $this->as(Role::Viewer)->postJson('/api/live-check')->assertOk();
        self::assertStringContainsString('No engine listens at 127.0.0.1:9. Start it', (string) $answer->json('problem'));
    }

    public function testWhatIsNoEngineIsSaidToo(): void
    {
        $other = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($other);
        $address = (string) stream_socket_get_name($other, false);
        $script = 'stream_set_timeout($s = stream_socket_accept(stream_socket_server("tcp://'.$address.'"), 10), 10);';
        fclose($other);
        $process = proc_open([PHP_BINARY, '-r', "{$script} fread(\$s, 8192); fwrite(\$s, \"HTTP/1.1 418 no\\r\\n\\r\\n\");"], [], $pipes);
        self::assertIsResource($process);
        try {
            $said = \NimbleJunction\Tests\Support\Background::until(static function () use ($address): ?string {
                $words = (new LinkCheck($address, 'secret', '/live'))->words('http://a', 'a');

                return str_starts_with($words, 'No engine') ? null : $words;
            }, 'a listener');
            self::assertStringContainsString("What listens at {$address} is not the engine: free that port", $said);
        } finally {
            proc_terminate($process);
            proc_close($process);
        }
    }

    public function testUnknownAddressesAnswer404AndKnownOnesThePage(): void
    {
        foreach (['/', '/ports', '/ports/house-desk', '/surfaces-build/guide/pond', '/login', '/people'] as $known) {
            $this->get($known)->assertOk()->assertSee('id="app"', false);
        }
        foreach (['/wp-admin', '/ports/a/b', '/.env', '/build/none.js', '/index.php/x'] as $unknown) {
            $this->get($unknown)->assertNotFound();
        }
        $this->getJson('/api/nothing')->assertNotFound()->assertHeader('Content-Type', 'application/json');
    }

    /** The page's router has the same addresses. */
    public function testTheAddressesAreThoseOfThePagesRouter(): void
    {
        preg_match_all("#path: '(/[^']*)', component#", (string) file_get_contents(base_path('resources/ts/router.ts')), $found);
        $routed = array_map(static fn(string $path): string => (string) preg_replace('#:(\w+)(\??)#', '{$1$2}', $path), $found[1]);
        self::assertSame(array_values(array_diff($routed, ['/{anything}(.*)'])), Pages::ADDRESSES);
    }
}
