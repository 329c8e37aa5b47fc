<?php

declare(strict_types=1);

namespace App\Backups;

/** A backup cannot be made or put back; the message says what is wrong and the way out. Nothing was changed. */
final class BackupRefused extends \RuntimeException
{
}
