<?php

declare(strict_types=1);

/*
 * Connects to a door so many times, from several addresses, and says nothing.
 *   php crowd.php DOOR COUNT
 */
[, $door, $count] = $argv;
$all = [];
for ($i = 0; $i < (int) $count; ++$i) {
    $context = stream_context_create(
        str_starts_with($door, 'tcp') ? ['socket' => ['bindto' => '127.78.43.'.(1 + $i % 200).':0']] : [],
    );
    $socket = @stream_socket_client($door, $code, $message, 5, STREAM_CLIENT_CONNECT, $context);
    if ($socket !== false) {
        $all[] = $socket;
    }
}
echo 'connected ', count($all), "\n";
sleep(170);
