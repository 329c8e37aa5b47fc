<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show\Side;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Show\CarriedUniverse;
use NimbleJunction\Core\Show\PrioritySpan;
use NimbleJunction\Core\Show\Span;
use NimbleJunction\Core\Wire\Sacn\Packet;
use NimbleJunction\Core\Wire\Sacn\Universe;

/** sACN goes out. */
final readonly class SacnSend extends SendSide
{
    private const USUAL_NAME = 'Nimble Junction';

    /**
     * @param list<string> $to
     * @param list<CarriedUniverse> $carries
     * @param bool $multicast to the multicast group of each universe instead of to addresses
     * @param int $syncUniverse universe of the synchronization packets; 0 for none
     * @param list<PrioritySpan> $slotPriorities priorities of single slots (start code 0xDD); empty for none
     * @param bool $announce the universes are told every ten seconds (universe discovery)
     */
    public function __construct(
        bool $enabled,
        string $address,
        array $to,
        int $port,
        array $carries,
        int $perSecond,
        ?int $lines,
        bool $fullRate,
        public bool $multicast,
        public int $priority,
        public string $sourceName,
        public int $syncUniverse,
        private array $slotPriorities,
        public bool $announce,
    ) {
        parent::__construct($enabled, $address, $to, $port, $carries, $perSecond, $lines, $fullRate);
    }

    public static function fields(): array
    {
        return [
            self::toField(),
            Field::whole('port', 'Its receive port (UDP)', 1, 65535, Packet::UDP_PORT),
            self::enabledField(),
            self::addressField(),
            self::perSecondField(),
            self::linesField(),
            self::fullRateField(),
            Field::flag('multicast', 'Multicast', false)->meaning('Send to the multicast group of each universe.'),
            Field::flag(
                'announce',
                'Tell our universes (discovery)',
                false,
            )->like('multicast')->meaning('Universe discovery every ten seconds; usual with multicast.'),
            Field::whole('priority', 'Our priority, 0 to 200', 0, 200, 100)->meaning('Highest wins.'),
            Field::whole(
                'syncUniverse',
                'Sync universe, 0: none',
                0,
                Universe::HIGHEST,
                0,
            )->meaning('Universe of our synchronization packets; 0 for none.'),
            Field::text('sourceName', 'Our source name', self::USUAL_NAME, 63),
            Field::objects('slotPriorities', 'Priorities of single slots', PrioritySpan::class, 512),
            self::carriesField(),
        ];
    }

    public function group(int $number): ?string
    {
        return $this->multicast ? Universe::multicastGroup($number) : null;
    }

    public function hasTarget(): bool
    {
        return $this->multicast || parent::hasTarget();
    }

    public function wayOut(): string
    {
        return 'Give at least one IPv4 address, or set multicast.';
    }

    /** @return string 512 bytes, priorities by slot; '' where no slot has one of its own */
    public function prioritiesBySlot(): string
    {
        return $this->slotPriorities === [] ? '' : Span::paint($this->slotPriorities, \chr($this->priority));
    }
}
