<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Rerouting;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Message\MidiAddress;

/** MIDI messages on another channel. */
final readonly class OtherChannel implements Rerouting
{
    public function __construct(private int $to, private Side $side)
    {
    }

    public static function kind(): string
    {
        return 'channel';
    }

    public static function label(): string
    {
        return 'Another channel';
    }

    public static function fields(): array
    {
        return [
            Field::whole('to', 'Channel, 1 to 16', 1, 16),
            Field::choice('side', 'Of what', Side::class, Side::Heard),
        ];
    }

    public function summary(int $count): string
    {
        return "put {$count} routes on channel {$this->to}";
    }

    public function part(array $part, bool $isCause): array
    {
        if (! $this->side->has($isCause)) {
            return $part;
        }
        if (isset($part['channel'])) {
            $part['channel'] = $this->to;
        }
        $address = \is_string($part['address'] ?? null) ? MidiAddress::parse($part['address']) : null;
        if ($address !== null && $address->channel > 0) {
            $number = \in_array($address->kind, MidiAddress::NUMBERED, true) ? "/{$address->number}" : '';
            $part['address'] = "/{$address->kind}/{$this->to}{$number}";
        }

        return $part;
    }
}
