<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use FFI;

/**
 * A serial interface at 250 kbit/s, 8 bits, no parity, two stop bits, with a
 * break in front of each refresh: what a plain RS-485 adapter needs to be a
 * DMX line (ANSI E1.11). Linux only, through the C library: PHP's own streams
 * can set neither that rate nor a break.
 *
 * On a pseudo-terminal the settings and the bytes can be tried; the break, the
 * rate on the wire and the direction of an adapter's driver cannot.
 */
final class SerialDevice
{
    public const BITS_PER_SECOND = 250_000;
    private const O_RDWR_NOCTTY_NONBLOCK = 0x902;
    private const TCGETS2 = 0x802C542A;
    private const TCSETS2 = 0x402C542B;
    private const TIOCSBRK = 0x5427;
    private const TIOCCBRK = 0x5428;
    private const TIOCOUTQ = 0x5411;
    private const INPCK_PARMRK = 0x18;
    private const CS8_CSTOPB_CREAD_CLOCAL = 0x8F0;
    private const BOTHER = 0x1000;

    /** struct termios2: input, output, control and local modes, line discipline, 19 control characters, two speeds. */
    private const TERMIOS2_BYTES = 44;

    /** One byte satisfies a read. */
    private const CONTROL_CHARACTERS = "\0\0\0\0\0\0\x01\0\0\0\0\0\0\0\0\0\0\0\0";

    /** Microseconds; ANSI E1.11, table 6 asks a sender for at least 92 and 12. */
    private const BREAK_MICROS = 120;
    private const MARK_MICROS = 20;
    private const DEFINITIONS = <<<'C'
        int open(const char *path, int flags);
        int close(int fd);
        int ioctl(int fd, unsigned long request, void *argument);
        long write(int fd, const void *bytes, unsigned long count);
        C;

    private function __construct(private readonly FFI $c, private int $descriptor)
    {
    }

    /** @throws CannotListen */
    public static function open(string $path): self
    {
        if (! \extension_loaded('ffi') || \PHP_OS_FAMILY !== 'Linux') {
            throw CannotListen::at($path, 0, 'serial lines need PHP\'s FFI on Linux');
        }
        if (@filetype($path) !== 'char') {
            throw CannotListen::at($path, 0, 'there is no such serial device: plug the adapter in, or choose another path');
        }
        try {
            $c = FFI::cdef(self::DEFINITIONS);
        } catch (FFI\Exception $exception) {
            throw CannotListen::at($path, 0, "PHP's FFI is switched off ({$exception->getMessage()}): set ffi.enable");
        }
        $descriptor = self::whole($c, 'open', $path, self::O_RDWR_NOCTTY_NONBLOCK);
        if ($descriptor < 0) {
            throw CannotListen::at($path, 0, 'it cannot be opened: is it in use, and may this user open it?');
        }
        $device = new self($c, $descriptor);
        try {
            $device->setUp($path);
        } catch (CannotListen $cannot) {
            $device->close();

            throw $cannot;
        }

        return $device;
    }

    /**
     * Break, mark, start code and slots. A refresh that begins before the last one has left is dropped.
     *
     * @return string what went wrong, or ''
     */
    public function refresh(string $slots): string
    {
        if (trim($this->ask(self::TIOCOUTQ, 4), "\0") !== '') {
            return '';
        }
        $this->control(self::TIOCSBRK, null);
        usleep(self::BREAK_MICROS);
        $this->control(self::TIOCCBRK, null);
        usleep(self::MARK_MICROS);

        $written = self::whole($this->c, 'write', $this->descriptor, $this->buffer($slots), \strlen($slots));

        return $written === \strlen($slots) ? '' : 'the serial device does not take what it is sent';
    }

    /** @return resource to read from */
    public function stream()
    {
        $stream = fopen("php://fd/{$this->descriptor}", 'r');
        if ($stream === false) {
            throw CannotListen::at('the serial device', 0, 'it cannot be read');
        }
        stream_set_blocking($stream, false);

        return $stream;
    }

    public function close(): void
    {
        if ($this->descriptor >= 0) {
            self::whole($this->c, 'close', $this->descriptor);
            $this->descriptor = -1;
        }
    }

    private function setUp(string $path): void
    {
        if ($this->ask(self::TCGETS2, self::TERMIOS2_BYTES) === '') {
            throw CannotListen::at($path, 0, 'it is no serial device');
        }
        $modes = pack(
            'LLLLCa19LL',
            self::INPCK_PARMRK,
            0,
            self::BOTHER | self::CS8_CSTOPB_CREAD_CLOCAL,
            0,
            0,
            self::CONTROL_CHARACTERS,
            self::BITS_PER_SECOND,
            self::BITS_PER_SECOND,
        );
        if (! $this->control(self::TCSETS2, $this->buffer($modes))) {
            throw CannotListen::at($path, 0, 'it cannot be set to 250 kbit/s: choose an adapter that can');
        }
    }

    /**
     * @param int<1, 1024> $bytes
     *
     * @return string what the driver answers; '' when it does not
     */
    private function ask(int $request, int $bytes): string
    {
        $buffer = $this->buffer(str_repeat("\0", $bytes));

        return $this->control($request, $buffer) ? FFI::string($buffer, $bytes) : '';
    }

    private function buffer(string $bytes): FFI\CData
    {
        $buffer = $this->c->new('char['.\strlen($bytes).']') ?? throw new \LogicException('the C library gives no memory');
        FFI::memcpy($buffer, $bytes, \strlen($bytes));

        return $buffer;
    }

    private function control(int $request, ?FFI\CData $argument): bool
    {
        return self::whole($this->c, 'ioctl', $this->descriptor, $request, $argument) >= 0;
    }

    private static function whole(FFI $c, string $function, mixed ...$arguments): int
    {
        $result = $c->{$function}(...$arguments);

        return \is_int($result) ? $result : -1;
    }
}
