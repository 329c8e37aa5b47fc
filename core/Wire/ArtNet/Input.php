<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;

/**
 * OpInput, 0x7000: switches a node's inputs on and off.
 *
 * Source: Art-Net 4 protocol document, "ArtInput" (from memory).
 */
final readonly class Input
{
    private const DISABLED = 1;

    /** @param list<bool> $enabled each of the node's inputs, up to four */
    public function __construct(public array $enabled, public int $bindIndex = 1)
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        $count = $values->int('NumPorts');
        if ($count > 4) {
            throw Malformed::outside('NumPorts', $count, 0, 4, 14, 'Art-Net 4, ArtInput');
        }
        $inputs = \array_slice($values->numbers('Input'), 0, $count);

        return new self(
            array_map(static fn(int $input): bool => ($input & self::DISABLED) === 0, $inputs),
            $values->int('BindIndex'),
        );
    }

    public function encode(): string
    {
        $inputs = implode('', array_map(static fn(bool $on): string => \chr($on ? 0 : self::DISABLED), $this->enabled));

        return self::layout()->write(
            ['BindIndex' => $this->bindIndex, 'NumPorts' => \count($this->enabled), 'Input' => str_pad($inputs, 4, "\0")],
        );
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtInput',
            OpCode::Input,
            20,
            Field::number('Filler1', 1),
            Field::number('BindIndex', 1, 1),
            Field::number('NumPorts', 2, 4, 4),
            Field::numbers('Input', 4),
        );
    }
}
