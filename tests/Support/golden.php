<?php

declare(strict_types=1);

/* Says whether the golden recordings come out as they are written down; with --renew writes down what comes out now. */

use NimbleJunction\Tests\Support\Golden;

require __DIR__.'/../../vendor/autoload.php';

$same = true;
foreach (Golden::all() as $folder) {
    $golden = new Golden($folder);
    if (in_array('--renew', $argv, true)) {
        $golden->renew();
    }
    $isSame = $golden->now() === $golden->written();
    $same = $same && $isSame;
    echo basename($folder), ': ', $isSame ? 'as it is written down' : 'otherwise', "\n";
}
exit($same ? 0 : 1);
