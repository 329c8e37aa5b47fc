<?php

// A mail server that takes one message, writes down all that it is told, and ends (RFC 5321).
declare(strict_types=1);

[, $port, $file] = $argv;
$server = stream_socket_server("tcp://127.0.0.1:{$port}");
echo "listening\n";
$client = stream_socket_accept($server, 60);
stream_set_timeout($client, 30);
fwrite($client, "220 here\r\n");
$isData = false;
while (($line = fgets($client)) !== false) {
    file_put_contents($file, $line, FILE_APPEND);
    if ($isData) {
        if (rtrim($line) === '.') {
            $isData = false;
            fwrite($client, "250 taken\r\n");
        }
        continue;
    }
    $isData = str_starts_with($line, 'DATA');
    fwrite($client, $isData ? "354 go on\r\n" : (str_starts_with($line, 'QUIT') ? "221 bye\r\n" : "250 yes\r\n"));
}
