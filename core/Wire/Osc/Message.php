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

    /**
     * @param int $base where it begins in its packet, for refusals
     *
     * @throws Malformed
     */
    public static function decode(string $bytes, int $base = 0): self
    {
        $offset = 0;
        $address = Padded::read($bytes, $offset, 'The address', $base);
        if (! str_starts_with($address, '/')) {
            throw Malformed::at($base, 'the address does not begin with "/"', 'OSC 1.0, OSC Address Patterns');
        }
        if ($offset >= \strlen($bytes)) {
            // Older senders leave the type tag string out; receivers should be robust to that.
            return new self($address);
        }
        $tagsAt = $offset;
        $tags = Padded::read($bytes, $offset, 'The type tag string', $base);
        if (! str_starts_with($tags, ',')) {
            throw Malformed::at(
                $base + $tagsAt,
                'the type tag string does not begin with a comma',
                'OSC 1.0, OSC Type Tag String',
            );
        }
        $arguments = Argument::decodeAll($tags, $bytes, $offset, $tagsAt, $base);
        if ($offset !== \strlen($bytes)) {
            throw Malformed::at($base + $offset, (\strlen($bytes) - $offset).' bytes are left over', 'OSC 1.0, OSC Messages');
        }

        return new self($address, $arguments);
    }

    /** With the comma in front. */
    public function tags(): string
    {
        $tags = ',';
        foreach ($this->arguments as $argument) {
            $tags .= $argument->tags();
        }

        return $tags;
    }

    public function encode(): string
    {
        $data = '';
        foreach ($this->arguments as $argument) {
            $data .= $argument->encode();
        }

        return Padded::write($this->address).Padded::write($this->tags()).$data;
    }

    /** The message as people write it: /palm/lamp5 0.5 */
    public function spelled(): string
    {
        return trim($this->address.' '.implode(' ', array_map(self::spell(...), $this->arguments)));
    }

    private static function spell(Argument $argument): string
    {
        $value = $argument->value;

        return match (true) {
            \is_array($value) => '['.implode(' ', array_map(self::spell(...), $value)).']',
            \is_float($value) => (string) round($value, 4),
            \in_array($argument->tag, ['b', 'r', 'm'], true) && \is_string($value) => '0x'.bin2hex($value),
            \is_string($value) => "\"{$value}\"",
            \is_bool($value) => $value ? 'true' : 'false',
            $value instanceof TimeTag => $value->spelled(),
            $value === null => $argument->tag === 'I' ? 'infinitum' : 'nil',
            default => (string) $value,
        };
    }
}
