<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Midi;

use NimbleJunction\Core\Wire\Malformed;

/**
 * A MIDI Machine Control command: F0 7F id 06 command F7. LOCATE carries a
 * target: F0 7F id 06 44 06 01 hr mn sc fr ff F7.
 *
 * Source: MIDI Machine Control 1.0, MIDI Association (from memory).
 */
final readonly class MachineControl
{
    public const SUB_ID = 0x06;
    private const TARGET = 0x01;
    private const CLAUSE = 'MIDI Machine Control 1.0';

    /** @param int $device 0 to 127; 127 is everyone */
    public function __construct(public MachineCommand $command, public int $device = 127, public ?StandardTime $target = null)
    {
    }

    /** @throws Malformed */
    public static function decode(SystemExclusive $message): self
    {
        $data = $message->data;
        $command = MachineCommand::tryFrom(\ord($data[3]));
        if ($command === null) {
            throw Malformed::at(4, \sprintf('command 0x%02X is not one that is known here', \ord($data[3])), self::CLAUSE);
        }
        $target = null;
        if ($command === MachineCommand::Locate) {
            if (\strlen($data) !== 11 || \ord($data[4]) !== 6 || \ord($data[5]) !== self::TARGET) {
                throw Malformed::at(5, 'LOCATE needs a target: 06 01 hr mn sc fr ff', self::CLAUSE);
            }
            $target = StandardTime::read(substr($data, 6), 7);
        } elseif (\strlen($data) !== 4) {
            throw Malformed::at(
                5,
                (\strlen($data) - 4).' bytes are left over: one command a message is known here',
                self::CLAUSE,
            );
        }

        return new self($command, \ord($data[1]), $target);
    }

    public function message(): SystemExclusive
    {
        $target = $this->command === MachineCommand::Locate ? "\x06\x01".($this->target ?? new StandardTime())->encode() : '';

        return new SystemExclusive("\x7F".\chr($this->device)."\x06".\chr($this->command->value).$target);
    }
}
