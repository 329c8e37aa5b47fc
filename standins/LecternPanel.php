<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Midi\ChannelKind;
use NimbleJunction\Core\Wire\Midi\ChannelMessage;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\RelativeEncoding;
use NimbleJunction\StandIn\Link\MidiLink;

/**
 * A panel in the lectern: eight buttons (notes 36 to 43, lit by the same notes
 * coming back), eight motor faders (controllers 1 to 8, moved by the same
 * controllers coming back unless a hand is on them), four encoders that only
 * say how far they were turned (controllers 16 to 19, two's complement).
 */
final class LecternPanel implements Device
{
    public const FADERS = 8;
    private const CHANNEL = 1;
    private const FIRST_NOTE = 36;
    private const FIRST_ENCODER = 16;

    /** @var array<int, int> 0 to 127 */
    private array $faders;

    /** @var array<int, bool> */
    private array $lit;

    /** @var array<int, int> detents turned since the start */
    private array $turned = [0, 0, 0, 0];
    private ?int $touched = null;
    private int $moves = 0;
    private int $sent = 0;

    public function __construct(private readonly string $id, private readonly string $name, private readonly MidiLink $link)
    {
        $this->faders = array_fill(0, self::FADERS, 0);
        $this->lit = array_fill(0, self::FADERS, false);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->link->start($this->heard(...));
    }

    public function stop(): void
    {
        $this->link->stop();
    }

    public function state(): array
    {
        return [
            'id' => $this->id,
            'kind' => 'lectern',
            'name' => $this->name,
            'address' => $this->link->spelled(),
            'protocol' => 'MIDI',
            'open' => $this->link->isOpen(),
            'faders' => $this->faders,
            'lit' => $this->lit,
            'turned' => $this->turned,
            'touched' => $this->touched === null ? null : $this->touched + 1,
            'moves' => $this->moves,
            'sent' => $this->sent,
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'fader' => $this->slide(
                Values::whole($values, 'fader', 1, self::FADERS) - 1,
                Values::whole($values, 'level', 0, 127),
            ),
            'touch' => $this->touched = Values::whole($values, 'fader', 0, self::FADERS) === 0
                ? null
                : Values::whole($values, 'fader', 0, self::FADERS) - 1,
            'button' => $this->press(Values::whole($values, 'button', 1, self::FADERS) - 1, Values::flag($values, 'down')),
            'turn' => $this->turn(Values::whole($values, 'encoder', 1, 4) - 1, Values::whole($values, 'steps', -63, 63)),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    private function slide(int $fader, int $level): void
    {
        $this->faders[$fader] = $level;
        $this->send(ChannelMessage::controlChange(self::CHANNEL, $fader + 1, $level));
    }

    private function press(int $button, bool $down): void
    {
        $note = self::FIRST_NOTE + $button;
        $this->send($down ? ChannelMessage::noteOn(self::CHANNEL, $note, 127) : ChannelMessage::noteOff(self::CHANNEL, $note));
    }

    private function turn(int $encoder, int $steps): void
    {
        $this->turned[$encoder] += $steps;
        if ($steps !== 0) {
            $this->send(
                ChannelMessage::controlChange(
                    self::CHANNEL,
                    self::FIRST_ENCODER + $encoder,
                    RelativeEncoding::TwosComplement->value($steps),
                ),
            );
        }
    }

    private function heard(MidiMessage $message): void
    {
        if (! $message instanceof ChannelMessage || $message->channel !== self::CHANNEL) {
            return;
        }
        $fader = $message->data1 - 1;
        $button = $message->data1 - self::FIRST_NOTE;
        if ($message->kind === ChannelKind::ControlChange && isset($this->faders[$fader]) && $fader !== $this->touched) {
            $this->moves += $this->faders[$fader] === $message->data2 ? 0 : 1;
            $this->faders[$fader] = $message->data2;
        } elseif (($message->beginsNote() || $message->endsNote()) && isset($this->lit[$button])) {
            $this->lit[$button] = $message->beginsNote();
        }
    }

    private function send(ChannelMessage $message): void
    {
        ++$this->sent;
        $this->link->send($message->encode());
    }
}
