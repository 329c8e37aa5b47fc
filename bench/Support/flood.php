<?php

declare(strict_types=1);

/*
 * Sends valid Art-Net frames as fast as it is told to.
 *   php flood.php TO-ADDRESS PORT A-SECOND SECONDS
 */
[, $address, $port, $rate, $seconds] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
$begin = hrtime(true);
$end = $begin + (int) ((float) $seconds * 1e9);
echo "flooding\n";
for ($sent = 0; ($now = hrtime(true)) < $end;) {
    for ($due = ($now - $begin) / 1e9 * (int) $rate; $sent < $due; ++$sent) {
        $bytes = "Art-Net\0\x00\x50\x00\x0E".chr($sent % 255 + 1)."\0\0\0\x02\x00".str_repeat(chr($sent & 255), 512);
        @socket_sendto($socket, $bytes, 530, 0, $address, (int) $port);
    }
    usleep(200);
}
echo 'sent a second: ', round($sent / ((hrtime(true) - $begin) / 1e9)), "\n";
