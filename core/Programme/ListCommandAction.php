<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Event;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Pause;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Terms;
use NimbleJunction\Core\Route\Turn;
use NimbleJunction\Core\Route\Wording;
use NimbleJunction\Core\Wire\Midi\ShowCommand;
use NimbleJunction\Core\Wire\Midi\ShowControl as Control;

/**
 * A list does what show control says. What a macro does is the device's own affair by the standard: here FIRE with the
 * number of a list is its Go. Source: MIDI Show Control 1.1, RP-002/RP-014, general commands and the recommended
 * numbers of controls for lighting (from memory).
 */
final readonly class ListCommandAction implements Action
{
    public function __construct(private string $list)
    {
    }

    public static function kind(): string
    {
        return 'list-command';
    }

    public static function label(): string
    {
        return 'Do what show control says';
    }

    public static function fields(): array
    {
        return [];
    }

    public function perform(float $value, Event $event, Turn $turn, array $place = []): ?Pause
    {
        if ($event instanceof Heard && $event->message instanceof ShowControl) {
            $this->obey($event->message->control, $turn);
        }

        return null;
    }

    public function words(Wording $wording): string
    {
        return 'do what it says';
    }

    private function obey(Control $control, Turn $turn): void
    {
        $cue = $control->cue ?? '';
        $seconds = Template::number(min(Times::LONGEST, $control->time?->seconds() ?? 0.0));
        match ($control->command) {
            ShowCommand::Go => $cue === '' ? $this->press('go', $turn) : $this->set('cue', $cue, $turn),
            ShowCommand::TimedGo => $this->set('cue', ($cue === '' ? ListTime::NEXT : $cue).ListTime::IN.$seconds, $turn),
            ShowCommand::Fire => $this->press('go', $turn),
            ShowCommand::Load => $this->set('load', $cue, $turn),
            ShowCommand::Stop => $this->press('pause', $turn),
            ShowCommand::Resume => $this->press('resume', $turn),
            ShowCommand::GoOff, ShowCommand::Reset => $this->press('release', $turn),
            ShowCommand::AllOff => $this->to('master:'.Master::BLACKOUT, 1, $turn),
            ShowCommand::Restore => $this->to('master:'.Master::BLACKOUT, 0, $turn),
            ShowCommand::Set => $this->to(
                'programme:'.Programme::CONTROL.$control->control,
                100 * ($control->value ?? 0) / Control::HIGHEST,
                $turn,
            ),
            default => null,
        };
    }

    private function press(string $part, Turn $turn): void
    {
        $reference = Reference::parse("list:{$this->list}/{$part}");
        if ($reference !== null) {
            $turn->press($reference);
        }
    }

    private function set(string $part, string $value, Turn $turn): void
    {
        $this->to("list:{$this->list}/{$part}", $value, $turn);
    }

    private function to(string $point, int|float|string $value, Turn $turn): void
    {
        $reference = Reference::parse($point);
        if ($reference !== null) {
            $turn->set($reference, $value, new Terms());
        }
    }
}
