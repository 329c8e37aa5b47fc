<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Send;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\ExclusiveTemplate;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** System Exclusive, with gaps for the value and for what arrived. */
final readonly class SysexMessage implements Sendable, Checked
{
    private ExclusiveTemplate $template;

    public function __construct(public string $data)
    {
        $this->template = new ExclusiveTemplate($data);
    }

    public static function kind(): string
    {
        return 'sysex';
    }

    public static function label(): string
    {
        return 'System Exclusive';
    }

    public static function protocol(): Protocol
    {
        return Protocol::Midi;
    }

    public static function fields(): array
    {
        return [
            Field::text(
                'data',
                'Bytes in hexadecimal, F0 to F7; {value} for the value in one byte',
            )->meaning(ExclusiveTemplate::RULE),
        ];
    }

    public function check(Fields $fields): void
    {
        $problem = $this->template->problemToSend();
        if ($problem !== '') {
            $fields->fault('data', $problem, ExclusiveTemplate::RULE);
        }
    }

    public function make(float $value, Event $event): Message
    {
        $fields = ['value' => $value] + $event->fields();
        $bytes = $this->template->filled(static fn(string $name): int|float|string => $fields[$name] ?? 0);

        return new Exclusive(new SystemExclusive(substr($bytes, 1, -1)));
    }

    public function words(Wording $wording): string
    {
        return "System Exclusive {$this->data}";
    }
}
