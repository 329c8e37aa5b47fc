<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Oracle;

use NimbleJunction\Core\Wire\ArtNet\Dmx;
use NimbleJunction\Core\Wire\ArtNet\Packet;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\Datagram;
use NimbleJunction\Core\Wire\Capture\Frame;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Core\Wire\Malformed;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Capture files that the tools of a general-purpose protocol analyser make (text2pcap, editcap), and ours that it reads. */
final class CaptureOracleTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/junction-capture-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-rf', $this->folder]))->run();
    }

    /** @return iterable<string, array{string}> text2pcap's file formats */
    public static function formats(): iterable
    {
        yield 'pcap' => ['pcap'];
        yield 'pcapng' => ['pcapng'];
        yield 'pcap with nanoseconds' => ['nsecpcap'];
    }

    #[DataProvider('formats')]
    public function testWeReadItsCaptureFiles(string $format): void
    {
        $one = (new Dmx(1, str_repeat("\x42", 512), 7))->encode();
        $two = (new Dmx(2, "\1\2"))->encode();
        $datagrams = iterator_to_array(Capture::datagrams($this->made([$one, $two], $format)), false);
        self::assertSame([$one, $two], array_column($datagrams, 'payload'));
        self::assertSame(
            ['127.0.0.11', 6454, '127.0.0.1', 6454],
            [$datagrams[0]->source, $datagrams[0]->sourcePort, $datagrams[0]->destination, $datagrams[0]->destinationPort],
        );
        self::assertSame(1_700_000_000_250_000_000, $datagrams[0]->at);
        self::assertInstanceOf(Dmx::class, Packet::decode($datagrams[0]->payload));
    }

    /** @return iterable<string, array{int, string}> */
    public static function links(): iterable
    {
        $type = "\x08\0";
        yield 'Ethernet' => [Frame::ETHERNET, str_repeat("\2", 12).$type];
        yield 'Ethernet with a VLAN tag' => [Frame::ETHERNET, str_repeat("\2", 12)."\x81\0\0\x05".$type];
        yield 'Linux cooked' => [Frame::LINUX_COOKED, "\0\0\3\x04\0\6".str_repeat("\0", 8).$type];
        yield 'Linux cooked, second version' => [Frame::LINUX_COOKED_2, $type.str_repeat("\0", 18)];
        yield 'loopback, little-endian' => [Frame::NULL_LOOPBACK, "\2\0\0\0"];
        yield 'loopback, big-endian' => [Frame::LOOPBACK, "\0\0\0\2"];
        yield 'raw' => [Frame::RAW, ''];
    }

    /** The link header is put in front of an IPv4 packet of ours; the analyser and we must find the same datagram. */
    #[DataProvider('links')]
    public function testEveryKindOfLink(int $linkType, string $header): void
    {
        $file = Pcap::write(
            [new Datagram(1_700_000_000_000_000_001, '127.0.0.12', 5000, '127.0.0.2', 6454, (new Dmx(3, 'abcd'))->encode())],
        );
        $packet = $header.substr($file, 40);
        $file = substr_replace(substr($file, 0, 32), pack('V', $linkType), 20, 4).pack('VV', \strlen($packet), \strlen($packet)).$packet;
        self::assertSame("127.0.0.12|5000|127.0.0.2|6454|0x5000|1700000000.000000001\n", $this->tshark($file));
        [$datagram] = iterator_to_array(Capture::datagrams($file), false);
        self::assertSame(
            ['127.0.0.12', 5000, '127.0.0.2', 6454, 1_700_000_000_000_000_001],
            [$datagram->source, $datagram->sourcePort, $datagram->destination, $datagram->destinationPort, $datagram->at],
        );
        self::assertSame((new Dmx(3, 'abcd'))->encode(), $datagram->payload);
    }

    public function testTheChecksumThatWeWriteIsRight(): void
    {
        file_put_contents("{$this->folder}/ours.pcap", Pcap::write([new Datagram(1, '127.0.0.1', 1, '127.0.0.2', 2, 'payload')]));
        $read = (new Process(
            ['tshark', '-n', '-r', "{$this->folder}/ours.pcap", '-o', 'ip.check_checksum:TRUE', '-T', 'fields', '-e', 'ip.checksum.status'],
            null,
            ['HOME' => $this->folder],
        ))->mustRun()->getOutput();
        self::assertContains(trim($read), ['1', 'Good']);
    }

    public function testWhatIsBrokenIsRefusedWhereItBreaks(): void
    {
        $file = $this->made(['abcd'], 'pcap');
        foreach ([
            [substr($file, 0, 20), 20],
            [substr($file, 0, 30), 24],
            [substr($file, 0, -1), 32],
            ["\0".$file, 0],
            [$this->made(['abcd'], 'pcapng').'x', null],
        ] as [$bytes, $offset]) {
            try {
                iterator_to_array(Capture::datagrams($bytes), false);
                self::fail('it was taken');
            } catch (Malformed $malformed) {
                $offset === null
                    ? self::assertGreaterThan(28, $malformed->offset)
                    : self::assertSame($offset, $malformed->offset);
            }
        }
    }

    /** @param list<string> $payloads */
    private function made(array $payloads, string $format): string
    {
        $dump = '';
        foreach ($payloads as $payload) {
            $dump .= "1700000000.250000000\n";
            foreach (str_split($payload, 16) as $i => $row) {
                $dump .= sprintf("%06x %s\n", $i * 16, implode(' ', str_split(bin2hex($row), 2)));
            }
            $dump .= "\n";
        }
        file_put_contents("{$this->folder}/dump.txt", $dump);
        (new Process([
            'text2pcap',
            '-q',
            '-t',
            '%s.%f',
            '-F',
            $format,
            '-u',
            '6454,6454',
            '-4',
            '127.0.0.11,127.0.0.1',
            "{$this->folder}/dump.txt",
            "{$this->folder}/made",
        ]))->mustRun();

        return (string) file_get_contents("{$this->folder}/made");
    }

    private function tshark(string $file): string
    {
        file_put_contents("{$this->folder}/link.pcap", $file);

        return (new Process(
            ['tshark', '-n', '-r', "{$this->folder}/link.pcap", '-T', 'fields', '-E', 'separator=|', '-e', 'ip.src', '-e', 'udp.srcport', '-e', 'ip.dst', '-e', 'udp.dstport', '-e', 'artnet.header.opcode', '-e', 'frame.time_epoch'],
            null,
            ['HOME' => $this->folder],
        ))->mustRun()->getOutput();
    }
}
