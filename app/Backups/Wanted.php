<?php

declare(strict_types=1);

namespace App\Backups;

/** What a backup holds, or what of it is put back, besides the shows and who this machine is. */
final readonly class Wanted
{
    /**
     * @param bool $users people, their passwords, and the pass codes of surfaces: as hashes
     * @param bool $tapes recordings, which may be large
     */
    public function __construct(public bool $users = true, public bool $tapes = true)
    {
    }
}
