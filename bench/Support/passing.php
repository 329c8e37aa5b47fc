<?php

declare(strict_types=1);

/*
 * The floor of a routed message: everything that arrives goes on, to port 9000.
 *   php passing.php LISTEN-ADDRESS PORT TO-ADDRESS SECONDS
 */
[, $address, $port, $to, $seconds] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_set_option($socket, SOL_SOCKET, SO_RCVBUF, 4 * 1024 * 1024);
socket_set_option($socket, SOL_SOCKET, SO_RCVTIMEO, ['sec' => 1, 'usec' => 0]);
socket_bind($socket, $address, (int) $port);
echo "ready\n";
for ($end = hrtime(true) + (int) ((float) $seconds * 1e9); hrtime(true) < $end;) {
    if (@socket_recvfrom($socket, $bytes, 2048, 0, $from, $fromPort) !== false) {
        socket_sendto($socket, $bytes, strlen($bytes), 0, $to, 9000);
    }
}
