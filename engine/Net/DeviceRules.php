<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

/**
 * Which devices of this machine a show may name: those for MIDI and serial lines, by their kind, and what lies in folders that
 * the machine's keeper has named. Of all else nothing is said, not even whether it is there.
 *
 * Source: Linux, Documentation/admin-guide/devices.txt (from memory): the numbers of character devices.
 */
final readonly class DeviceRules
{
    /** 14: sound (OSS), 116: sound (ALSA), among them MIDI; 166, 188, 204 and 207: serial at USB or on the board. */
    private const MAJORS = [14, 116, 166, 188, 204, 207];

    /** 4 has consoles below, serial interfaces from 64 on. */
    private const TERMINALS = 4;
    private const FIRST_SERIAL = 64;

    /** Where such devices have their names. */
    private const USUAL = '#^/dev/(snd/midi\w+|midi\w*|dmmidi\w*|tty(S|USB|ACM|AMA|XRUSB)\d+|serial/by-(id|path)/[^/]+)$#D';

    /** @param list<string> $folders of FIFOs and links, named by the keeper of the machine */
    public function __construct(private array $folders = [])
    {
    }

    /** @return string why it may not be opened; '' where it may */
    public function refusal(string $path): string
    {
        $isUsual = preg_match(self::USUAL, $path) === 1;
        $isInFolder = $this->isInFolder($path);
        if (! $isUsual && ! $isInFolder) {
            return $this->outside($path);
        }
        clearstatcache(true, $path);
        $type = @filetype($isInFolder ? (string) realpath($path) : $path);
        $type = $type === 'link' ? @filetype((string) realpath($path)) : $type;

        return match (true) {
            $type === false => "{$path} is not there: plug the device in, or choose another path. It is tried again every two seconds.",
            $type !== 'char'
                && $type !== 'fifo' => "{$path} is neither a character device nor a FIFO: choose the path of a MIDI or serial device.",
            $type === 'fifo' && ! $isInFolder => $this->outside($path),
            $type === 'char'
                && ! $isInFolder
                && ! self::isMidiOrSerial($path) => "{$path} is neither for MIDI nor a serial line: choose such a device.",
            default => '',
        };
    }

    private function outside(string $path): string
    {
        $folders = $this->folders === [] ? '' : ', or what lies in '.implode(' or ', $this->folders);

        return "{$path} may not be opened: choose a MIDI device (/dev/snd/midiC…), a serial device (/dev/ttyUSB…){$folders}. Other folders are named in JUNCTION_DEVICES.";
    }

    /** By its own name; where a link in such a folder leads is its keeper's choice. */
    private function isInFolder(string $path): bool
    {
        if (! str_starts_with($path, '/') || str_contains("{$path}/", '/../')) {
            return false;
        }
        $parent = realpath(\dirname($path));
        foreach ($this->folders as $folder) {
            if ($parent !== false && $parent === realpath($folder)) {
                return true;
            }
        }

        return false;
    }

    private static function isMidiOrSerial(string $path): bool
    {
        $stat = @stat($path);
        $number = $stat === false ? 0 : $stat['rdev'];
        $major = $number >> 8 & 0xFFF;
        $minor = $number & 0xFF | $number >> 12 & 0xFFF00;

        return \in_array($major, self::MAJORS, true) || ($major === self::TERMINALS && $minor >= self::FIRST_SERIAL);
    }
}
