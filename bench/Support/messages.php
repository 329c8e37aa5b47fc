<?php

declare(strict_types=1);

/*
 * Sends OSC messages at a steady rate, each with its number, and says at the end when each was sent.
 *   php messages.php FROM-ADDRESS TO-ADDRESS PORT ADDRESSES A-SECOND SECONDS
 */
[, $from, $to, $port, $addresses, $rate, $seconds] = $argv;
$socket = socket_create(AF_INET, SOCK_DGRAM, SOL_UDP);
socket_bind($socket, $from, 0);
$padded = static fn(string $text): string => $text.str_repeat("\0", 4 - strlen($text) % 4);
$count = (int) ((int) $rate * (float) $seconds);
$beginnings = [];
for ($i = 0; $i < (int) $addresses; ++$i) {
    $beginnings[] = $padded("/in/{$i}").$padded(',i');
}
$sentAt = [];
$begin = hrtime(true);
for ($i = 0; $i < $count; ++$i) {
    $due = $begin + (int) ($i * 1e9 / (int) $rate);
    while (($wait = $due - hrtime(true)) > 0) {
        // Short waits are spun through: a sleep is longer than it says.
        $wait > 150_000 && usleep(intdiv($wait - 100_000, 1000));
    }
    $bytes = $beginnings[$i % (int) $addresses].pack('N', $i);
    $sentAt[] = hrtime(true);
    socket_sendto($socket, $bytes, strlen($bytes), 0, $to, (int) $port);
}
echo json_encode($sentAt), "\n";
