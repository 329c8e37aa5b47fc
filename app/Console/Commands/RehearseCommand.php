<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Rehearsal\CannotGoOn;
use NimbleJunction\Core\Rehearsal\Rehearsal;
use NimbleJunction\Core\Rehearsal\ScriptReader;
use NimbleJunction\Core\Rehearsal\Stage;
use NimbleJunction\Core\Show\PointNames;
use NimbleJunction\Core\Show\Show;
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
        {--points= : say changes of these, with commas between: slot:UNIVERSE/NUMBER, fixture:FIXTURE/PARAMETER, value:VALUE}';

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
            $points = $this->points((string) $this->option('points'), $show);
            $state = $this->state((string) $this->option('state'));
            foreach ((array) $this->option('input') as $file) {
                $input = $this->contents((string) $file, '--input');
                $stage = new Stage(new Compiler(new Identity(self::CID)), $show);
                $stage->restore($state);
                $rehearsal = new Rehearsal($stage, (bool) $this->option('trace'), $points);
                $seconds = $until === null ? null : (float) $until;
                $isCapture = Pcap::isOne($input) || Pcapng::isOne($input);
                $lines = $isCapture
                    ? $rehearsal->playCapture($input, $seconds)
                    : $rehearsal->play(ScriptReader::read($input, $stage), $seconds);
                foreach ($lines as $line) {
                    $this->output->writeln(
                        json_encode(
                            $line,
                            JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR,
                        ),
                        OutputInterface::OUTPUT_RAW,
                    );
                }
                if ($rehearsal->passedOver > 0) {
                    fwrite(STDERR, "{$file}: {$rehearsal->passedOver} datagrams went where no port of this show listens.\n");
                }
            }
        } catch (ShowRefused|\InvalidArgumentException|Malformed|CannotGoOn $refused) {
            fwrite(
                STDERR,
                ($refused instanceof Malformed ? "{$refused->reason}, at byte {$refused->offset}" : $refused->getMessage())."\n",
            );

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    private function contents(string $file, string $option): string
    {
        if ($file === '' || ! is_file($file)) {
            throw new \InvalidArgumentException(
                $file === ''
                    ? "{$option} is missing: give the path of a file."
                    : "There is no file {$file}: {$option} takes the path of a file.",
            );
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
            ?? throw new \InvalidArgumentException(
                "--state: {$file} is no whole file of an engine's state. Give engine-state, or engine-state.older, of its data folder.",
            );
    }

    /** @return list<Reference> */
    private function points(string $points, Show $show): array
    {
        $references = [];
        foreach (array_filter(explode(',', $points)) as $point) {
            $reference = Reference::parse(trim($point));
            if ($reference === null || ! PointNames::isThere($show, $reference)) {
                throw new \InvalidArgumentException(
                    "--points: \"{$point}\" is not known. Give points of the show, like slot:UNIVERSE/NUMBER with a slot from 1 to 512.",
                );
            }
            $references[] = $reference;
        }

        return $references;
    }
}
