<?php

declare(strict_types=1);

/*
 * A desk that moves one slot 40 times a second, and a node that hears what comes of it: says when each frame came.
 *   php gaps.php DESK-ADDRESS TO-ADDRESS NODE-ADDRESS SECONDS
 */
[, $from, $to, $node, $seconds] = $argv;
$desk = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_bind($desk, $from, 0);
$hears = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_bind($hears, $node, 5568);
socket_set_nonblock($hears);
echo "ready\n";
$begin = hrtime(true);
$last = [];
for ($turn = 0; hrtime(true) - $begin < (float) $seconds * 1e9; ++$turn) {
    $bytes = "Art-Net\0\x00\x50\x00\x0E".chr($turn % 255 + 1)."\0\x01\0\x02\x00".str_repeat(chr($turn % 256), 512);
    socket_sendto($desk, $bytes, 530, 0, $to, 6454);
    do {
        $read = [$hears];
        $none = null;
        $left = (int) max(0, ($turn + 1) * 25_000 - (hrtime(true) - $begin) / 1000);
        socket_select($read, $none, $none, 0, $left);
        while (@socket_recvfrom($hears, $frame, 2048, 0, $sender, $port) !== false) {
            // The universe of an E1.31 data packet stands at octet 113 (ANSI E1.31-2018, 4.2).
            $universe = strlen($frame) === 638 ? (ord($frame[113]) << 8 | ord($frame[114])) : 0;
            if ($universe === 1) {
                echo hrtime(true), "\n";
            }
        }
    } while ($left > 0);
}
