<?php

declare(strict_types=1);

namespace App\Exchange;

use NimbleJunction\Core\Gdtf\NotTaken;

/**
 * A zip that somebody brings along, read with suspicion: how many files, how large, how well packed, and by what names,
 * is looked at before anything is unpacked; nothing is unpacked beside it.
 */
final class Archive
{
    private const MOST_FILES = 2000;
    private const MOST_BYTES = 200_000_000;
    private const MOST_OF_ONE = 40_000_000;

    /** Text packs ten to one or so; a hundred and more is made to burst. */
    private const MOST_RATIO = 150;
    private const SMALL = 200_000;

    private function __construct(private readonly \ZipArchive $zip, private readonly string $path)
    {
    }

    public function __destruct()
    {
        $this->zip->close();
        @unlink($this->path);
    }

    /** @throws NotTaken */
    public static function of(string $bytes): self
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'junction-in');
        try {
            file_put_contents($path, $bytes);

            return self::open($path);
        } catch (NotTaken $refused) {
            unlink($path);

            throw $refused;
        }
    }

    /**
     * @param array<string, string> $files contents by name
     *
     * @return string the archive
     */
    public static function packed(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'junction-out');
        try {
            $zip = new \ZipArchive();
            $zip->open($path, \ZipArchive::CREATE | \ZipArchive::OVERWRITE);
            foreach ($files as $name => $content) {
                $zip->addFromString((string) $name, $content);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            unlink($path);
        }
    }

    /** @throws NotTaken */
    private static function open(string $path): self
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new NotTaken(
                'It is no zip archive that can be read.',
                'Give a file as the maker offers it, with its ending .gdtf or .mvr.',
            );
        }
        if ($zip->numFiles > self::MOST_FILES) {
            throw new NotTaken("It holds {$zip->numFiles} files.", 'At most '.self::MOST_FILES.' are read.');
        }
        $all = 0;
        for ($i = 0; $i < $zip->numFiles; ++$i) {
            $stat = $zip->statIndex($i);
            $name = \is_array($stat) ? (string) $stat['name'] : '';
            $size = \is_array($stat) ? (int) $stat['size'] : 0;
            $packed = \is_array($stat) ? (int) $stat['comp_size'] : 0;
            $all += $size;
            if (
                $name === ''
                || str_starts_with($name, '/')
                || str_contains($name, '\\')
                || \in_array('..', explode('/', $name), true)
                || preg_match('/^[A-Za-z]:/', $name) === 1
            ) {
                throw new NotTaken(
                    'It names a file "'.mb_strimwidth(mb_scrub($name), 0, 60, '…').'", which lies outside of it.',
                    'Such an archive is not read.',
                );
            }
            if ($size > self::MOST_OF_ONE || ($size > self::SMALL && $size > self::MOST_RATIO * max(1, $packed))) {
                throw new NotTaken(
                    "\"{$name}\" would be {$size} bytes, packed into {$packed}.",
                    'Files up to '.intdiv(self::MOST_OF_ONE, 1_000_000).' MB are read, packed up to '.self::MOST_RATIO.' to one.',
                );
            }
        }
        if ($all > self::MOST_BYTES) {
            throw new NotTaken(
                "Unpacked it would be {$all} bytes.",
                'At most '.intdiv(self::MOST_BYTES, 1_000_000).' MB are read.',
            );
        }

        return new self($zip, $path);
    }

    /** @return list<string> */
    public function names(): array
    {
        $names = [];
        for ($i = 0; $i < $this->zip->numFiles; ++$i) {
            $names[] = (string) $this->zip->getNameIndex($i);
        }

        return $names;
    }

    /** @throws NotTaken when there is no such file, or it cannot be unpacked */
    public function read(string $name): string
    {
        $bytes = $this->zip->getFromName($name, self::MOST_OF_ONE);

        return \is_string($bytes) ? $bytes : throw new NotTaken(
            "There is no \"{$name}\" in it that can be read.",
            'Every such archive has one.',
        );
    }
}
