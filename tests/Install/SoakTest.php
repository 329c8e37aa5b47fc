<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Install;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\Attributes\Depends;

/**
 * A season in short: a desk sends, people edit, and services are killed at random, which systemd begins again.
 * JUNCTION_SOAK_SECONDS makes it longer.
 */
final class SoakTest extends InstallationTestCase
{
    private const SECONDS = 60;

    /** Over an installation from before there were releases: its shows are there. */
    public function testItIsInstalledOverAnOlderOne(): void
    {
        $folder = InstalledMachine::release();
        $root = InstalledMachine::ROOT;
        self::$machine->follow(
            "rm -rf {$root} && mkdir -p {$root}/storage/app/junction {$root}/storage/framework/views && touch {$root}/storage/app/junction/shows.sqlite && echo 'APP_KEY=base64:'$(head -c 32 /dev/urandom | base64) >{$root}/.env",
        );
        foreach (['migrate --force --quiet', 'db:seed --force --quiet'] as $words) {
            self::$machine->follow(
                'JUNCTION_DATA='.$root.'/storage/app/junction APP_KEY=$(sed s/APP_KEY=// '.$root.'/.env) php '.Background::root()."/artisan {$words}",
            );
        }
        $said = self::$machine->follow(
            'tar xzf nimble-junction-*.tar.gz && nimble-junction-*/deploy/install --host=10.0.0.5 --yes',
            in: $folder,
        );
        self::assertStringContainsString("with the shows, people and recordings of {$root}/storage", $said);
        self::assertStringContainsString(
            '"Fernhall Glasshouse, Night Walk"',
            self::$machine->follow("sudo -u www-data php {$root}/current/artisan junction:export"),
        );
        self::assertSame(file_get_contents("{$root}/.env"), self::$machine->follow("grep ^APP_KEY= {$root}/env"));
        self::$machine->follow(
            'sudo -u www-data php '.InstalledMachine::ROOT.'/current/artisan junction:user anna --role=builder --password=fern-and-moss',
        );
        self::$machine->untilWell('all of it running');
        $this->login();
        $links = [['number' => 1, 'universe' => 'hall']];
        $imported = self::$machine->send('POST', 'https://10.0.0.5/api/show/import', [
            'format' => 'nimble-junction/show', 'version' => 2, 'name' => 'Soak', 'universes' => [['id' => 'hall', 'name' => 'Hall']],
            'ports' => [
                ['id' => 'desk', 'name' => 'Desk', 'protocol' => 'art-net', 'receive' => ['address' => '127.90.0.1', 'feeds' => $links]],
                ['id' => 'lamps', 'name' => 'Lamps', 'protocol' => 'sacn', 'send' => ['address' => '127.90.0.1', 'to' => ['127.90.0.3'], 'carries' => $links]],
            ],
        ]);
        self::assertSame(200, $imported->status, $imported->body);
    }

    #[Depends('testItIsInstalledOverAnOlderOne')]
    public function testServicesThatAreKilledAtRandomLeaveNothingUndone(): void
    {
        $seconds = (int) (getenv('JUNCTION_SOAK_SECONDS') ?: self::SECONDS);
        mt_srand($seconds);
        $desk = new Udp('127.90.0.11', 6454);
        $lamps = new Udp('127.90.0.3', 5568);
        $began = microtime(true);
        $kills = ['engine' => 0, 'php' => 0, 'nginx' => 0];
        $edits = 0;
        $last = '';
        $dark = $frames = 0;
        $longest = 0.0;
        $heardAt = null;
        $editAt = $killAt = $began + 1;
        $statuses = [];
        $memory = [];
        while (($now = microtime(true)) < $began + $seconds) {
            $desk->send((new Dmx(1, "\xC8".\chr((int) ($now * 44) % 256).str_repeat("\x64", 510)))->encode(), '127.90.0.1:6454');
            while (($packet = $lamps->receive(0.01)) !== null) {
                ++$frames;
                // Slot 1 behind the start code (E1.31-2018, table 4-1): it stands at 200 all the time.
                $dark += (int) (\strlen($packet) > 126 && \ord($packet[126]) !== 0xC8);
                $longest = max($longest, $heardAt === null ? 0.0 : microtime(true) - $heardAt);
                $heardAt = microtime(true);
            }
            if ($now >= $killAt) {
                $killAt = $now + mt_rand(20, 70) / 10;
                $name = array_rand($kills);
                if (self::$machine->services->runs($name)) {
                    ++$kills[$name];
                    self::$machine->services->kill($name);
                }
            }
            if ($now >= $editAt) {
                $editAt = $now + 0.7;
                $name = 'Evening '.$edits;
                $status = self::$machine->send('PATCH', 'https://10.0.0.5/api/show', ['name' => $name])->status;
                $statuses[$status] = ($statuses[$status] ?? 0) + 1;
                if ($status === 200) {
                    ++$edits;
                    $last = $name;
                } elseif ($status === 401 || $status === 419) {
                    self::fail("Somebody who was logged in is not any more: {$status}");
                }
                $memory[] = self::$machine->services->megabytes('engine');
            }
        }
        self::$machine->untilWell('all being back');
        $status = json_decode(
            self::$machine->follow('sudo -u www-data php '.InstalledMachine::ROOT.'/current/artisan junction:status --json || true'),
            true,
        );
        $document = self::$machine->ask('GET', 'https://10.0.0.5/api/show')->json()['document'];
        fwrite(
            STDERR,
            sprintf(
                "\nSoak: %d s, killed %s, edits %d, answers %s, frames %d, longest without one %.2f s, engine %.0f MB at most\n",
                $seconds,
                json_encode($kills),
                $edits,
                json_encode($statuses),
                $frames,
                $longest,
                max($memory ?: [0]),
            ),
        );
        self::assertGreaterThan(5, array_sum($kills));
        self::assertSame(0, $dark, 'no lamp blinks: a frame that leaves has the level that was there');
        self::assertGreaterThan(0, $frames);
        self::assertSame([], array_diff(array_keys($statuses), [0, 200, 502, 503, 504]), json_encode($statuses, JSON_THROW_ON_ERROR));
        self::assertSame([$last, $last], [$document['name'], $status['engine']['show']], 'what was answered is stored, and runs');
        self::assertSame(0, $status['engine']['faults']);
        self::assertCount(1, self::$machine->services->processes('engine'), 'nothing is left behind');
        $desk->close();
        $lamps->close();
    }

    private function login(): void
    {
        self::$machine->ask('GET', 'https://10.0.0.5/api/session');
        self::assertSame(
            200,
            self::$machine->send('POST', 'https://10.0.0.5/api/session', ['name' => 'anna', 'password' => 'fern-and-moss'])->status,
        );
    }
}
