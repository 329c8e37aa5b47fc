<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rehearsal;

use NimbleJunction\Core\Document\Fields;

/** Bytes arrive at a port: {"port": "house-desk", "from": "127.0.0.11:6454", "hex": "…"}. */
final readonly class Arrival implements Move
{
    private const ADDRESS = '/^(\d{1,3}(?:\.\d{1,3}){3})(?::(\d{1,5}))?$/D';
    private const LONGEST_HEX = 131_072;

    public function __construct(private string $portId, private string $from, private int $fromPort, private string $bytes)
    {
    }

    public static function field(): string
    {
        return 'hex';
    }

    public static function read(Fields $fields, Stage $stage): self
    {
        $portId = $fields->id('port');
        if ($portId !== '' && ! isset($stage->show->ports[$portId])) {
            $fields->fault(
                'port',
                "there is no port \"{$portId}\" in the show",
                'Known are: '.implode(', ', array_keys($stage->show->ports)).'.',
            );
        }
        $hex = $fields->matching('hex', '/^(?:[0-9a-fA-F]{2})*+$/D', 'Give pairs of hexadecimal digits, without blanks.');
        if (\strlen($hex) > self::LONGEST_HEX) {
            $fields->fault('hex', \strlen($hex).' digits are there', 'Give at most '.self::LONGEST_HEX.'.');
        }
        $from = $fields->has('from') ? $fields->matching(
            'from',
            '/^[^\x00-\x1F]{1,100}$/uD',
            'Give an IPv4 address and a port, like 127.0.0.11:6454, or the name of a program.',
        ) : 'script';
        $isAddress = preg_match(self::ADDRESS, $from, $found) === 1;

        return new self($portId, $isAddress ? $found[1] : $from, $isAddress ? (int) ($found[2] ?? 0) : 0, (string) hex2bin($hex));
    }

    public function play(Stage $stage, int $now): array
    {
        $key = $stage->endpointOf($this->portId);

        // A port that is switched off hears nothing, as in the real world.
        return $key === null ? [] : $stage->junction->arrived($key, $this->from, $this->fromPort, $this->bytes, $now);
    }
}
