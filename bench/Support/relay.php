<?php

declare(strict_types=1);

/*
 * The floor: a relay that only receives and sends. Every second datagram that
 * arrives goes on, as many as leave a junction that merges two sources.
 *   php relay.php LISTEN-ADDRESS PORT TO-ADDRESS SECONDS each|batches
 * It is woken for each datagram, or looks every two milliseconds and reads all that is there, as the engine does where it is crowded.
 */
[, $address, $port, $to, $seconds, $how] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_set_option($socket, SOL_SOCKET, SO_RCVBUF, 4 * 1024 * 1024);
socket_set_option($socket, SOL_SOCKET, SO_RCVTIMEO, ['sec' => 1, 'usec' => 0]);
socket_bind($socket, $address, (int) $port);
echo "ready\n";
$turn = 0;
$flags = $how === 'batches' ? MSG_DONTWAIT : 0;
for ($end = hrtime(true) + (int) ((float) $seconds * 1e9); hrtime(true) < $end;) {
    if (@socket_recvfrom($socket, $bytes, 2048, $flags, $from, $fromPort) === false) {
        $how === 'batches' && usleep(2000);
    } elseif ((++$turn & 1) === 0) {
        socket_sendto($socket, $bytes, strlen($bytes), 0, $to, (int) $port);
    }
}
