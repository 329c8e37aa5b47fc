<?php

declare(strict_types=1);

namespace NimbleJunction\StandIn;

use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\Midi\MidiMessage;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message;
use NimbleJunction\Core\Wire\Osc\Packet;
use NimbleJunction\StandIn\Link\Datagrams;
use NimbleJunction\StandIn\Link\Habits;
use NimbleJunction\StandIn\Link\MidiLink;

/**
 * A desk with a list of cues that is run from outside: MIDI Show Control on a MIDI link, or OSC (/desk/go,
 * /desk/back, /desk/stop, /desk/cue with a number). Lines that are typed at it by OSC, at /desk/line, make cues and run
 * them; what became of each is answered at /desk/said.
 */
final class CueDesk implements Device
{
    private const MAKE = '#^make cue (\d+(?:\.\d)?)(?: called "([^"]*)")?$#D';

    /** Place of the cue that runs or has run last; -1 before the first. */
    private int $at = -1;
    private bool $running = false;
    private string $heard = '';
    private int $taken = 0;
    private readonly Habits $habits;
    private ?Datagrams $socket = null;

    /**
     * @param non-empty-list<array{number: string, name: string}> $cues in their order
     * @param string $answersTo address and port where lines are answered; '' for nowhere
     */
    public function __construct(
        private readonly string $id,
        private readonly string $name,
        private readonly string $address,
        private readonly int $port,
        private readonly MidiLink $link,
        private readonly int $device,
        private array $cues,
        private readonly string $answersTo = '',
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
            'id' => $this->id,
            'kind' => 'cue-desk',
            'name' => $this->name,
            'address' => "{$this->address}:{$this->port}",
            'protocol' => 'OSC and MIDI Show Control',
            'midi' => $this->link->spelled(),
            'open' => $this->link->isOpen(),
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
                $message->address === '/desk/line' && \is_string($value) => $this->typed($value),
                $message->address === '/desk/cue'
                    && (\is_int($value) || \is_float($value) || \is_string($value)) => $this->named((string) $value),
                default => null,
            };
        }
    }

    /** A line in the desk's own words; it is answered. */
    private function typed(string $line): void
    {
        $said = match (true) {
            preg_match(self::MAKE, $line, $found) === 1 => $this->make($found[1], $found[2] ?? ''),
            preg_match('#^delete cue (\d+(?:\.\d)?)$#D', $line, $found) === 1 => $this->delete($found[1]),
            preg_match('#^go cue (\d+(?:\.\d)?)$#D', $line, $found) === 1 => $this->goTo($found[1]),
            default => "this desk does not know: {$line}",
        };
        if ($this->answersTo !== '') {
            $this->socket?->send((new Message('/desk/said', [Argument::of($said)]))->encode(), $this->answersTo);
        }
    }

    private function make(string $number, string $name): string
    {
        $this->delete($number);
        $this->cues[] = ['number' => $number, 'name' => $name];
        usort($this->cues, static fn(array $a, array $b): int => (float) $a['number'] <=> (float) $b['number']);
        ++$this->taken;

        return "cue {$number} made";
    }

    private function delete(string $number): string
    {
        $left = array_values(array_filter(
            $this->cues,
            static fn(array $cue): bool => (float) $cue['number'] !== (float) $number,
        ));
        if ($left === [] || \count($left) === \count($this->cues)) {
            return "there is no cue {$number}";
        }
        $this->cues = $left;
        $this->at = -1;

        return "cue {$number} deleted";
    }

    private function goTo(string $number): string
    {
        $before = $this->taken;
        $this->named($number);

        return $this->taken > $before ? "cue {$number} runs" : "there is no cue {$number}";
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
