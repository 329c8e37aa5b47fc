<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Show;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Word;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Protocol;

/** Over what a port goes. */
final readonly class LinkEntry implements Part
{
    private const PATH = '#^/[^\x00-\x1F]{1,200}$#uD';
    private const LENT = '#^[^\x00-\x1F]{1,120}$#uD';
    private const CABLE = '#^[a-z0-9][a-z0-9-]{0,39}$#D';

    private const TITLES = [
        'udp' => 'UDP',
        'tcp' => 'TCP',
        'browser' => 'A device that a page lends',
        'session' => 'A network session (RTP-MIDI)',
        'device' => 'A device file or FIFO of this machine',
        'cable' => 'A virtual cable of this machine',
        'serial' => 'A serial device with an RS-485 driver',
    ];

    public LinkKind $kind;

    /**
     * @param string $device path of a device, name of a cable, or name that a browser gives its device; '' where the kind has none
     * @param string $framing of OSC over TCP: "length" (OSC 1.0) or "slip" (OSC 1.1)
     */
    public function __construct(string $kind, public string $device = '', public string $framing = 'length')
    {
        $this->kind = LinkKind::from($kind);
    }

    public static function usual(Protocol $protocol): self
    {
        return new self(LinkKind::of($protocol)[0]->value);
    }

    public static function label(): string
    {
        return 'Port link';
    }

    public static function fields(): array
    {
        $kinds = [];
        foreach (Protocol::cases() as $protocol) {
            $kinds[$protocol->value] = array_column(LinkKind::of($protocol), 'value');
        }

        return [
            Word::decidedBy('kind', 'Over', 'protocol', $kinds)->called(self::TITLES),
            Field::pattern(
                'device',
                'Name that the browser shows',
                self::LENT,
                'Give the name that the browser shows for the device, at most 120 characters.',
            )->only('kind', 'browser'),
            Field::pattern(
                'device',
                'Path, like /dev/snd/midiC1D0',
                self::PATH,
                'Give the path of a MIDI device or FIFO, like /dev/snd/midiC1D0.',
            )->only('kind', 'device'),
            Field::pattern(
                'device',
                'Name of the cable: small letters, digits, hyphens',
                self::CABLE,
                'Use 1 to 40 small letters, digits and hyphens.',
            )->only('kind', 'cable'),
            Field::pattern(
                'device',
                'Serial device, like /dev/ttyUSB0',
                self::PATH,
                'Give the path of a serial device, like /dev/ttyUSB0.',
            )->only('kind', 'serial'),
            Field::word('framing', 'Framing', ['length', 'slip'], 'length')
                ->called(['length' => 'Four bytes of length (OSC 1.0)', 'slip' => 'SLIP (OSC 1.1)'])
                ->only('kind', 'tcp'),
        ];
    }
}
