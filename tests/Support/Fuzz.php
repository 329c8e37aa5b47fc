<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Wire\Formats;
use NimbleJunction\Core\Wire\Malformed;

/** Mutates packets of one format and has them read: seeded, so that whatever is found can be found again. */
final class Fuzz
{
    public int $packets = 0;
    public int $taken = 0;
    public int $refused = 0;

    /** @var list<string> what should not have happened, with the bytes that made it happen */
    public array $faults = [];

    /** Bytes of memory that were in use after a tenth of the way. */
    private int $early = 0;
    private int $late = 0;

    public function __construct(private readonly string $format, private readonly int $seed)
    {
    }

    /** Runs until either of the two is reached. */
    public function run(int $most, float $seconds): self
    {
        mt_srand($this->seed, MT_RAND_MT19937);
        $notation = Formats::notation($this->format) ?? throw new \LogicException($this->format);
        $samples = Samples::all()[$this->format];
        set_error_handler(static function (int $level, string $message, string $file, int $line): never {
            throw new \ErrorException($message, 0, $level, $file, $line);
        });
        try {
            for ($end = microtime(true) + $seconds; $this->packets < $most && (($this->packets & 63) !== 0
                || microtime(true) < $end); ++$this->packets) {
                $bytes = self::mutate($samples[mt_rand(0, \count($samples) - 1)], $samples);
                $this->look($notation->read(...), $bytes);
                if ($this->packets === 500) {
                    $this->early = memory_get_usage();
                }
            }
        } finally {
            restore_error_handler();
        }
        $this->late = memory_get_usage();

        return $this;
    }

    public function grownBytes(): int
    {
        return $this->late - $this->early;
    }

    private function look(callable $read, string $bytes): void
    {
        try {
            $read($bytes);
            ++$this->taken;
        } catch (Malformed $malformed) {
            ++$this->refused;
            if ($malformed->reason === '' || $malformed->clause === '' || $malformed->offset < 0 || $malformed->offset > \strlen($bytes)) {
                $this->fault("refused at byte {$malformed->offset} of ".\strlen($bytes)." with \"{$malformed->reason}\"", $bytes);
            }
        } catch (\Throwable $thrown) {
            $this->fault($thrown::class.": {$thrown->getMessage()} in {$thrown->getFile()}:{$thrown->getLine()}", $bytes);
        }
    }

    private function fault(string $words, string $bytes): void
    {
        if (\count($this->faults) < 10) {
            $this->faults[] = "{$this->format}: {$words}; the packet: ".bin2hex($bytes);
        }
    }

    /** @param list<string> $others */
    public static function mutate(string $bytes, array $others): string
    {
        for ($changes = mt_rand(1, 4); $changes > 0; --$changes) {
            $at = mt_rand(0, max(0, \strlen($bytes) - 1));
            $bytes = match (mt_rand(0, 7)) {
                0 => substr($bytes, 0, $at),
                1, 2 => substr_replace($bytes, \chr(mt_rand(0, 255)), $at, 1),
                3 => substr_replace($bytes, pack('N', mt_rand()), $at, 0),
                4 => substr_replace($bytes, ["\xFF\xFF", "\0\0", "\x7F\xFF", "\x80\0"][mt_rand(0, 3)], $at, 2),
                5 => substr_replace($bytes, '', $at, mt_rand(1, 8)),
                6 => substr($bytes, 0, $at).substr($others[mt_rand(0, \count($others) - 1)], mt_rand(0, 20)),
                default => $bytes === '' ? "\0" : substr_replace($bytes, \chr(\ord($bytes[$at]) ^ 1 << mt_rand(0, 7)), $at, 1),
            };
        }

        return $bytes;
    }
}
