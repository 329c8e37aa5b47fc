<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use Illuminate\Testing\TestResponse;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Core\Wire\Capture\PcapngWriter;
use NimbleJunction\Core\Wire\Capture\RawIpv4;
use NimbleJunction\Engine\LiveLink\Role;
use NimbleJunction\Engine\Tape\TapeFolder;
use Symfony\Component\Process\Process;

/** Tapes as files: captures of others come in, and go out in both formats. */
final class TapesApiTest extends AppTestCase
{
    private string $tapes;

    protected function setUp(): void
    {
        parent::setUp();
        $this->tapes = sys_get_temp_dir().'/junction-test-'.bin2hex(random_bytes(6));
        mkdir($this->tapes);
        config(['junction.data' => $this->tapes]);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->tapes]))->run();
        parent::tearDown();
    }

    public function testACaptureComesInAndGoesOutInBothFormats(): void
    {
        $this->as(Role::Builder);
        $datagrams = array_map(
            static fn(int $i): Datagram => new Datagram(
                1_700_000_000_000_000_000 + $i * 250_000_000,
                '10.0.0.5',
                6454,
                '10.0.0.1',
                6454,
                "packet {$i}",
            ),
            range(0, 4),
        );
        $this->send('Monday, desk', Pcap::write($datagrams))
            ->assertOk()
            ->assertJson(['id' => 'monday-desk', 'packets' => 5, 'seconds' => 1]);
        $label = (new TapeFolder("{$this->tapes}/tapes"))->label('monday-desk');
        self::assertEquals(['Monday, desk', 1.0, 5], [$label->name, $label->seconds, $label->packets]);
        $out = $this->get('/api/tapes/monday-desk')->assertOk()->baseResponse;
        $is = array_map(
            static fn(Datagram $one): string => $one->payload,
            iterator_to_array(Capture::datagrams((string) file_get_contents($out->getFile()->getPathname())), false),
        );
        self::assertSame(['packet 0', 'packet 1', 'packet 2', 'packet 3', 'packet 4'], $is);
        $pcap = $this->get('/api/tapes/monday-desk?form=pcap')->assertOk()->getContent();
        // Microseconds are what the older format has.
        self::assertEquals($datagrams, iterator_to_array(Capture::datagrams((string) $pcap), false));
        $this->get('/api/tapes/gone')->assertNotFound();
        $this->get('/api/tapes/..%2Fshows')->assertNotFound();
    }

    public function testWhatIsNoCaptureIsRefusedAndWhatIsSoundOfABrokenOneIsKept(): void
    {
        $this->as(Role::Builder);
        $this->send('Wrong', 'hello')->assertStatus(422);
        $this->send('Empty', (new PcapngWriter())->bytes())->assertStatus(422);
        $writer = new PcapngWriter();
        $writer->add('network', Frame::RAW, 5, RawIpv4::packet(new Datagram(5, '10.0.0.5', 1, '10.0.0.1', 2, 'one')));
        $writer->add('cable', Frame::PRIVATE_USE, 6, "\x90\x3c\x40");
        $this->send('Cut', substr($writer->bytes(), 0, -4))->assertOk()->assertJson(['packets' => 1]);
        $this->send('Whole', $writer->bytes())->assertOk()->assertJson(['packets' => 2]);
        $this->get('/api/tapes/whole?form=pcap')->assertOk();
        $this->as(Role::Operator);
        $this->send('Mine', $writer->bytes())->assertStatus(403);
    }

    private function send(string $name, string $bytes): TestResponse
    {
        return $this->call(
            'POST',
            '/api/tapes?name='.rawurlencode($name),
            server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/octet-stream'],
            content: $bytes,
        );
    }
}
