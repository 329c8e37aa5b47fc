<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\MachineControl as Control;

/** Machine control. */
final readonly class MmcMessage implements Sendable
{
    public function __construct(public int $device, public string $command)
    {
    }

    public static function kind(): string
    {
        return 'mmc';
    }

    public static function label(): string
    {
        return 'Machine control';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('device', 'Device, 0 to 127; 127 is everyone', 0, 127, 127),
            Field::word('command', 'Command', MmcWords::commands(), 'play'),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        return new MachineControl(new Control(MmcWords::command($this->command), $this->device));
    }

    public function words(Wording $wording): string
    {
        return "machine control {$this->command}";
    }
}
