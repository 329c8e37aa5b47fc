<?php

declare(strict_types=1);

/*
 * Two desks that send so many universes, every slot moving.
 *   php flood64.php NET ADDRESS UNIVERSES RATE SECONDS
 */

use NimbleJunction\Bench\Support\Traffic;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\Cadence;

require __DIR__.'/../../vendor/autoload.php';

[, $net, $address, $universes, $rate, $seconds] = $argv;
$traffic = new Traffic($net);
$traffic->run((int) $universes, (float) $rate, (float) $seconds, Cadence::of(Protocol::ArtNet)->gap, $address, true);
$traffic->close();
