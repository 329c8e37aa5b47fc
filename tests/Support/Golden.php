<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Plan\Compiler;
use NimbleJunction\Core\Plan\Identity;
use NimbleJunction\Core\Rehearsal\Rehearsal;
use NimbleJunction\Core\Rehearsal\ScriptReader;
use NimbleJunction\Core\Rehearsal\Stage;
use NimbleJunction\Core\Show\ShowReader;

/**
 * A rehearsal whose outcome is written down, byte by byte: a show, a script, and
 * what left. Zeros at the end of a packet are left out, to be read by people.
 *
 *   php tests/Support/golden.php --renew     writes down what comes out now, once that was looked at
 */
final readonly class Golden
{
    public function __construct(private string $folder)
    {
    }

    /** @return list<string> folders */
    public static function all(): array
    {
        return glob(\dirname(__DIR__).'/Golden/*', GLOB_ONLYDIR) ?: [];
    }

    /** @return list<string> lines of output as they come out now */
    public function now(): array
    {
        $show = ShowReader::fromJson((string) file_get_contents("{$this->folder}/show.json"));
        $stage = new Stage(new Compiler(new Identity('golden-recording')), $show);
        $lines = [];
        foreach ((new Rehearsal($stage))->play(
            ScriptReader::read((string) file_get_contents("{$this->folder}/in.jsonl"), $stage),
            null,
        ) as $line) {
            $line['hex'] = preg_replace('/(00){3,}$/', '…', (string) ($line['hex'] ?? ''));
            $lines[] = json_encode($line, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR);
        }

        return $lines;
    }

    /** @return list<string> */
    public function written(): array
    {
        return file("{$this->folder}/out.jsonl", FILE_IGNORE_NEW_LINES) ?: [];
    }

    public function renew(): void
    {
        file_put_contents("{$this->folder}/out.jsonl", implode("\n", $this->now())."\n");
    }
}
