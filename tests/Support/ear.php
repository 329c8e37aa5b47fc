<?php

declare(strict_types=1);

/*
 * Prints every datagram that it hears: "heard FROM HEX".
 *   php ear.php ADDRESS PORT [GROUP]
 */
[, $address, $port, $group] = $argv + [3 => ''];
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_set_option($socket, SOL_SOCKET, SO_REUSEADDR, 1);
socket_bind($socket, $address, (int) $port) || exit(1);
if ($group !== '') {
    socket_set_option($socket, IPPROTO_IP, MCAST_JOIN_GROUP, ['group' => $group, 'interface' => 'peer']);
}
echo "listening\n";
for ($end = microtime(true) + 120; microtime(true) < $end;) {
    $read = [$socket];
    $none = null;
    if (@socket_select($read, $none, $none, 1) > 0 && @socket_recvfrom($socket, $bytes, 65535, 0, $from, $fromPort) !== false) {
        echo "heard {$from}:{$fromPort} ", bin2hex($bytes), "\n";
    }
}
