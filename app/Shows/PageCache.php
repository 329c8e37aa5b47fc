<?php

declare(strict_types=1);

namespace App\Shows;

use App\Models\Show;
use Illuminate\Support\Facades\File;

/**
 * The page of a show as it was at some revision, packed, for pages that follow: they are given that one at once, and ask
 * for what was changed since. Large shows take a second to put into words, and no page has to wait for it twice.
 */
final readonly class PageCache
{
    /** After so many edits it is made anew. */
    private const MOST_EDITS = 100;

    public function __construct(private ShowPage $page)
    {
    }

    /** @return string gzipped JSON; its "revision" says when it was */
    public function of(Show $show): string
    {
        $file = $this->newest($show);
        if ($file !== null) {
            return (string) file_get_contents($file);
        }
        $packed = (string) gzencode(
            json_encode(
                $this->page->assemble(null, false),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            4,
        );
        $this->keep($show, $packed);

        return $packed;
    }

    /** The show goes for good. */
    public static function forget(Show $show): void
    {
        File::deleteDirectory(self::folder($show));
    }

    private function newest(Show $show): ?string
    {
        $files = $this->files($show);
        $file = end($files);
        if ($file === false) {
            return null;
        }
        $revision = (int) basename($file);

        return EditLog::follows($show, $revision)
            && $show->edits()->where('revision', '>', $revision)->count() <= self::MOST_EDITS
            ? $file
            : null;
    }

    /** A full disk keeps nobody from seeing the show. */
    private function keep(Show $show, string $packed): void
    {
        $folder = self::folder($show);
        if (! is_dir($folder)) {
            @mkdir($folder, 0o700, true);
        }
        $old = $this->files($show);
        $file = "{$folder}/".sprintf('%012d', $show->revision).'.json.gz';
        $next = "{$folder}/".bin2hex(random_bytes(6)).'.next';
        if (@file_put_contents($next, $packed) !== \strlen($packed) || ! @rename($next, $file)) {
            @unlink($next);

            return;
        }
        array_map(static fn(string $one) => $one === $file || @unlink($one), $old);
    }

    /** @return list<string> the oldest first */
    private function files(Show $show): array
    {
        $files = glob(self::folder($show).'/*.json.gz') ?: [];
        sort($files);

        return $files;
    }

    private static function folder(Show $show): string
    {
        return config('junction.data')."/pages/{$show->id}";
    }
}
