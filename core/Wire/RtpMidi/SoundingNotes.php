<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\RtpMidi;

/** Which notes sound at the receiving end, so that none is left hanging when a packet that would have ended it is lost. */
final class SoundingNotes
{
    private const NOTE_OFF_VELOCITY = 64;

    /** @var array<int, array<int, true>> by channel from 0 and note */
    private array $sounding = [];

    /** @param string $command a whole MIDI command */
    public function heard(string $command): void
    {
        $status = \ord($command[0] ?? "\0");
        $channel = $status & 15;
        $first = \ord($command[1] ?? "\0");
        $second = \ord($command[2] ?? "\0");
        if ($status >> 4 === 9 && $second > 0) {
            $this->sounding[$channel][$first] = true;
        } elseif ($status >> 4 === 8 || $status >> 4 === 9) {
            unset($this->sounding[$channel][$first]);
        } elseif ($status >> 4 === 11 && ($first === 120 || $first === 123)) {
            unset($this->sounding[$channel]);
        }
    }

    /** @return list<string> commands that end all notes; nothing sounds afterwards */
    public function endAll(): array
    {
        $commands = [];
        foreach ($this->sounding as $channel => $notes) {
            foreach (array_keys($notes) as $note) {
                $commands[] = self::off($channel, $note);
            }
        }
        $this->sounding = [];

        return $commands;
    }

    /**
     * Packets are missing; the journal tells what they did. Without one, every note is ended: better a short one than one for ever.
     *
     * @return list<string> commands that mend it
     */
    public function mend(?Journal $journal): array
    {
        if ($journal === null) {
            return $this->endAll();
        }
        $commands = [];
        foreach ($journal->channels as $channel) {
            ['on' => $on, 'off' => $off] = $channel->notes();
            $number = $channel->channel - 1;
            foreach ($off as $note) {
                if (isset($this->sounding[$number][$note])) {
                    $commands[] = self::off($number, $note);
                }
            }
            foreach ($on as $note => $velocity) {
                if ($velocity > 0 && ! isset($this->sounding[$number][$note])) {
                    $commands[] = \chr(0x90 | $number).\chr($note).\chr($velocity);
                }
            }
        }
        array_map($this->heard(...), $commands);

        return $commands;
    }

    private static function off(int $channel, int $note): string
    {
        return \chr(0x80 | $channel).\chr($note).\chr(self::NOTE_OFF_VELOCITY);
    }
}
