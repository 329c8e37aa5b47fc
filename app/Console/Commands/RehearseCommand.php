<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Rehearsal\CannotGoOn;
use NimbleJunction\Core\Rehearsal\Rehearsal;
use NimbleJunction\Core\Rehearsal\ScriptReader;
use NimbleJunction\Core\Rehearsal\Stage;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\Capture\Pcap;
use NimbleJunction\Core\Wire\Capture\Pcapng;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Engine\StateFile;
use Symfony\Component\Console\Output\OutputInterface;

final class RehearseCommand extends Command
{
    protected $signature = 'junction:rehearse
        {--show= : the show document}
        {--input=* : a script of JSON lines, or a capture (pcap, pcapng); several are played one after another, each from the beginning}
        {--state= : begin with the levels and holds in this file: engine-state of a data folder}
        {--until= : go on until this second}
        {--trace : say what happened too}
        {--points= : say changes of these, with commas between: slot:UNIVERSE/NUMBER}';

    protected $description = 'Play recorded input through a show without devices, sockets or clock: what would leave, as JSON lines';

    /** Always the same, so that the same input gives the same bytes. */
    private const CID = 'rehearsal-cid---';

    public function handle(): int
    {
        try {
            $show = ShowReader::fromJson($this->contents((string) $this->option('show'), '--show'));
            $until = $this->option('until');
            if ($until !== null && (! is_numeric($until) || $until < 0 || $until > 1_000_000)) {
                throw new \InvalidArgumentException("--until is \"{$until}\": give seconds from 0 to 1000000.");
            }
            $slots = $this->slots((string) $this->option('points'), array_keys($show->universes));
            $state = $this->state((string) $this->option('state'));
            foreach ((array) $this->option('input') as $file) {
                $input = $this->contents((string) $file, '--input');
                $stage = new Stage(new Compiler(new Identity(self::CID)), $show);
                $stage->restore($state);
                $rehearsal = new Rehearsal($stage, (bool) $this->option('trace'), $slots);
                $seconds = $until === null ? null : (float) $until;
                $isCapture = Pcap::isOne($input) || Pcapng::isOne($input);
                foreach ($isCapture ? $rehearsal->playCapture($input, $seconds) : $rehearsal->play(ScriptReader::read($input, $stage), $seconds) as $line) {
                    $this->output->writeln(json_encode($line, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);
                }
                if ($rehearsal->passedOver > 0) {
                    fwrite(STDERR, "{$file}: {$rehearsal->passedOver} datagrams went where no port of this show listens.\n");
                }
            }
        } catch (ShowRefused|\InvalidArgumentException|Malformed|CannotGoOn $refused) {
            fwrite(STDERR, ($refused instanceof Malformed ? "{$refused->reason}, at byte {$refused->offset}" : $refused->getMessage())."\n");

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function contents(string $file, string $option): string
    {
        if ($file === '' || ! is_file($file)) {
            throw new \InvalidArgumentException($file === '' ? "{$option} is missing: give the path of a file." : "There is no file {$file}: {$option} takes the path of a file.");
        }

        return (string) file_get_contents($file);
    }

    /**
     * @return array<mixed> nothing where no file is given
     *
     * @throws \InvalidArgumentException
     */
    private function state(string $file): array
    {
        if ($file === '') {
            return [];
        }

        return StateFile::stateIn($this->contents($file, '--state'))
            ?? throw new \InvalidArgumentException("--state: {$file} is no whole file of an engine's state. Give engine-state, or engine-state.older, of its data folder.");
    }

    /**
     * @param list<string> $universes
     *
     * @return list<array{string, int}>
     */
    private function slots(string $points, array $universes): array
    {
        $slots = [];
        foreach (array_filter(explode(',', $points)) as $point) {
            if (preg_match('#^slot:([a-z0-9-]+)/(\d{1,3})$#D', trim($point), $found) !== 1 || ! in_array($found[1], $universes, true) || (int) $found[2] < 1 || (int) $found[2] > 512) {
                throw new \InvalidArgumentException("--points: \"{$point}\" is not known. Give slot:UNIVERSE/NUMBER, a universe of the show and a slot from 1 to 512.");
            }
            $slots[] = [$found[1], (int) $found[2] - 1];
        }

        return $slots;
    }
}
