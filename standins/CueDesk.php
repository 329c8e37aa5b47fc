<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Link\MidiLink;

/**
 * A desk with a list of cues that is run from outside: MIDI Show Control on a MIDI link, or OSC (/desk/go,
 * /desk/back, /desk/stop, /desk/cue with a number).
 */
final class CueDesk implements Device
{
    /** Place of the cue that runs or has run last; -1 before the first. */
    private int $at = -1;
    private bool $running = false;
    private string $heard = '';
    private int $taken = 0;
    private readonly Habits $habits;
    private ?Datagrams $socket = null;

    /** @param non-empty-list<array{number: string, name: string}> $cues in their order */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly MidiLink $link,
        private readonly int $device,
        private readonly array $cues,
    ) {
        $this->habits = new Habits(Habits::LOSS, Habits::JITTER);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function start(): void
    {
        $this->link->start($this->midi(...));
        $this->socket = new Datagrams(
            $this->address,
            $this->port,
            fn(string $bytes) => $this->habits->send(fn() => $this->osc($bytes)),
        );
    }

    public function stop(): void
    {
        $this->link->stop();
        $this->socket?->close();
        $this->socket = null;
    }

    public function state(): array
    {
        return [
            'id' => $this->id, 'kind' => 'cue-desk', 'name' => $this->name, 'address' => "{$this->address}:{$this->port}", 'protocol' => 'OSC and MIDI Show Control', 'midi' => $this->link->spelled(), 'open' => $this->link->isOpen(),
            'device' => $this->device,
            'cues' => $this->cues,
            'at' => $this->at,
            'running' => $this->running,
            'heard' => $this->heard,
            'taken' => $this->taken,
            'habits' => $this->habits->state(),
        ];
    }

    public function play(string $control, array $values): void
    {
        match ($control) {
            'go' => $this->go(),
            'back' => $this->jump($this->at - 1),
            'stop' => $this->run(false),
            'habit' => $this->habits->play($values),
            default => throw new \InvalidArgumentException("{$this->name} has no control \"{$control}\"."),
        };
    }

    private function midi(MidiMessage $message): void
    {
        if (! $message instanceof SystemExclusive || ! $message->isRealTime(ShowControl::SUB_ID)) {
            return;
        }
        try {
            $control = ShowControl::decode($message);
        } catch (Malformed) {
            return;
        }
        $this->heard = $control->spelled();
        if (! $control->isFor($this->device)) {
            return;
        }
        match ($control->command) {
            ShowCommand::Go, ShowCommand::TimedGo => $control->cue === null ? $this->go() : $this->named($control->cue),
            ShowCommand::Stop => $this->run(false),
            ShowCommand::Resume => $this->run(true),
            default => null,
        };
    }

    private function osc(string $bytes): void
    {
        try {
            $messages = Packet::decode($bytes);
        } catch (Malformed) {
            return;
        }
        foreach ($messages as $message) {
            $this->heard = $message->spelled();
            $value = $message->arguments[0]->value ?? null;
            // A button that is let go sends 0: only its being pressed counts.
            $pressed = $value === null || $value === true || ((\is_int($value) || \is_float($value)) && $value > 0);
            match (true) {
                $message->address === '/desk/go' && $pressed => $this->go(),
                $message->address === '/desk/back' && $pressed => $this->jump($this->at - 1),
                $message->address === '/desk/stop' && $pressed => $this->run(false),
                $message->address === '/desk/cue'
                    && (\is_int($value) || \is_float($value) || \is_string($value)) => $this->named((string) $value),
                default => null,
            };
        }
    }

    private function go(): void
    {
        $this->jump($this->at + 1);
    }

    private function named(string $number): void
    {
        foreach ($this->cues as $i => $cue) {
            if ((float) $cue['number'] === (float) $number) {
                $this->jump($i);

                return;
            }
        }
        $this->heard .= ': there is no such cue';
    }

    private function jump(int $to): void
    {
        $this->at = max(0, min(\count($this->cues) - 1, $to));
        $this->run(true);
    }

    private function run(bool $running): void
    {
        $this->running = $running;
        ++$this->taken;
    }
}
