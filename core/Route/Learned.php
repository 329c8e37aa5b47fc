<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route;

use NimbleJunction\Core\Message\Bend;
use NimbleJunction\Core\Message\Clock;
use NimbleJunction\Core\Message\Controller;
use NimbleJunction\Core\Message\Exclusive;
use NimbleJunction\Core\Message\KeyPressure;
use NimbleJunction\Core\Message\MachineControl;
use NimbleJunction\Core\Message\Note;
use NimbleJunction\Core\Message\NumberedParameter;
use NimbleJunction\Core\Message\Osc;
use NimbleJunction\Core\Message\Pitch;
use NimbleJunction\Core\Message\Pressure;
use NimbleJunction\Core\Message\Program;
use NimbleJunction\Core\Message\ShowControl;
use NimbleJunction\Core\Message\TimeCode;
use NimbleJunction\Core\Signal\Message;

/**
 * What a route may wait for, of a message that was learned: the usual way first, never with the velocity or the value that
 * happened to come; then what is stricter, and what is wider. Each way is words, and a trigger of the document.
 */
final class Learned
{
    /**
     * @param int $argument of an OSC message, the one that moved, from 1
     * @param int $middleC octave number of note 60
     *
     * @return non-empty-list<array{words: string, part: array<string, mixed>}>
     */
    public static function ways(string $port, Message $message, int $argument = 1, int $middleC = 4): array
    {
        $ways = match (true) {
            $message instanceof Note => self::note($message, $middleC),
            $message instanceof Controller => self::controller($message),
            $message instanceof Program => [
                ['this program', ['kind' => 'program', 'channel' => $message->channel, 'program' => $message->program]],
                ['any program on this channel, by its number', ['kind' => 'program', 'channel' => $message->channel]],
                ['this program on any channel', ['kind' => 'program', 'program' => $message->program]],
            ],
            $message instanceof Bend => self::onChannel('pitch bend', 'bend', $message->channel),
            $message instanceof Pressure => self::onChannel('channel pressure', 'pressure', $message->channel),
            $message instanceof KeyPressure => [
                [
                    'the pressure of this key',
                    ['kind' => 'key-pressure', 'channel' => $message->channel, 'note' => $message->note],
                ],
                ['the pressure of any key', ['kind' => 'key-pressure', 'channel' => $message->channel]],
            ],
            $message instanceof NumberedParameter => [
                ['this parameter at any value', self::parameter($message)],
                ['this parameter on any channel', array_diff_key(self::parameter($message), ['channel' => true])],
            ],
            $message instanceof ShowControl => self::showControl($message),
            $message instanceof MachineControl => [
                ['this command for any device', ['kind' => 'mmc', 'command' => $message->command()]],
                [
                    'this command for this device',
                    ['kind' => 'mmc', 'command' => $message->command(), 'device' => $message->control->device],
                ],
            ],
            $message instanceof Exclusive => self::exclusive($message),
            $message instanceof TimeCode => [[
                'when time code comes to this time',
                ['kind' => 'timecode', 'at' => $message->time->spelled()],
            ]],
            $message instanceof Clock => [['this', ['kind' => 'clock', 'event' => $message->event()]]],
            $message instanceof Osc => self::osc($message, $argument),
            default => [['this address at any value', ['kind' => 'message', 'address' => $message->address()]]],
        };

        return array_map(
            static fn(array $way): array => [
                'words' => $way[0],
                'part' => ['kind' => $way[1]['kind'], 'port' => $port] + $way[1],
            ],
            $ways,
        );
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function note(Note $note, int $middleC): array
    {
        $that = ['channel' => $note->channel, 'note' => $note->note];
        $exact = $note->velocity === 0 ? [] : [[
            "exactly this: at velocity {$note->velocity}",
            ['kind' => 'note-on', ...$that, 'least' => $note->velocity, 'most' => $note->velocity],
        ]];

        return [
            ['this note at any velocity, and its end', ['kind' => 'note', ...$that]],
            ['this note when it begins', ['kind' => 'note-on', ...$that]],
            ['this note when it ends', ['kind' => 'note-off', ...$that]],
            ...$exact,
            [Pitch::spelled($note->note, $middleC).' on any channel', ['kind' => 'note', 'note' => $note->note]],
            ['any note on this channel', ['kind' => 'note', 'channel' => $note->channel]],
        ];
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function controller(Controller $controller): array
    {
        $that = ['channel' => $controller->channel, 'controller' => $controller->controller];
        $bits = $controller->bits === 14 ? ['bits' => 14] : [];
        $ways = [
            ['this controller at any value', ['kind' => 'controller', ...$that, ...$bits]],
            ['this controller on any channel', ['kind' => 'controller', 'controller' => $controller->controller, ...$bits]],
        ];
        if ($bits === []) {
            $ways[] = [
                'an endless encoder, two\'s complement',
                ['kind' => 'relative', ...$that, 'encoding' => 'twos-complement'],
            ];
            $ways[] = ['an endless encoder, around 64', ['kind' => 'relative', ...$that, 'encoding' => 'offset-64']];
            $ways[] = ['an endless encoder, with a sign bit', ['kind' => 'relative', ...$that, 'encoding' => 'sign-bit']];
        }

        return $ways;
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function onChannel(string $words, string $kind, int $channel): array
    {
        return [
            ["{$words} on this channel", ['kind' => $kind, 'channel' => $channel]],
            ["{$words} on any channel", ['kind' => $kind]],
        ];
    }

    /** @return array<string, mixed> */
    private static function parameter(NumberedParameter $message): array
    {
        return [
            'kind' => $message->isRegistered ? 'rpn' : 'nrpn',
            'channel' => $message->channel,
            'parameter' => $message->parameter,
        ];
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function showControl(ShowControl $message): array
    {
        $control = $message->control;
        $command = ['kind' => 'msc', 'command' => $message->command()];
        $cue = array_filter(['cue' => $control->cue, 'list' => $control->list, 'path' => $control->path], is_string(...));
        $device = $control->device < 112
            ? ['device' => $control->device]
            : ($control->device < 127 ? ['group' => $control->device - 111] : []);
        $ways = [];
        if ($cue !== []) {
            $ways[] = ['this command for this cue, for any device', $command + $cue];
        }
        $ways[] = ['this command for any cue', $command];
        if ($device !== []) {
            $ways[] = ['exactly this: for this device', $command + $cue + $device];
        }

        return $ways;
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function exclusive(Exclusive $message): array
    {
        $hex = strtoupper(implode(' ', str_split($message->hex(), 2)));
        $ways = [['exactly these bytes', ['kind' => 'sysex', 'begins' => $hex]]];
        if (\strlen($message->hex()) > 10) {
            $ways[] = ['whatever begins with the same four bytes', ['kind' => 'sysex', 'begins' => substr($hex, 0, 11)]];
        }

        return $ways;
    }

    /** @return non-empty-list<array{string, array<string, mixed>}> */
    private static function osc(Osc $message, int $argument): array
    {
        $that = ['kind' => 'osc', 'address' => $message->address()];
        $arguments = $message->arguments();
        $is = $arguments[$argument - 1] ?? null;
        $at = $argument === 1 ? [] : ['argument' => $argument];
        $ways = match (true) {
            $is === null => [['this address', [...$that, 'takes' => 'message']]],
            \is_string($is)
                && is_numeric($is) => [['this address, by the number in its text', [...$that, 'takes' => 'text', ...$at]]],
            \is_string($is) => [
                ['this address with any text', [...$that, 'takes' => 'text', ...$at]],
                ["exactly this: with \"{$is}\"", [...$that, 'is' => $is, ...$at]],
            ],
            default => [
                ['this address at any value', [...$that, ...$at]],
                ["exactly this: with {$is}", [...$that, 'is' => $is, ...$at]],
            ],
        };
        $named = preg_replace('#(?<=/)\d+(?=/|$)#', '{number}', $message->address(), 1, $count);
        if ($count === 1) {
            $ways[] = [
                'this address with any number in it',
                ['kind' => 'osc', 'address' => $named, ...array_diff_key($ways[0][1], ['kind' => 1, 'address' => 1])],
            ];
        }

        return $ways;
    }
}
