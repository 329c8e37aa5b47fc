<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

/** One engine a data folder: whoever has the lock. The system takes it back when the process ends, however it ends. */
final class Lock
{
    /** @param resource $file */
    private function __construct(private $file)
    {
    }

    /** @throws AlreadyRunning before anything was touched */
    public static function take(string $directory): self
    {
        $path = "{$directory}/engine.lock";
        $file = @fopen($path, 'c+');
        if ($file === false) {
            throw new AlreadyRunning(
                "{$path} cannot be written: ".(error_get_last()['message'] ?? 'the system does not say why')
                    .'. Let the engine\'s user write to its data folder.',
            );
        }
        if (! flock($file, \LOCK_EX | \LOCK_NB)) {
            $pid = trim((string) stream_get_contents($file));
            fclose($file);

            throw new AlreadyRunning(
                'Another engine'.($pid === '' ? '' : " (process {$pid})")
                    ." runs on {$directory}: end that one, or give this one a data folder of its own.",
            );
        }
        ftruncate($file, 0);
        fwrite($file, (string) getmypid());
        fflush($file);

        return new self($file);
    }

    public function release(): void
    {
        if (\is_resource($this->file)) {
            ftruncate($this->file, 0);
            fclose($this->file);
        }
    }
}
