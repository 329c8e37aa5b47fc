<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Core\Show\ShowReader;

/**
 * Does a small piece of the engine's own work again and again, and compares what
 * leaves with what is known to be right. Code is compiled once it is hot, so that
 * the first rounds say nothing, and the later ones whether the compiler is sound.
 *
 * The work stands in self-check.json: a show document with every kind of port,
 * packets that arrive at its ports, and the digest of all packets that leave.
 */
final class SelfCheck
{
    /** What the compiler gets wrong has shown after some ten to twenty rounds. */
    public const ROUNDS = 150;

    /** Processor time for all rounds together; a slow machine does fewer. */
    private const MOST_NANOS = 1_000_000_000;

    private int $rounds = 0;
    private int $nanos = 0;

    /** The running show as it was read at first, by code that was not hot yet. */
    private string $firstReading = '';

    /**
     * @param list<array{at: float, port: string, from: string, hex: string}> $packets in the order of their times, in seconds
     * @param string $running the show that the engine runs, as JSON; '' for none
     */
    private function __construct(
        private readonly string $show,
        private readonly array $packets,
        private readonly string $expected,
        private readonly string $running,
    ) {
    }

    /**
     * @param string $running the show that the engine runs, as JSON: it is read again and again too; '' for none
     * @param string|null $file another one than ours, for tests
     */
    public static function load(string $running = '', ?string $file = null): self
    {
        /**
         * @var array{show: array<string, mixed>, packets: list<array{at: float, port: string, from: string, hex: string}>,
         * digest: string} $work
         */
        $work = json_decode((string) file_get_contents($file ?? __DIR__.'/self-check.json'), true, flags: \JSON_THROW_ON_ERROR);

        return new self(json_encode($work['show'], \JSON_THROW_ON_ERROR), $work['packets'], $work['digest'], $running);
    }

    public function isOver(): bool
    {
        return $this->rounds >= self::ROUNDS || $this->nanos >= self::MOST_NANOS;
    }

    public function rounds(): int
    {
        return $this->rounds;
    }

    /** @return string what came out wrong, in words; '' for nothing */
    public function round(): string
    {
        $began = (int) hrtime(true);
        ++$this->rounds;
        try {
            $digest = $this->digest();
            $wrong = $digest === $this->expected
                ? $this->readAgain()
                : "what leaves has the digest {$digest} instead of {$this->expected}";
        } catch (\Throwable $broken) {
            $wrong = $broken->getMessage();
        }
        // Junctions hold themselves in circles, and the engine collects those only now and then.
        gc_collect_cycles();
        $this->nanos += (int) hrtime(true) - $began;

        return $wrong === '' ? '' : "in round {$this->rounds} of the self-check {$wrong}";
    }

    /** Reads, compiles, merges, routes and encodes: the digest of everything that leaves. */
    public function digest(): string
    {
        $plan = (new Compiler(new Identity('self-check, cid.')))->compile(ShowReader::fromJson($this->show));
        $endpoints = self::endpoints($plan);
        $junction = new Junction();
        $now = 1_000_000_000_000;
        $junction->adopt($plan, $now);
        $hash = hash_init('xxh128');
        foreach ($this->packets as $packet) {
            $at = 1_000_000_000_000 + (int) round($packet['at'] * 1e9);
            $packets = [];
            while ($junction->dueAt() < $at) {
                $now = max($now + 1_000_000, $junction->dueAt());
                array_push($packets, ...$junction->wake($now));
            }
            $now = max($now, $at);
            array_push(
                $packets,
                ...$junction->arrived(
                    $endpoints[$packet['port']] ?? '',
                    $packet['from'],
                    6454,
                    (string) hex2bin($packet['hex']),
                    $now,
                ),
            );
            foreach ($packets as $packet) {
                hash_update($hash, "{$packet->address} {$packet->port} {$packet->bytes}\n");
            }
        }

        return hash_final($hash);
    }

    private function readAgain(): string
    {
        if ($this->running === '') {
            return '';
        }
        $reading = serialize(ShowReader::fromJson($this->running));
        if ($this->firstReading === '') {
            $this->firstReading = $reading;
        }

        return $reading === $this->firstReading ? '' : 'the running show is not read as it was at first';
    }

    /** @return array<string, string> key of the endpoint that each port receives at */
    private static function endpoints(Plan $plan): array
    {
        $keys = [];
        foreach ($plan->endpoints as $key => $endpoint) {
            foreach ($endpoint->portIds as $portId) {
                $keys[$portId] = $key;
            }
        }

        return $keys;
    }
}
