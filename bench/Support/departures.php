<?php

declare(strict_types=1);

/*
 * A node that says when each datagram came, and the level of its first slot (octet 18 of an ArtDmx packet, Art-Net 4).
 *   php departures.php ADDRESS PORT SECONDS
 */
[, $address, $port, $seconds] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_bind($socket, $address, (int) $port);
socket_set_option($socket, SOL_SOCKET, SO_RCVTIMEO, ['sec' => 0, 'usec' => 200_000]);
for ($end = microtime(true) + (float) $seconds; microtime(true) < $end;) {
    if (@socket_recvfrom($socket, $bytes, 2048, 0, $sender, $from) !== false) {
        printf("%.3f %d\n", microtime(true) * 1000, strlen($bytes) === 530 ? ord($bytes[18]) : ord($bytes[0]));
    }
}
