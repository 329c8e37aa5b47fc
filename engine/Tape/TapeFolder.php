<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Tape;

/** Where tapes are: each a capture file, and beside it what it is called and which part of it is played. */
final readonly class TapeFolder
{
    private const ID = '#^[a-z0-9][a-z0-9-]{0,59}$#D';

    public function __construct(private string $folder)
    {
    }

    /** @return array<string, TapeLabel> by id, the newest first */
    public function all(): array
    {
        $labels = [];
        foreach (glob("{$this->folder}/*.pcapng") ?: [] as $path) {
            $id = basename($path, '.pcapng');
            $labels[$id] = $this->label($id);
        }
        uasort($labels, static fn(TapeLabel $one, TapeLabel $other): int => $other->made <=> $one->made);

        return $labels;
    }

    public function has(string $id): bool
    {
        return preg_match(self::ID, $id) === 1 && is_file($this->path($id));
    }

    public function path(string $id): string
    {
        return "{$this->folder}/{$id}.pcapng";
    }

    /** @return string an id that no tape has, made of a name */
    public function free(string $name): string
    {
        if (! is_dir($this->folder)) {
            @mkdir($this->folder, 0o770, true);
        }

        return self::idFor($name, 'tape', fn(string $id): bool => is_file($this->path($id)));
    }

    /** @param \Closure(string): bool $isTaken */
    public static function idFor(string $name, string $usual, \Closure $isTaken): string
    {
        $base = substr(trim((string) preg_replace('#[^a-z0-9]+#', '-', strtolower($name)), '-'), 0, 50) ?: $usual;
        for ($i = 1; $isTaken($id = $i === 1 ? $base : "{$base}-{$i}"); ++$i) {
            continue;
        }

        return $id;
    }

    public function label(string $id): TapeLabel
    {
        $path = $this->path($id);
        $json = json_decode((string) @file_get_contents("{$this->folder}/{$id}.json"), true);

        return TapeLabel::read($id, \is_array($json) ? $json : [], (int) @filemtime($path), (int) @filesize($path));
    }

    public function write(TapeLabel $label): void
    {
        $path = "{$this->folder}/{$label->id}.json";
        $text = json_encode($label->kept(), \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE);
        if (@file_put_contents("{$path}.new", $text) !== false) {
            @rename("{$path}.new", $path);
        }
    }

    public function remove(string $id): void
    {
        if ($this->has($id)) {
            @unlink($this->path($id));
            @unlink("{$this->folder}/{$id}.json");
        }
    }
}
