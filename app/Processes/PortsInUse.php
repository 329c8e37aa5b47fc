<?php

declare(strict_types=1);

namespace App\Processes;

/** Finds a port that another program has, before anything is started. */
final class PortsInUse
{
    /**
     * @param list<array{string, int, string}> $tcp address, port, what for
     * @param list<array{string, int, string}> $udp
     *
     * @return string|null what is wrong and the way out, or null
     */
    public static function find(array $tcp, array $udp): ?string
    {
        foreach (['tcp' => $tcp, 'udp' => $udp] as $kind => $wanted) {
            foreach ($wanted as [$address, $port, $use]) {
                $flags = $kind === 'tcp' ? STREAM_SERVER_BIND | STREAM_SERVER_LISTEN : STREAM_SERVER_BIND;
                $socket = @stream_socket_server("{$kind}://{$address}:{$port}", $code, $message, $flags);
                if ($socket === false) {
                    $way = $kind === 'tcp'
                        ? 'end that program, or choose another with --port'
                        : 'end that program (is another demo running?)';

                    return strtoupper($kind)." port {$port} at {$address}, wanted for {$use}, cannot be used: {$message}. To go on, {$way}.";
                }
                fclose($socket);
            }
        }

        return null;
    }
}
