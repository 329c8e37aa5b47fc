<?php

declare(strict_types=1);

namespace App\Timelines;

use NimbleJunction\Core\Document\Fault;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Wire\Capture\Capture;
use NimbleJunction\Core\Wire\Capture\PcapngStream;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Engine\Tape\TapeFolder;
use NimbleJunction\Engine\Tape\TapeLabel;

/** A capture file becomes a tape: its packets as they are, in one section with times in nanoseconds. */
final class TapeIn
{
    public readonly string $id;
    public int $packets = 0;
    public float $seconds = 0.0;

    /** @throws ShowRefused where the file is none, or broken from the beginning on */
    public function __construct(TapeFolder $folder, string $name, string $bytes)
    {
        $this->id = $folder->free($name);
        $path = $folder->path($this->id);
        $file = @fopen($path, 'xb');
        try {
            $isWritten = $file !== false && $this->write($bytes, $file);
        } catch (ShowRefused $refused) {
            $folder->remove($this->id);
            throw $refused;
        }
        if (! $isWritten) {
            $folder->remove($this->id);
            throw self::refused('the tape cannot be written', 'Is the disk full, or the data folder not ours?');
        }
        $label = $folder->label($this->id);
        $folder->write(new TapeLabel($this->id, $name, $label->made, $label->bytes, $this->seconds, $this->packets));
    }

    /**
     * Packet by packet: the file is as large as what came, and is not held a second time.
     *
     * @param resource $file
     *
     * @return bool whether all of it could be written
     */
    private function write(string $bytes, $file): bool
    {
        $stream = new PcapngStream();
        $isWritten = self::put($file, PcapngStream::begin());
        $first = null;
        try {
            foreach (Capture::frames($bytes) as $frame) {
                $first ??= $frame->at;
                $this->seconds = max($this->seconds, ($frame->at - $first) / 1e9);
                $isWritten = $isWritten
                    && self::put($file, $stream->packet("link {$frame->linkType}", $frame->linkType, $frame->at, $frame->bytes));
                ++$this->packets;
            }
        } catch (Malformed $malformed) {
            // What is sound before the fault is kept.
            if ($this->packets === 0) {
                throw self::refused("this is no capture: {$malformed->getMessage()}", 'Choose a pcap or a pcapng file.');
            }
        } finally {
            fclose($file);
        }
        if ($this->packets === 0) {
            throw self::refused('there are no packets in that file', 'Choose one with packets in it.');
        }

        return $isWritten;
    }

    /** @param resource $file */
    private static function put($file, string $bytes): bool
    {
        return @fwrite($file, $bytes) === \strlen($bytes);
    }

    private static function refused(string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault('', $problem, $wayOut)]);
    }
}
