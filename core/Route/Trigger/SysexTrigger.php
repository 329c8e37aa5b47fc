<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\ExclusiveTemplate;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\SystemExclusive;

/** System Exclusive that begins so; what its gaps took goes on by their names. */
final readonly class SysexTrigger implements Trigger, Checked
{
    private ExclusiveTemplate $template;

    /** @param string $takes the gap whose number goes on; '' for 1 */
    public function __construct(public string $port, public string $begins, public string $takes = '')
    {
        $this->template = new ExclusiveTemplate($begins);
    }

    public static function kind(): string
    {
        return 'sysex';
    }

    public static function label(): string
    {
        return 'System Exclusive that begins so';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::text(
                'begins',
                'Begins with, in hexadecimal, like F0 7D {cue}',
            )->meaning(ExclusiveTemplate::RULE.' "??" is any byte.'),
            Field::pattern(
                'takes',
                'Takes the number of this gap; empty for 1',
                '#^[a-z][a-z0-9-]*$#D',
                'Name a gap, without its braces.',
                false,
            ),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->template->problem !== '') {
            $fields->fault('begins', $this->template->problem, ExclusiveTemplate::RULE);
        }
        if ($this->takes !== '' && ! \in_array($this->takes, $this->template->names(), true)) {
            $fields->fault(
                'takes',
                "there is no gap {{$this->takes}}",
                'Gaps are: '.(implode(', ', $this->template->names()) ?: 'none').'.',
            );
        }
    }

    public function keys(): array
    {
        return ["{$this->port} /system-exclusive"];
    }

    public function take(Event $event): Taken|Missed|null
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Exclusive) {
            return null;
        }
        $taken = $this->template->taken($message->hex());
        if (\is_string($taken)) {
            return new Missed($taken);
        }
        $value = $this->takes === '' ? 1.0 : $taken[$this->takes] ?? 1.0;

        return new Taken(is_numeric($value) ? (float) $value : 1.0, 'takes it', $taken);
    }

    public function sample(): Event
    {
        $text = strtr($this->begins, ['?' => '0']);
        $whole = (new ExclusiveTemplate(
            preg_match('/f7\s*$/i', $text) === 1 ? $text : "{$text} F7",
        ))->filled(static fn(string $name): int => 1);

        return new Heard($this->port, new Exclusive(new SystemExclusive(substr($whole, 1, -1))));
    }

    public function words(Wording $wording): string
    {
        return "System Exclusive {$this->begins}"." arrives on {$wording->port($this->port)}";
    }
}
