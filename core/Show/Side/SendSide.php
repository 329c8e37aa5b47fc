<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Show\CarriedUniverse;

/** What a port sends with; each protocol has a class of its own, with the fields that only it has. */
abstract readonly class SendSide implements Part
{
    public const MOST_A_SECOND = 44;

    /**
     * @param string $address our own address to send from, or the name of an adapter; 0.0.0.0 leaves the choice to the system
     * @param list<string> $to IPv4 addresses
     * @param int $port of theirs; 0 where the link has none
     * @param list<CarriedUniverse> $carries none for a protocol of messages
     * @param int $perSecond most frames a second of each universe
     * @param int|null $lines how many universes the interface has room for; null for all
     * @param bool $fullRate what does not change is repeated as often as what does
     */
    public function __construct(
        public bool $enabled,
        public string $address = '0.0.0.0',
        public array $to = [],
        public int $port = 0,
        public array $carries = [],
        public int $perSecond = self::MOST_A_SECOND,
        public ?int $lines = null,
        public bool $fullRate = false,
    ) {
    }

    public static function label(): string
    {
        return 'Send side';
    }

    /** The multicast group that a universe is sent to; null where it goes to addresses. */
    public function group(int $number): ?string
    {
        return null;
    }

    /** Whether it also sends to whoever spoke to us last. */
    public function repliesToo(): bool
    {
        return false;
    }

    /** Whether there is anybody to send to over UDP. */
    public function hasTarget(): bool
    {
        return $this->to !== [] || $this->repliesToo();
    }

    /** What could be done where there is nobody to send to. */
    public function wayOut(): string
    {
        return 'Give at least one IPv4 address.';
    }

    /**
     * The universes that have a line, in the order of their ranks, and those that have none.
     *
     * @return array{list<CarriedUniverse>, list<CarriedUniverse>}
     */
    public function ranked(): array
    {
        $ranks = array_map(
            static fn(CarriedUniverse $link, int $i): int => $link->rank ?? $i + 1,
            $this->carries,
            array_keys($this->carries),
        );
        $links = $this->carries;
        array_multisort($ranks, array_keys($links), $links);

        return [
            \array_slice($links, 0, $this->lines ?? \count($links)),
            $this->lines === null ? [] : \array_slice($links, $this->lines),
        ];
    }

    protected static function enabledField(): Field
    {
        return Field::flag('enabled', 'Sending on', true);
    }

    protected static function addressField(): Field
    {
        return Field::ourAddress('address', 'From our address')->meaning(
            'Our own address to send from, or the name of a network adapter; 0.0.0.0 leaves the choice to the system.',
        );
    }

    protected static function toField(string $label = 'To, one or more addresses'): Field
    {
        return Field::addresses('to', $label, 64);
    }

    protected static function perSecondField(): Field
    {
        return Field::whole(
            'perSecond',
            'Maximum rate (frames/s), 1 to 44',
            1,
            self::MOST_A_SECOND,
            self::MOST_A_SECOND,
        )->meaning('Most frames a second of each universe.');
    }

    protected static function fullRateField(): Field
    {
        return Field::flag('fullRate', 'Repeat at the full rate, unchanged levels too', false)->meaning(
            'Some receivers drop out when unchanged levels come only now and then, as the standard allows.',
        );
    }

    protected static function linesField(): Field
    {
        return Field::whole('lines', 'Universes this device can take', 1, 1024, null, false)
            ->meaning('How many universes the interface has room for; those of the highest rank numbers are not sent.');
    }

    protected static function carriesField(): Field
    {
        return Field::objects('carries', 'Universes it carries', CarriedUniverse::class, 1024);
    }
}
