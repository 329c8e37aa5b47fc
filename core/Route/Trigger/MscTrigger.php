<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Send\MscWords;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** Show control: a command, with its cue. */
final readonly class MscTrigger implements Trigger
{
    public function __construct(
        public string $port,
        public string $command,
        public ?int $device,
        public string $cue = '',
        public string $list = '',
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
            Field::word('command', 'Command', MscWords::commands(), 'go'),
            Field::whole('device', 'Device, 0 to 127; empty for any', 0, 127, null, false),
            Field::text('cue', 'Cue; empty for any', ''),
            Field::text('list', 'List; empty for any', ''),
        ];
    }

    public function keys(): array
    {
        return ["{$this->port} /show-control".Heard::ANY];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof ShowControl || $message->command() !== $this->command) {
            return null;
        }
        $control = $message->control;
        // A message for everyone is for this device too, and groups are everybody (MIDI Show Control 1.1, from memory).
        if ($this->device !== null && ! $control->isFor($this->device, range(112, 126))) {
            return new Missed("waits for device {$this->device}, it is for device {$control->device}");
        }
        foreach (['cue' => [$this->cue, $control->cue], 'list' => [$this->list, $control->list]] as $what => [$wanted, $is]) {
            if ($wanted !== '' && $wanted !== $is) {
                return new Missed("waits for {$what} {$wanted}, it names ".($is === null ? 'none' : $is));
            }
        }

        return new Taken(1.0, 'takes the command');
    }

    public function words(Wording $wording): string
    {
        return 'show control '.strtoupper($this->command).($this->cue === '' ? '' : " of cue {$this->cue}").($this->list === '' ? '' : " in list {$this->list}").($this->device === null ? '' : " for device {$this->device}")." arrives on {$wording->port($this->port)}";
    }
}
