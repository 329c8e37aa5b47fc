<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Send\MmcWords;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\MachineControl as Control;

/** Machine control: a command. */
final readonly class MmcTrigger implements Trigger
{
    private const ANY = 'any';

    public function __construct(public string $port, public string $command, public ?int $device)
    {
    }

    public static function kind(): string
    {
        return 'mmc';
    }

    public static function label(): string
    {
        return 'Machine control: a command';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::word('command', 'Command', [...MmcWords::heard(), self::ANY], 'play'),
            Field::whole('device', 'Device, 0 to 127; empty for any', 0, 127, null, false),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} /machine-control".Heard::ANY];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof MachineControl || ! \in_array($this->command, [self::ANY, $message->command()], true)) {
            return null;
        }
        if ($this->device !== null && $message->control->device !== $this->device && $message->control->device !== 127) {
            return new Missed(
                "waits for device {$this->device}, it is for device {$message->control->device}",
                ['device' => null],
            );
        }

        return new Taken(1.0, 'takes the command');
    }

    public function sample(): Event
    {
        return new Heard($this->port, new MachineControl(new Control(MmcWords::command($this->command), $this->device ?? 127)));
    }

    public function words(Wording $wording): string
    {
        return "machine control {$this->command}".($this->device === null ? '' : " for device {$this->device}")
            ." arrives on {$wording->port($this->port)}";
    }
}
