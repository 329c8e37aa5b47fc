<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

/**
 * Puts 14-bit controllers, RPN and NRPN together. A high part sets the low
 * part to zero, a low part refines it; both are told at once, so that a sender
 * of high parts alone is heard too.
 *
 * Source: MIDI 1.0, "Control Change" and "RPN and NRPN" (from memory).
 */
final class ControllerAssembler
{
    private const NONE = 0x3FFF;

    /** @var array<int, array<int, int>> value of 14 bits by channel and controller 0–31 */
    private array $pairs = [];

    /** @var array<int, array{string, int}> chosen parameter by channel: kind and number */
    private array $chosen = [];

    /** @var array<string, int> value by channel, kind and number */
    private array $parameters = [];

    public function push(ChannelMessage $message): ?WideController
    {
        if ($message->kind !== ChannelKind::ControlChange) {
            return null;
        }
        $controller = $message->data1;
        if ($controller === 6 || $controller === 38 || $controller === 96 || $controller === 97) {
            $entered = $this->enter($message);
            if ($entered !== null) {
                return $entered;
            }
        }
        if ($controller >= 98 && $controller <= 101) {
            $this->choose($message);

            return null;
        }
        if ($controller >= 64) {
            return null;
        }
        $number = $controller & 31;
        $value = $controller < 32
            ? $message->data2 << 7
            : (($this->pairs[$message->channel][$number] ?? 0) & 0x3F80) | $message->data2;
        $this->pairs[$message->channel][$number] = $value;

        return new WideController(WideController::PAIR, $message->channel, $number, $value);
    }

    private function choose(ChannelMessage $message): void
    {
        $kind = $message->data1 >= 100 ? WideController::REGISTERED : WideController::NON_REGISTERED;
        [$before, $number] = $this->chosen[$message->channel] ?? [$kind, self::NONE];
        if ($before !== $kind) {
            $number = self::NONE;
        }
        $number = ($message->data1 & 1) === 1
            ? ($number & 0x7F) | $message->data2 << 7
            : ($number & 0x3F80) | $message->data2;
        $this->chosen[$message->channel] = [$kind, $number];
    }

    private function enter(ChannelMessage $message): ?WideController
    {
        [$kind, $number] = $this->chosen[$message->channel] ?? ['', self::NONE];
        if ($number === self::NONE) {
            return null;
        }
        $key = "{$message->channel} {$kind} {$number}";
        $value = $this->parameters[$key] ?? 0;
        $step = match ($message->data1) {
            96 => 1,
            97 => -1,
            default => null,
        };
        $value = match (true) {
            $step !== null => max(0, min(16383, $value + $step)),
            $message->data1 === 6 => $message->data2 << 7,
            default => ($value & 0x3F80) | $message->data2,
        };
        $this->parameters[$key] = $value;

        return new WideController($kind, $message->channel, $number, $value, $step);
    }
}
