<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpAddress, 0x6000: sets a node's names, its port-addresses and how it works.
 * A switch is set when its topmost bit is; 0x7F leaves it; 0 resets it to what
 * stands on the device. An empty name is left as it is.
 *
 * Source: Art-Net 4 protocol document, "ArtAddress" (from memory).
 */
final readonly class Address
{
    public const NO_CHANGE = 0x7F;
    public const PROGRAMME = 0x80;

    /**
     * @param list<int> $swIn four input switches
     * @param list<int> $swOut four output switches
     */
    public function __construct(
        public AddressCommand|int $command = AddressCommand::None,
        public string $portName = '',
        public string $longName = '',
        public int $bindIndex = 1,
        public int $netSwitch = self::NO_CHANGE,
        public int $subSwitch = self::NO_CHANGE,
        public array $swIn = [self::NO_CHANGE, self::NO_CHANGE, self::NO_CHANGE, self::NO_CHANGE],
        public array $swOut = [self::NO_CHANGE, self::NO_CHANGE, self::NO_CHANGE, self::NO_CHANGE],
        public int $acnPriority = 255,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);

        return new self(
            AddressCommand::tryFrom($values->int('Command')) ?? $values->int('Command'),
            $values->text('PortName'),
            $values->text('LongName'),
            $values->int('BindIndex'),
            $values->int('NetSwitch'),
            $values->int('SubSwitch'),
            $values->numbers('SwIn'),
            $values->numbers('SwOut'),
            $values->int('AcnPriority'),
        );
    }

    public function encode(): string
    {
        $four = static fn(array $switches): string => implode(
            '',
            array_map(static fn(mixed $one): string => \chr(\is_int($one) ? $one : 0), $switches),
        );

        return self::layout()->write([
            'NetSwitch' => $this->netSwitch,
            'BindIndex' => $this->bindIndex,
            'PortName' => $this->portName,
            'LongName' => $this->longName,
            'SwIn' => $four($this->swIn),
            'SwOut' => $four($this->swOut),
            'SubSwitch' => $this->subSwitch,
            'AcnPriority' => $this->acnPriority,
            'Command' => $this->command instanceof AddressCommand ? $this->command->value : $this->command,
        ]);
    }

    public static function layout(): Layout
    {
        $switch = static fn(int $value): string => match (true) {
            $value === self::NO_CHANGE => 'left as it is',
            $value >= self::PROGRAMME => 'set to '.($value & 0x7F),
            $value === 0 => 'back to what stands on the device',
            default => 'not used',
        };

        return Header::layout(
            'ArtAddress',
            OpCode::Address,
            107,
            Field::number('NetSwitch', 1, self::NO_CHANGE)->meaning($switch),
            Field::number('BindIndex', 1, 1),
            Field::text('PortName', 18),
            Field::text('LongName', 64),
            Field::numbers('SwIn', 4),
            Field::numbers('SwOut', 4),
            Field::number('SubSwitch', 1, self::NO_CHANGE)->meaning($switch),
            Field::number('AcnPriority', 1, 255)->meaning(static fn(int $value): string => $value === 255 ? 'left as it is' : ''),
            Field::number('Command', 1)->meaning(
                static fn(int $value): string => AddressCommand::tryFrom($value)?->spelled() ?? '',
            ),
        );
    }
}
