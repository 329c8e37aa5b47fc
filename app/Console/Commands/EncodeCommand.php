<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Wire\PacketDoor;
use Illuminate\Console\Command;
use NimbleJunction\Core\Wire\Formats;
use Symfony\Component\Console\Output\OutputInterface;

final class EncodeCommand extends Command
{
    protected $signature = 'junction:encode {format : artnet, sacn, osc, midi, rtpmidi, applemidi, dmx, smf or pcap}';

    protected $description = 'Write packets: one JSON object a line from standard input, as junction:decode gives it, one hexadecimal line each';

    public function handle(): int
    {
        $format = (string) $this->argument('format');
        $door = PacketDoor::open($format);
        if ($door === null) {
            $this->error("There is no format \"{$format}\". Known are: ".implode(', ', array_keys(Formats::NAMES)).'.');

            return self::INVALID;
        }
        $sound = true;
        foreach (DecodeCommand::lines() as $line) {
            $bytes = $door->encode($line);
            $sound = $sound && \is_string($bytes);
            $this->output->writeln(
                \is_string($bytes) ? bin2hex($bytes) : json_encode(
                    $bytes,
                    JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
                ),
                OutputInterface::OUTPUT_RAW,
            );
        }

        return $sound ? self::SUCCESS : self::FAILURE;
    }
}
