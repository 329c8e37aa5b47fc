<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\StandIn\Link\MidiLink;
use Revolt\EventLoop;

/** A talk: each slide sends a note when it comes up, the first slide note 48. */
final class Presentation implements Device
{
    private const FIRST_NOTE = 48;
    private const CHANNEL = 1;
    private const VELOCITY = 100;
    private const NOTE_SECONDS = 0.3;
    private int $slide = 0;
    private int $sent = 0;
    private bool $repeats = false;

    /** @param non-empty-list<string> $slides their titles */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly MidiLink $link,
        private readonly array $slides,
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->link->start(static function (): void {
        });
    }

    public function stop(): void
    {
        $this->link->stop();
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'presentation',
            'name' => $this->name,
            'address' => $this->link->spelled(),
            'protocol' => 'MIDI',
            'open' => $this->link->isOpen(),
            'slides' => $this->slides,
            'slide' => $this->slide + 1,
            'note' => self::FIRST_NOTE + $this->slide,
            'repeats' => $this->repeats,
            'sent' => $this->sent,
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'slide' => $this->show(Values::whole($values, 'slide', 1, \count($this->slides)) - 1),
            'repeats' => $this->repeats = Values::flag($values, 'on'),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    /** A bad habit of some: the note comes again for each thing that appears on the slide. */
    private function show(int $slide): void
    {
        $this->slide = $slide;
        $note = self::FIRST_NOTE + $slide;
        for ($i = 0; $i < ($this->repeats ? 3 : 1); ++$i) {
            ++$this->sent;
            $this->link->send(ChannelMessage::noteOn(self::CHANNEL, $note, self::VELOCITY)->encode());
        }
        EventLoop::delay(self::NOTE_SECONDS, fn() => $this->link->send(ChannelMessage::noteOff(self::CHANNEL, $note)->encode()));
    }
}
