<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Wire\PacketDoor;
use Illuminate\Console\Command;
use NimbleJunction\Core\Wire\Formats;
use Symfony\Component\Console\Output\OutputInterface;

final class DecodeCommand extends Command
{
    protected $signature = 'junction:decode
        {format : artnet, sacn, osc, midi, rtpmidi, applemidi, dmx, smf or pcap}
        {--file= : read the bytes of this file as one packet, instead of hexadecimal lines from standard input}';

    protected $description = 'Read packets: one hexadecimal line each, one JSON object each, with the field names of the standard';

    public function handle(): int
    {
        $format = (string) $this->argument('format');
        $door = PacketDoor::open($format);
        if ($door === null) {
            $this->error("There is no format \"{$format}\". Known are: ".implode(', ', array_keys(Formats::NAMES)).'.');

            return self::INVALID;
        }
        $file = $this->option('file');
        if ($file !== null && ! is_file($file)) {
            $this->error("There is no file {$file}: give the path of a file with the bytes of one packet.");

            return self::INVALID;
        }
        $sound = true;
        foreach ($file === null ? self::lines() : [(string) file_get_contents($file)] as $input) {
            $bytes = $file === null ? PacketDoor::fromHex($input) : $input;
            $fields = \is_string($bytes) ? $door->decode($bytes) : $bytes;
            $sound = $sound && ! isset($fields['error']);
            $this->output->writeln(
                json_encode(
                    $fields,
                    JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR,
                ),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return $sound ? self::SUCCESS : self::FAILURE;
    }

    /** @return iterable<string> lines of standard input that have something on them */
    public static function lines(): iterable
    {
        while (($line = fgets(STDIN)) !== false) {
            if (trim($line) !== '') {
                yield trim($line);
            }
        }
    }
}
