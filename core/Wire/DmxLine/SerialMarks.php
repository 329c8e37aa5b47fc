<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\DmxLine;

/**
 * Parts what a serial driver hands up into refreshes of a line. With PARMRK
 * set, a break arrives as FF 00 00, a slot without stop bits as FF 00 and the
 * slot, and a slot of 255 as FF FF.
 *
 * Source: POSIX termios, "Input Modes" (from memory). How long the break and
 * the mark after it were, a driver does not say.
 */
final class SerialMarks
{
    private string $left = '';
    private string $slots = '';
    private bool $counting = false;

    /** @return list<string> start code and slots of each refresh that is whole now */
    public function push(string $bytes): array
    {
        $bytes = $this->left.$bytes;
        $this->left = '';
        $lines = [];
        for ($i = 0, $length = \strlen($bytes); $i < $length; ++$i) {
            if ($bytes[$i] !== "\xFF") {
                $this->take($bytes[$i]);

                continue;
            }
            $second = $bytes[$i + 1] ?? null;
            if ($second === null || ($second === "\0" && ! isset($bytes[$i + 2]))) {
                $this->left = substr($bytes, $i);

                return $lines;
            }
            if ($second === "\xFF") {
                $this->take("\xFF");
                ++$i;
            } elseif ($second === "\0") {
                if ($bytes[$i + 2] === "\0") {
                    if ($this->counting && \strlen($this->slots) > 1) {
                        $lines[] = $this->slots;
                    }
                    $this->counting = true;
                } else {
                    // A slot without stop bits: the refresh is given up.
                    $this->counting = false;
                }
                $this->slots = '';
                $i += 2;
            } else {
                // FF alone: the driver does not mark, the slot is 255.
                $this->take("\xFF");
            }
        }

        return $lines;
    }

    private function take(string $slot): void
    {
        if ($this->counting) {
            $this->slots .= $slot;
            if (\strlen($this->slots) > 513) {
                $this->counting = false;
                $this->slots = '';
            }
        }
    }
}
