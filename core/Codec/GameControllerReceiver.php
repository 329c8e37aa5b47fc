<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Codec;

use NimbleJunction\Core\Message\Control;
use NimbleJunction\Core\Wire\Malformed;

/**
 * A game controller, as a page hands on what it reads from the browser: JSON
 * with the axes and buttons that changed, each by its number from 0.
 *
 *   {"axes": {"0": -0.25}, "buttons": {"3": 1}}
 *
 * An axis rests at its centre; what lies within the dead zone around it is 0,
 * and the rest of the way still reaches -1 and 1.
 */
final readonly class GameControllerReceiver implements Receiver
{
    private const CLAUSE = 'our own format; the numbers are those of the W3C Gamepad API';
    private const MOST = 64;

    /** @param list<float> $centres where each axis rests, -1 to 1 */
    public function __construct(private float $deadZone = 0.0, private array $centres = [])
    {
    }

    public function receive(string $bytes, string $from): array
    {
        $fields = json_decode($bytes, true, 4);
        if (! \is_array($fields)) {
            throw Malformed::at(0, 'it is not JSON', self::CLAUSE);
        }
        $messages = [];
        foreach (['axes' => ['axis', -1.0], 'buttons' => ['button', 0.0]] as $list => [$kind, $lowest]) {
            $changed = $fields[$list] ?? [];
            if (! \is_array($changed) || \count($changed) > self::MOST) {
                throw Malformed::at(0, "\"{$list}\" is no object of at most ".self::MOST.' numbers', self::CLAUSE);
            }
            foreach ($changed as $number => $value) {
                if (
                    ! \is_int($number)
                    || $number < 0
                    || $number >= self::MOST
                    || ! (\is_int($value) || \is_float($value))
                    || $value < $lowest
                    || $value > 1
                ) {
                    throw Malformed::at(0, "{$list} {$number} is outside {$lowest} to 1", self::CLAUSE);
                }
                $value = $list === 'axes' ? $this->rested($number, (float) $value) : (float) $value;
                $messages[] = new Control($kind, $number + 1, $value);
            }
        }

        return $messages;
    }

    private function rested(int $axis, float $value): float
    {
        $centre = $this->centres[$axis] ?? 0.0;
        $way = $value - $centre;
        $room = $way > 0 ? 1 - $centre : 1 + $centre;
        if (abs($way) <= $this->deadZone || $room <= $this->deadZone) {
            return 0.0;
        }
        $reached = min(1.0, (abs($way) - $this->deadZone) / ($room - $this->deadZone));

        return $way > 0 ? $reached : -$reached;
    }
}
