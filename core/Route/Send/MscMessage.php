<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\ShowControl as Control;

/** Show control. */
final readonly class MscMessage implements Sendable
{
    public function __construct(
        public int $device,
        public string $format,
        public string $command,
        public string $cue = '',
        public string $list = '',
        public string $path = '',
    ) {
    }

    public static function kind(): string
    {
        return 'msc';
    }

    public static function label(): string
    {
        return 'Show control';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::whole('device', 'Device, 0 to 127; 127 is everyone', 0, 127, 127),
            Field::word('format', 'Format', MscWords::formats(), 'lighting'),
            Field::word('command', 'Command', MscWords::commands(), 'go'),
            Field::text('cue', 'Cue, like 2.5 or {cue}', ''),
            Field::text('list', 'List', ''),
            Field::text('path', 'Path', ''),
        ];
    }

    public function make(float $value, Event $event): Message
    {
        $number = static fn(string $text): ?string => MscWords::number(Template::fill($text, $value, $event));

        return new ShowControl(new Control(
            MscWords::command($this->command),
            $this->device,
            MscWords::format($this->format),
            $number($this->cue),
            $number($this->cue) === null ? null : $number($this->list),
            $number($this->cue) === null || $number($this->list) === null ? null : $number($this->path),
        ));
    }

    public function words(Wording $wording): string
    {
        return 'show control '.strtoupper($this->command).($this->cue === '' ? '' : " cue {$this->cue}")
            .($this->list === '' ? '' : " list {$this->list}");
    }
}
