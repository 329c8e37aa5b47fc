<?php

declare(strict_types=1);

namespace App\Session;

use Illuminate\Session\FileSessionHandler;

/** Sessions in files, written beside the old one and renamed: with a full disk the old one stays, and nobody is thrown out. */
final class Files extends FileSessionHandler
{
    public function write($sessionId, $data): bool
    {
        try {
            $this->files->replace("{$this->path}/{$sessionId}", $data);
        } catch (\Throwable) {
            // What does not fit on the disk is said where something is stored.
        }

        return true;
    }
}
