<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Trigger;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\Beat;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Taken;
use NimbleJunction\Core\Route\Trigger;
use NimbleJunction\Core\Route\Wording;

/** A beat of a sequencer's clock, or one of each bar; with its number in the bar. */
final readonly class BeatTrigger implements Trigger, Checked
{
    /**
     * @param int|null $beat from 1; null for every beat
     * @param int $of beats of a bar
     */
    public function __construct(public string $port, public ?int $beat, public int $of)
    {
    }

    public static function kind(): string
    {
        return 'beat';
    }

    public static function label(): string
    {
        return 'A beat of a clock';
    }

    public static function fields(): array
    {
        return [
            Field::port(),
            Field::whole('beat', 'Beat of the bar; empty for every one', 1, 64, null, false),
            Field::whole('of', 'Beats of a bar', 1, 64, 4),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->beat !== null && $this->beat > $this->of) {
            $fields->fault('beat', "it is {$this->beat}", "A bar has {$this->of} beats.");
        }
    }

    public function keys(): array
    {
        return ["{$this->port} /beat"];
    }

    public function take(Event $event): ?Taken
    {
        $message = $event instanceof Heard ? $event->message : null;
        if (! $message instanceof Beat) {
            return null;
        }
        $beat = ($message->beat - 1) % $this->of + 1;

        return $this->beat === null || $beat === $this->beat ? new Taken((float) $beat, 'takes its place in the bar') : null;
    }

    public function sample(): Event
    {
        return new Heard($this->port, new Beat($this->beat ?? 1));
    }

    public function words(Wording $wording): string
    {
        return ($this->beat === null ? 'any beat' : "beat {$this->beat} of {$this->of}")." comes on {$wording->port($this->port)}";
    }
}
