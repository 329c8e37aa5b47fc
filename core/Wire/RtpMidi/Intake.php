<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/**
 * The receiving side of a session: order, loss, System Exclusive put together again, and what a loss would leave hanging
 * or as it was.
 */
final class Intake
{
    private const LONGEST_EXCLUSIVE = 65536;
    private ?int $sequence = null;
    private int $lost = 0;
    private string $exclusive = '';
    private readonly SoundingNotes $notes;
    private readonly KnownValues $values;

    public function __construct()
    {
        $this->notes = new SoundingNotes();
        $this->values = new KnownValues();
    }

    /** The highest sequence number that came. */
    public function sequence(): int
    {
        return $this->sequence ?? 0;
    }

    public function lost(): int
    {
        return $this->lost;
    }

    /** @return list<string> whole MIDI commands; a packet that comes late or twice gives none */
    public function take(Packet $packet): array
    {
        $step = $this->sequence === null ? 1 : ($packet->sequence - $this->sequence) & 0xFFFF;
        if ($step === 0 || $step > 0x7FFF) {
            return [];
        }
        $commands = [];
        if ($step > 1) {
            $this->lost += $step - 1;
            $this->exclusive = '';
            $commands = $this->mended($packet->journal);
        }
        $this->sequence = $packet->sequence;
        foreach ($packet->commands as $command) {
            $whole = $this->whole($command->bytes);
            if ($whole !== '') {
                $this->notes->heard($whole);
                $this->values->heard($whole);
                $commands[] = $whole;
            }
        }

        return $commands;
    }

    /** @return list<string> commands that end what sounds */
    public function close(): array
    {
        $this->sequence = null;
        $this->exclusive = '';
        $this->values->clear();

        return $this->notes->endAll();
    }

    /** @return list<string> commands that bring back what lost packets did: values first, so that notes sound as they should */
    private function mended(?Journal $journal): array
    {
        $values = $journal === null ? [] : $this->values->mend(JournalCommands::of($journal));

        return [...$values, ...$this->notes->mend($journal)];
    }

    /** Segments of System Exclusive wait until the last one is there. */
    private function whole(string $bytes): string
    {
        $first = $bytes[0] ?? '';
        if ($first !== "\xF0" && $first !== "\xF7") {
            return $bytes;
        }
        $last = $bytes[-1];
        if ($first === "\xF0") {
            $this->exclusive = '';
        } elseif ($this->exclusive === '') {
            return '';
        }
        $data = substr($bytes, $first === "\xF0" ? 0 : 1, -1);
        if ($last === "\xF4" || \strlen($this->exclusive) + \strlen($data) > self::LONGEST_EXCLUSIVE) {
            $this->exclusive = '';

            return '';
        }
        $this->exclusive .= $data;
        if ($last === "\xF0") {
            return '';
        }
        $whole = "{$this->exclusive}\xF7";
        $this->exclusive = '';

        return $whole;
    }
}
