<?php

declare(strict_types=1);

namespace App\Shows;

/** An edit is about a part that is not there: nothing has changed. */
final class PartMissing extends \RuntimeException
{
}
