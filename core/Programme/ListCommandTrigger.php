<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Trigger\MscTrigger;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\ShowCommand;

/** Show control for a list: for its device and format, and for its number where the message names a list. */
final readonly class ListCommandTrigger implements Trigger
{
    private MscTrigger $trigger;

    /**
     * @param int|null $device 0 to 111; null for any
     * @param string $format a word of the standard's list; "any" for all
     * @param string $number of the list; '' for whatever is named
     * @param string $path where it is kept, as the standard calls it; '' for any
     */
    public function __construct(string $port, ?int $device, string $format, private string $number, private string $path = '')
    {
        $this->trigger = new MscTrigger($port, MscTrigger::ANY, $device, format: $format);
    }

    public static function kind(): string
    {
        return 'list-command';
    }

    public static function label(): string
    {
        return 'Show control for a list';
    }

    public static function fields(): array
    {
        return [];
    }

    public function keys(): array
    {
        return $this->trigger->keys();
    }

    public function take(Event $event): Taken|Missed|null
    {
        $taken = $this->trigger->take($event);
        $control = $event instanceof Heard && $event->message instanceof ShowControl ? $event->message->control : null;
        if ($taken instanceof Taken && $control?->command === ShowCommand::Fire) {
            return $this->fired((string) $control->macro, $taken);
        }
        $named = $control?->list;
        $isOther = $named !== null && $this->number !== '' && Cue::compare($named, $this->number) !== 0;

        $path = $control?->path;
        if ($taken instanceof Taken && $path !== null && $this->path !== '' && Cue::compare($path, $this->path) !== 0) {
            return new Missed("is at path {$this->path}, it names path {$path}");
        }

        return $taken instanceof Taken && $isOther ? new Missed("is list {$this->number}, it names list {$named}") : $taken;
    }

    /** A macro is fired by its number alone: it is the Go of the list that has this number, and of none that has no number. */
    private function fired(string $macro, Taken $taken): Taken|Missed
    {
        $isMeant = $this->number !== '' && Cue::compare($macro, $this->number) === 0;

        return $isMeant
            ? $taken
            : new Missed(
                $this->number === ''
                    ? "has no number, and macro {$macro} is fired"
                    : "is list {$this->number}, and macro {$macro} is fired",
            );
    }

    public function sample(): Event
    {
        return $this->trigger->sample();
    }

    public function words(Wording $wording): string
    {
        return $this->trigger->words($wording);
    }
}
