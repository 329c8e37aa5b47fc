<?php

declare(strict_types=1);

namespace App\Backups;

use App\Health\Noted;

/** The folder with the backups of this machine. */
final readonly class Backups
{
    private const NAME = '#^\d{4}-\d\d-\d\d-\d{6}(-\d+)?\.zip$#D';

    public function __construct(private Machine $machine)
    {
    }

    /**
     * @return string the file
     *
     * @throws BackupRefused
     */
    public function make(Wanted $wanted): string
    {
        $name = gmdate('Y-m-d-His');
        for ($i = 1; is_file($file = $this->machine->backups()."/{$name}".($i === 1 ? '' : "-{$i}").'.zip'); ++$i) {
            continue;
        }
        BackupFile::make($file, $this->machine, $wanted);

        Noted::backup('A backup was made: '.basename($file).'.');

        return $file;
    }

    /** @return list<array{name: string, bytes: int, at: int}> the newest first; at: seconds since 1970 */
    public function all(): array
    {
        $files = array_filter(
            glob($this->machine->backups().'/*.zip') ?: [],
            static fn(string $file): bool => preg_match(self::NAME, basename($file)) === 1,
        );
        rsort($files, \SORT_NATURAL);

        return array_map(static fn(string $file): array => [
            'name' => basename($file),
            'bytes' => (int) filesize($file),
            'at' => (int) filemtime($file),
        ], $files);
    }

    /** @return string|null the file of that name; null where there is none */
    public function path(string $name): ?string
    {
        $file = $this->machine->backups()."/{$name}";

        return preg_match(self::NAME, $name) === 1 && is_file($file) ? $file : null;
    }

    /**
     * Those that are older go; the newest stays, however old it is.
     *
     * @return int how many went
     */
    public function prune(int $days): int
    {
        $old = array_filter(\array_slice($this->all(), 1), static fn(array $one): bool => $one['at'] < time() - $days * 86_400);
        foreach ($old as $one) {
            @unlink($this->machine->backups()."/{$one['name']}");
        }

        return \count($old);
    }
}
