<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Osc;

use NimbleJunction\Core\Wire\Malformed;

/** One OSC message: address pattern, type tag string, arguments (OSC 1.0, "OSC Messages"). */
final readonly class Message
{
    /**
     * @param string $address begins with "/"
     * @param list<Argument> $arguments
     */
    public function __construct(public string $address, public array $arguments = [])
    {
    }

    /** @throws Malformed */
    public static function decode(string $bytes, int $base = 0): self
    {
        $offset = 0;
        $address = Padded::read($bytes, $offset, 'The address');
        if (! str_starts_with($address, '/')) {
            throw Malformed::at($base, 'the address does not begin with "/"', 'OSC 1.0, OSC Address Patterns');
        }
        if ($offset >= \strlen($bytes)) {
            // Older senders leave the type tag string out; receivers should be robust to that.
            return new self($address);
        }
        $tags = Padded::read($bytes, $offset, 'The type tag string');
        if (! str_starts_with($tags, ',')) {
            throw Malformed::at($base + $offset, 'the type tag string does not begin with a comma', 'OSC 1.0, OSC Type Tag String');
        }
        $arguments = [];
        for ($i = 1; $i < \strlen($tags); ++$i) {
            $arguments[] = Argument::decode($tags[$i], $bytes, $offset);
        }
        if ($offset !== \strlen($bytes)) {
            throw Malformed::at($base + $offset, (\strlen($bytes) - $offset).' bytes are left over', 'OSC 1.0, OSC Messages');
        }

        return new self($address, $arguments);
    }

    public function encode(): string
    {
        $tags = ',';
        $data = '';
        foreach ($this->arguments as $argument) {
            $tags .= $argument->tag;
            $data .= $argument->encode();
        }

        return Padded::write($this->address).Padded::write($tags).$data;
    }

    /** The message as people write it: /palm/lamp5 0.5 */
    public function spelled(): string
    {
        return trim($this->address.' '.implode(' ', array_map(
            static fn(Argument $argument): string => \is_string($argument->value) ? "\"{$argument->value}\"" : (string) round($argument->value, 4),
            $this->arguments,
        )));
    }
}
