<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Engine;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Engine\Net\DeviceRules;
use NimbleJunction\Engine\Net\Reach;
use NimbleJunction\Tests\Support\Background;
use NimbleJunction\Tests\Support\EngineProcess;
use NimbleJunction\Tests\Support\Udp;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What a show may open of the machine: nothing else is opened, read, or even told of. */
final class DeviceRulesTest extends TestCase
{
    private const NET = '127.78.9';
    private string $folder;
    private ?EngineProcess $engine = null;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir("{$this->folder}/devices", recursive: true);
    }

    protected function tearDown(): void
    {
        $this->engine?->stop();
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    public function testWhatIsElsewhereIsRefusedInTheSameWordsWhetherItIsThereOrNot(): void
    {
        $rules = new DeviceRules(["{$this->folder}/devices"]);
        posix_mkfifo("{$this->folder}/elsewhere", 0o600);
        $words = static fn(string $path): string => 'IT'.substr($rules->refusal($path), \strlen($path));
        $refusal = $words('/etc/shadow');
        self::assertStringContainsString('IT may not be opened: choose a MIDI device', $refusal);
        foreach ([
            '/etc/none',
            '/dev/urandom',
            '/dev/zero',
            '/dev/mem',
            '/dev/tty',
            '/dev/tty0',
            '/dev/pts/0',
            '/root/x',
            "{$this->folder}/elsewhere",
            "{$this->folder}/devices/../elsewhere",
            'devices/midi',
            '/dev/snd/../urandom',
            '/dev/ttyUSB0/../urandom',
            '',
            "/dev/snd/midiC0D0\n",
        ] as $path) {
            self::assertSame($refusal, $words($path), $path);
        }
    }

    public function testDevicesOfItsKindsAndWhatTheKeeperHasNamedAreOpened(): void
    {
        $rules = new DeviceRules(["{$this->folder}/devices"]);
        self::assertStringContainsString('is not there: plug the device in', $rules->refusal('/dev/snd/midiC77D7'));
        self::assertStringContainsString('is not there', $rules->refusal('/dev/serial/by-id/usb-none'));
        self::assertStringContainsString('is not there', $rules->refusal("{$this->folder}/devices/later"));
        posix_mkfifo("{$this->folder}/devices/later", 0o600);
        self::assertSame('', $rules->refusal("{$this->folder}/devices/later"));
        symlink('/dev/null', "{$this->folder}/devices/link");
        self::assertSame('', $rules->refusal("{$this->folder}/devices/link"), 'where a link leads is its keeper\'s choice');
        touch("{$this->folder}/devices/file");
        self::assertStringContainsString('neither a character device nor a FIFO', $rules->refusal("{$this->folder}/devices/file"));
        foreach (glob('/dev/ttyS*') ?: [] as $serial) {
            self::assertSame('', $rules->refusal($serial));
        }
        self::assertTrue((new Reach())->mayCall('10.0.0.9:80'));
        $kept = new Reach(forbidden: ['10.0.0.0/8', '192.168.1.7']);
        self::assertSame(
            [false, false, true, true],
            array_map($kept->mayCall(...), ['10.200.3.4:22', '192.168.1.7:1', '192.168.1.8:1', '127.0.0.1:8000']),
        );
    }

    /** Random bytes without end, as fast as the machine gives them: levels leave at their pace all the same. */
    public function testADeviceThatPoursKeepsNobodyWaiting(): void
    {
        symlink('/dev/urandom', "{$this->folder}/devices/pours");
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = [
            'id' => 'pours',
            'name' => 'Pours',
            'protocol' => 'midi',
            'link' => ['kind' => 'device', 'device' => "{$this->folder}/devices/pours"],
            'receive' => (object) [],
        ];
        $document['ports'][] = [
            'id' => 'file',
            'name' => 'File',
            'protocol' => 'midi',
            'link' => ['kind' => 'device', 'device' => '/dev/zero'],
            'receive' => (object) [],
        ];
        $document['ports'][] = [
            'id' => 'call',
            'name' => 'Call',
            'protocol' => 'osc',
            'link' => ['kind' => 'tcp'],
            'send' => ['to' => ['127.66.0.1'], 'port' => 22],
        ];
        $this->engine = new EngineProcess(
            $document,
            ['--for=170', "--state={$this->folder}"],
            environment: ['JUNCTION_FORBIDDEN_NETWORKS' => '127.66.0.0/16 rubbish'],
        );
        $this->engine->process()->untilSaid('/dev/zero may not be opened');
        $this->engine->process()->untilSaid('127.66.0.1:22 may not be called');
        $desk = new Udp(self::NET.'.11', 6454);
        $lamps = new Udp(self::NET.'.3', 5568);
        $worst = 0.0;
        $last = null;
        for ($until = microtime(true) + 4, $level = 0; microtime(true) < $until;) {
            $desk->send((new Dmx(1, str_repeat(\chr(++$level % 256), 512)))->encode(), self::NET.'.1:6454');
            while ($lamps->receive(0.02) !== null) {
                $worst = max($worst, $last === null ? 0.0 : microtime(true) - $last);
                $last = microtime(true);
            }
        }
        self::assertNotNull($last);
        self::assertLessThan(1.5, $worst, 'seconds without a frame');
        $desk->close();
        $lamps->close();
    }

    /** What a FIFO of a port that only sends takes is for its reader, and comes back to nobody. */
    public function testAPortThatOnlySendsLeavesItsBytesInTheFifo(): void
    {
        $fifo = "{$this->folder}/devices/out";
        posix_mkfifo($fifo, 0o600);
        $document = EngineProcess::document(self::NET);
        $document['ports'][] = [
            'id' => 'out-midi',
            'name' => 'Out',
            'protocol' => 'midi',
            'link' => ['kind' => 'device', 'device' => $fifo],
            'send' => (object) [],
        ];
        $document['routes'][] = [
            'id' => 'note',
            'name' => 'Note',
            'when' => ['kind' => 'osc', 'port' => 'tablet', 'address' => '/note'],
            'do' => [['kind' => 'send', 'port' => 'out-midi', 'message' => ['kind' => 'note', 'channel' => 1, 'note' => 60, 'velocity' => 100]]],
        ];
        $this->engine = new EngineProcess($document, ['--for=170', "--state={$this->folder}"]);
        $tablet = new Udp(self::NET.'.12');
        $reader = fopen($fifo, 'r+n');
        stream_set_blocking($reader, false);
        $read = '';
        Background::until(static function () use ($tablet, $reader, &$read): bool {
            $tablet->send("/note\0\0\0,\0\0\0", self::NET.'.1:8000');
            $read .= (string) fread($reader, 100);

            return \strlen($read) >= 30;
        }, 'ten notes in the FIFO');
        self::assertSame(substr(str_repeat("\x90\x3C\x64", 12), 0, 30), substr($read, 0, 30), 'each of them, in order');
        fclose($reader);
        $tablet->close();
    }
}
