<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Message;

use NimbleJunction\Core\Signal\Message;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Wire\Osc\Argument;
use NimbleJunction\Core\Wire\Osc\Message as Packet;

/** An OSC message: an address and arguments of any type. */
final readonly class Osc extends Message
{
    public function __construct(public Packet $packet)
    {
        parent::__construct(Protocol::Osc);
    }

    /** @param list<int|float|string> $arguments */
    public static function of(string $address, array $arguments = []): self
    {
        return new self(new Packet($address, array_map(Argument::of(...), $arguments)));
    }

    /**
     * @param string $tags of OSC, one an argument
     * @param list<int|float|string> $arguments where there is none, or none of that type, it is 1, "text" or nothing
     */
    public static function typed(string $address, string $tags, array $arguments): self
    {
        $typed = [];
        foreach (str_split($tags) as $i => $tag) {
            $is = $arguments[$i] ?? null;
            $typed[] = Argument::tagged($tag, match ($tag) {
                'i', 'h' => (int) (is_numeric($is) ? $is : 1),
                'f', 'd' => (float) (is_numeric($is) ? $is : 1),
                's', 'S' => (string) ($is ?? 'text'),
                'c' => 'c',
                'b' => '',
                'T', 'F' => $tag === 'T',
                default => null,
            });
        }

        return new self(new Packet($address, $typed));
    }

    public function address(): string
    {
        return $this->packet->address;
    }

    /** Numbers and texts stay what they are, true and false are 1 and 0, and the rest is spelled. */
    public function arguments(): array
    {
        return array_map(self::value(...), $this->packet->arguments);
    }

    public function number(int $place): int|float|null
    {
        $argument = $this->packet->arguments[$place - 1] ?? null;
        $value = $argument === null ? null : self::value($argument);

        return \is_int($value) || \is_float($value) ? $value : null;
    }

    public function fields(): array
    {
        $fields = ['address' => $this->packet->address];
        foreach ($this->arguments() as $place => $argument) {
            $fields['argument-'.($place + 1)] = $argument;
        }

        return $fields;
    }

    public function spelled(int $middleC = 4): string
    {
        $parts = [$this->packet->address];
        foreach ($this->arguments() as $argument) {
            $parts[] = \is_string($argument)
                ? "\"{$argument}\""
                : (string) (\is_float($argument) ? round($argument, 4) : $argument);
        }

        return implode(' ', $parts);
    }

    private static function value(Argument $argument): int|float|string
    {
        $value = $argument->value;

        return match (true) {
            \is_bool($value) => (int) $value,
            \in_array($argument->tag, ['i', 'f', 'h', 'd', 's', 'S', 'c'], true) && \is_scalar($value) => $value,
            default => trim((new Packet('', [$argument]))->spelled()),
        };
    }
}
