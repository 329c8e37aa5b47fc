<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Message\MessageAddress;

/** OSC goes out. */
final readonly class OscSend extends SendSide implements Checked
{
    /**
     * @param list<string> $to
     * @param int|null $port null where it is not named: over TCP whoever calls us is sent to over its own connection
     * @param bool $replies also to whoever spoke to us last
     * @param string $heartbeat message that is sent all the time; '' for none
     */
    public function __construct(
        bool $enabled,
        string $address,
        array $to,
        ?int $port,
        public string $heartbeat,
        public float $heartbeatSeconds,
        private bool $replies,
    ) {
        parent::__construct($enabled, $address, $to, $port ?? 0);
    }

    public static function fields(): array
    {
        return [
            self::toField()->only('link/kind', 'udp'),
            self::toField('Connect to; empty: whoever connects to us')->only('link/kind', 'tcp'),
            Field::whole('port', 'Its receive port (UDP)', 1, 65535)->offering(9000)->only('link/kind', 'udp'),
            Field::whole('port', 'Its receive port (TCP)', 1, 65535, null, false)->offering(9000)->only('link/kind', 'tcp'),
            self::enabledField(),
            self::addressField(),
            Field::flag('replies', 'Reply to last sender', false),
            Field::pattern(
                'heartbeat',
                'Heartbeat address',
                MessageAddress::PATTERN,
                MessageAddress::RULE,
                false,
            )->meaning('A message that is sent all the time.'),
            Field::number('heartbeatSeconds', 'Seconds between, 0.1 to 60', 0.1, 60.0, 1.0),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->to !== [] && ! $fields->has('port')) {
            $fields->fault('port', 'it is missing', 'Use a whole number from 1 to 65535.');
        }
    }

    public function repliesToo(): bool
    {
        return $this->replies;
    }

    public function wayOut(): string
    {
        return 'Give at least one IPv4 address, or set replies.';
    }
}
