<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use FFI;

/** Both ends of a serial line that is not there: the engine opens one, the test holds the other. */
final class PseudoTerminal
{
    public readonly string $path;

    /** @var resource */
    private $master;

    public function __construct()
    {
        $c = FFI::cdef('int posix_openpt(int flags); int grantpt(int fd); int unlockpt(int fd); char *ptsname(int fd);');
        $descriptor = $c->posix_openpt(0x102);
        $c->grantpt($descriptor);
        $c->unlockpt($descriptor);
        $this->path = FFI::string($c->ptsname($descriptor));
        $this->master = fopen("php://fd/{$descriptor}", 'r+');
        stream_set_blocking($this->master, false);
    }

    public function write(string $bytes): void
    {
        fwrite($this->master, $bytes);
    }

    public function read(): string
    {
        return (string) @fread($this->master, 8192);
    }

    /** @return resource to be waited on */
    public function stream()
    {
        return $this->master;
    }

    public function close(): void
    {
        fclose($this->master);
    }
}
