<?php

declare(strict_types=1);

/*
 * A desk all of whose slots move, 44 times a second in each universe.
 *   php moving.php FROM-ADDRESS TO-ADDRESS UNIVERSES SECONDS
 */
[, $from, $to, $universes, $seconds] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_bind($socket, $from, 0);
for ($turn = 0, $begin = microtime(true); microtime(true) - $begin < (float) $seconds; ++$turn) {
    for ($number = 0; $number < (int) $universes; ++$number) {
        $levels = '';
        for ($slot = 0; $slot < 512; ++$slot) {
            $levels .= chr((int) (127.5 + 127.5 * sin($turn / 20 + $slot / 30 + $number)));
        }
        $bytes = "Art-Net\0\x00\x50\x00\x0E".chr($turn % 255 + 1)."\0".chr($number)."\0\x02\x00".$levels;
        socket_sendto($socket, $bytes, 530, 0, $to, 6454);
    }
    $wait = ($turn + 1) / 44 - (microtime(true) - $begin);
    $wait > 0 && usleep((int) ($wait * 1e6));
}
