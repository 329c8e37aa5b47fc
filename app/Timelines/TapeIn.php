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
        $text = $this->converted($bytes);
        $this->id = $folder->free($name);
        if (@file_put_contents($folder->path($this->id), $text) !== \strlen($text)) {
            $folder->remove($this->id);
            throw self::refused('the tape cannot be written', 'Is the disk full, or the data folder not ours?');
        }
        $label = $folder->label($this->id);
        $folder->write(new TapeLabel($this->id, $name, $label->made, $label->bytes, $this->seconds, $this->packets));
    }

    private function converted(string $bytes): string
    {
        $stream = new PcapngStream();
        $text = PcapngStream::begin();
        $first = null;
        try {
            foreach (Capture::frames($bytes) as $frame) {
                $first ??= $frame->at;
                $this->seconds = max($this->seconds, ($frame->at - $first) / 1e9);
                $text .= $stream->packet("link {$frame->linkType}", $frame->linkType, $frame->at, $frame->bytes);
                ++$this->packets;
            }
        } catch (Malformed $malformed) {
            // What is sound before the fault is kept.
            if ($this->packets === 0) {
                throw self::refused("this is no capture: {$malformed->getMessage()}", 'Choose a pcap or a pcapng file.');
            }
        }
        if ($this->packets === 0) {
            throw self::refused('there are no packets in that file', 'Choose one with packets in it.');
        }

        return $text;
    }

    private static function refused(string $problem, string $wayOut): ShowRefused
    {
        return ShowRefused::because([new Fault('', $problem, $wayOut)]);
    }
}
