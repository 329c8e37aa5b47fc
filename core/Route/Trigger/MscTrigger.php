<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Send\MscWords;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl as Control;
use NimbleJunction\Core\Wire\Midi\ShowFormat;

/**
 * Show control: a command, or any, with its cue, list and path; MIDI Show Control 1.1 (from memory).
 */
final readonly class MscTrigger implements Trigger, Checked
{
    public const ANY = 'any';

    private const FORMATS_OF_ALL = 127;

    /**
     * @param int|null $device 0 to 111; null for any
     * @param int|null $group 1 to 15; null for any: a group that it is not in is not for it
     * @param string $cue a number, or the first of a range; '' for any
     * @param string $until the last of a range of cues
     * @param string $format a word of the standard's list; "any" for all
     * @param string $takes command: 1; cue: the number of the cue
     */
    public function __construct(
        public string $port,
        public string $command,
        public ?int $device,
        public string $cue = '',
        public string $list = '',
        public string $until = '',
        public string $path = '',
        public string $format = self::ANY,
        public ?int $group = null,
        public string $takes = 'command',
    ) {
    }

    public static function kind(): string
    {
        return 'msc';
    }

    public static function label(): string
    {
        return 'Show control: a command, with its cue';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::word('command', 'Command', [...MscWords::commands(), ...MscWords::plain(), self::ANY], 'go'),
            Field::whole('device', 'Device, 0 to 127; empty for any', 0, 127, null, false),
            Field::whole('group', 'Group, 1 to 15; empty for any', 1, 15, null, false)
                ->meaning(
                    'What is sent to a group is taken for that one alone; devices 112 to 126 on the wire are groups 1 to 15.',
                ),
            Field::word('format', 'Command format', [self::ANY, ...MscWords::formats()], self::ANY),
            Field::text('cue', 'Cue, or the first of a range; empty for any', ''),
            Field::text('until', 'Last cue of the range; empty for that one alone', ''),
            Field::text('list', 'List; empty for any', ''),
            Field::text('path', 'Path; empty for any', ''),
            Field::word('takes', 'It takes', ['command', 'cue'], 'command')->meaning(
                '"command": 1. "cue": the number of the cue, so that it can be chosen by.',
            ),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->until === '') {
            return;
        }
        foreach (['cue' => $this->cue, 'until' => $this->until] as $name => $text) {
            if (MscWords::number($text) === null) {
                $fields->fault($name, "it is \"{$text}\"", 'Both ends of a range are numbers, like 2.5.');
            }
        }
        if (MscWords::compare($this->cue, $this->until) > 0) {
            $fields->fault('until', "it is {$this->until}, before {$this->cue}", 'A range runs upwards.');
        }
    }

    public function keys(): array
    {
        return ["{$this->port} /show-control".Heard::ANY];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof ShowControl) {
            return null;
        }
        if ($this->command !== self::ANY && $message->command() !== $this->command) {
            return null;
        }
        $control = $message->control;
        $missed = $this->notForIt($control) ?? $this->otherCue($control);
        if ($missed !== null) {
            return $missed;
        }
        $cue = MscWords::value($control->cue ?? '');

        return $this->takes === 'cue' && $control->cue !== null
            ? new Taken($cue, 'takes the number of its cue')
            : new Taken(1.0, 'takes the command');
    }

    public function sample(): Event
    {
        $number = static fn(string $text, string $otherwise): string => MscWords::number($text) ?? $otherwise;
        $list = $this->list !== '' || $this->path !== '' ? $number($this->list, '1') : null;
        $command = MscWords::command($this->command);
        $device = $this->device ?? ($this->group === null ? Control::EVERYONE : Control::FIRST_GROUP + $this->group - 1);

        return new Heard($this->port, new ShowControl(new Control(
            $command,
            $device,
            $this->format === self::ANY ? 1 : MscWords::format($this->format),
            $number($this->cue, '1'),
            $list,
            $this->path === '' ? null : $number($this->path, '1'),
            control: $command === ShowCommand::Set ? 1 : null,
            value: $command === ShowCommand::Set ? 8192 : null,
            macro: $command === ShowCommand::Fire ? 1 : null,
        )));
    }

    public function words(Wording $wording): string
    {
        $words = [
            'show control'.($this->format === self::ANY ? '' : " for {$this->format}"),
            $this->command === self::ANY ? 'of any command' : strtoupper($this->command),
            $this->cue === '' ? '' : ($this->until === '' ? "of cue {$this->cue}" : "of cues {$this->cue} to {$this->until}"),
            $this->list === '' ? '' : "in list {$this->list}",
            $this->path === '' ? '' : "on path {$this->path}",
            $this->device === null ? '' : "for device {$this->device}",
            $this->group === null ? '' : "for group {$this->group}",
        ];

        return implode(' ', array_filter($words))." arrives on {$wording->port($this->port)}";
    }

    /** A message for everyone is for this device too; a group is everybody where none is asked for. */
    private function notForIt(Control $control): ?Missed
    {
        if (
            $this->format !== self::ANY
            && $control->format !== self::FORMATS_OF_ALL
            && ! ShowFormat::includes($control->format, MscWords::format($this->format))
        ) {
            return new Missed(
                "waits for {$this->format}, it is for ".(ShowFormat::name($control->format) ?? $control->format),
                ['format' => self::ANY],
            );
        }
        $isGroup = $control->device >= Control::FIRST_GROUP && $control->device < Control::EVERYONE;
        $group = $control->device - Control::FIRST_GROUP + 1;
        if ($isGroup && $this->group !== null && $group !== $this->group) {
            return new Missed("waits for group {$this->group}, it is for group {$group}", ['group' => null]);
        }
        $everybody = range(Control::FIRST_GROUP, Control::EVERYONE - 1);
        if ($this->device !== null && ! $control->isFor($this->device, $everybody)) {
            return new Missed("waits for device {$this->device}, it is for device {$control->device}", ['device' => null]);
        }
        if ($this->device === null && $this->group !== null && ! $isGroup && $control->device !== Control::EVERYONE) {
            return new Missed("waits for group {$this->group}, it is for device {$control->device}", ['group' => null]);
        }

        return null;
    }

    private function otherCue(Control $control): ?Missed
    {
        if ($this->until !== '' && $control->cue !== null) {
            $isWithin = MscWords::compare($this->cue, $control->cue) <= 0 && MscWords::compare($control->cue, $this->until) <= 0;

            return $isWithin ? $this->otherList($control) : new Missed(
                "waits for cues {$this->cue} to {$this->until}, it names {$control->cue}",
                MscWords::number($control->cue) === null
                    ? ['cue' => null, 'until' => null]
                    : (MscWords::compare($control->cue, $this->cue) < 0 ? ['cue' => $control->cue] : ['until' => $control->cue]),
            );
        }

        return $this->other('cue', $this->cue, $control->cue) ?? $this->otherList($control);
    }

    private function otherList(Control $control): ?Missed
    {
        return $this->other('list', $this->list, $control->list) ?? $this->other('path', $this->path, $control->path);
    }

    private function other(string $what, string $wanted, ?string $is): ?Missed
    {
        return $wanted === '' || $wanted === $is
            ? null
            : new Missed(
                "waits for {$what} {$wanted}, it names ".($is ?? 'none'),
                $what === 'cue' ? ['cue' => null, 'until' => null] : [$what => null],
            );
    }
}
