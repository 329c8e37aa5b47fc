<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Wire\RtpMidi\Command;
use NimbleJunction\Core\Wire\RtpMidi\Packet;
use Symfony\Component\Process\Process;

/** Has tshark, a general-purpose protocol analyser, decode packets of ours, field by field. */
final class Tshark
{
    /**
     * @param list<string> $packets UDP payloads
     * @param list<string> $fields tshark's names
     * @param list<string> $options
     *
     * @return list<array<string, string>> by field, for each packet
     */
    public static function fields(array $packets, int $port, array $fields, array $options = []): array
    {
        $folder = sys_get_temp_dir().'/junction-tshark-'.bin2hex(random_bytes(6));
        mkdir($folder);
        try {
            $dump = '';
            foreach ($packets as $bytes) {
                foreach (str_split($bytes, 16) as $i => $row) {
                    $dump .= sprintf("%06x %s\n", $i * 16, implode(' ', str_split(bin2hex($row), 2)));
                }
                $dump .= "\n";
            }
            file_put_contents("{$folder}/dump.txt", $dump);
            (new Process([
                'text2pcap',
                '-q',
                '-u',
                "{$port},{$port}",
                '-4',
                '127.0.0.1,127.0.0.2',
                "{$folder}/dump.txt",
                "{$folder}/dump.pcap",
            ]))->mustRun();
            $command = ['tshark', '-n', '-r', "{$folder}/dump.pcap", '-T', 'fields', '-E', 'separator=|', ...$options];
            foreach ($fields as $field) {
                array_push($command, '-e', $field);
            }
            $lines = explode("\n", rtrim((new Process($command, null, ['HOME' => $folder]))->mustRun()->getOutput(), "\n"));

            return array_map(static fn(string $line): array => array_combine($fields, explode('|', $line)), $lines);
        } finally {
            (new Process(['rm', '-rf', $folder]))->run();
        }
    }

    /**
     * What it reads of MIDI time code: pieces, and full frames.
     *
     * @param list<string> $messages
     *
     * @return list<array<string, string>> fields by name
     */
    public static function timeCode(array $messages): array
    {
        $packets = array_map(static fn(string $bytes): string => (new Packet(1, 1, 1, [new Command($bytes)]))->encode(), $messages);
        $names = array_map(static fn(string $name): string => "rtpmidi.{$name}", [
            'mtc_quarter_frame_type',
            'sysex_common_rt_mtc_fm_hour',
            'sysex_common_rt_mtc_fm_minute',
            'sysex_common_rt_mtc_fm_second',
            'sysex_common_rt_mtc_fm_frame',
        ]);

        return self::fields($packets, 5004, $names, ['-d', 'udp.port==5004,rtp', '-d', 'rtp.pt==97,rtpmidi']);
    }
}
