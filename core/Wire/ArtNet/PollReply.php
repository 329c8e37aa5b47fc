<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Layout\Spelling;
use NimbleJunction\Core\Wire\Layout\Values;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * OpPollReply, 0x2100: one node, or one page (bind index) of up to four of
 * its ports. 239 bytes when sent; a reply of 207 bytes or more, as older
 * nodes send, is accepted.
 *
 * Source: Art-Net 4 protocol document, "ArtPollReply" (from memory).
 */
final readonly class PollReply
{
    private const CLAUSE = 'Art-Net 4, ArtPollReply';
    private const SHORTEST = 207;

    /** Where the address of the node stands: IpAddress and BindIp. */
    public const ADDRESS_AT = [10, 207];
    public const STYLES = ['StNode', 'StController', 'StMedia', 'StRoute', 'StBackup', 'StConfig', 'StVisual'];
    public const SUPPORTS_LONG_ADDRESSES = 0x08;

    /**
     * @param string $address dotted IPv4 of the node
     * @param string $portName at most 17 bytes
     * @param string $longName at most 63 bytes
     * @param list<NodePort> $ports up to four
     * @param int $net 0–127, of all ports on this page
     * @param int $subNet 0–15, of all ports on this page
     * @param string $mac 6 bytes
     * @param int $style 0 node, 1 controller, 2 media server …
     * @param string $uid 6 bytes: its default RDM responder
     */
    public function __construct(
        public string $address,
        public string $portName,
        public string $longName,
        public array $ports = [],
        public int $net = 0,
        public int $subNet = 0,
        public int $bindIndex = 1,
        public string $report = '',
        public int $firmware = 0,
        public int $oem = 0x7FF7,
        public int $esta = 0,
        public int $status1 = 0,
        public int $status2 = self::SUPPORTS_LONG_ADDRESSES,
        public int $status3 = 0,
        public string $mac = "\0\0\0\0\0\0",
        public int $style = 0,
        public int $udpPort = Packet::UDP_PORT,
        public string $bindAddress = '0.0.0.0',
        public int $acnPriority = 100,
        public string $uid = "\0\0\0\0\0\0",
        public int $refreshRate = 44,
    ) {
    }

    /** @throws Malformed */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        $count = $values->int('NumPorts');
        if ($count > 4) {
            throw Malformed::outside('NumPorts', $count, 0, 4, 172, self::CLAUSE);
        }

        return new self(
            $values->text('IpAddress'),
            $values->text('PortName'),
            $values->text('LongName'),
            array_map(static fn(int $i): NodePort => self::port($values, $i), $count === 0 ? [] : range(0, $count - 1)),
            $values->int('NetSwitch') & 127,
            $values->int('SubSwitch') & 15,
            $values->int('BindIndex'),
            $values->text('NodeReport'),
            $values->int('VersInfo'),
            $values->int('Oem'),
            $values->int('EstaMan'),
            $values->int('Status1'),
            $values->int('Status2'),
            $values->int('Status3'),
            $values->text('MAC'),
            $values->int('Style'),
            $values->int('Port'),
            $values->text('BindIp'),
            $values->int('AcnPriority'),
            $values->text('DefaultRespUID'),
            $values->int('RefreshRate'),
        );
    }

    public function encode(): string
    {
        $count = OutOfRange::check('Ports in one reply', \count($this->ports), 0, 4);
        $isAddress = filter_var($this->address, \FILTER_VALIDATE_IP, \FILTER_FLAG_IPV4) !== false;

        return self::layout()->write([
            'IpAddress' => $isAddress ? $this->address : '0.0.0.0', 'Port' => $this->udpPort, 'VersInfo' => $this->firmware,
            'NetSwitch' => $this->net,
            'SubSwitch' => $this->subNet,
            'Oem' => $this->oem,
            'Status1' => $this->status1,
            'EstaMan' => $this->esta,
            'PortName' => mb_strcut($this->portName, 0, 17),
            'LongName' => mb_strcut($this->longName, 0, 63),
            'NodeReport' => mb_strcut($this->report, 0, 63),
            'NumPorts' => $count,
            'PortTypes' => $this->four(static fn(NodePort $port): int => $port->type),
            'GoodInput' => $this->four(static fn(NodePort $port): int => $port->goodInput),
            'GoodOutputA' => $this->four(static fn(NodePort $port): int => $port->goodOutput),
            'SwIn' => $this->four(static fn(NodePort $port): int => $port->in),
            'SwOut' => $this->four(static fn(NodePort $port): int => $port->out),
            'AcnPriority' => $this->acnPriority, 'Style' => $this->style, 'MAC' => $this->mac,
            'BindIp' => $this->bindAddress === '0.0.0.0' && $isAddress ? $this->address : $this->bindAddress,
            'BindIndex' => $this->bindIndex,
            'Status2' => $this->status2,
            'GoodOutputB' => $this->four(static fn(NodePort $port): int => $port->goodOutputB),
            'Status3' => $this->status3,
            'DefaultRespUID' => $this->uid, 'RefreshRate' => $this->refreshRate,
        ]);
    }

    /** The port-address that a port of this page feeds or takes. */
    public function portAddress(NodePort $port): PortAddress
    {
        return $this->at($port->isOutput() ? $port->out : $port->in);
    }

    /** @param int $universe 0 to 15 */
    private function at(int $universe): PortAddress
    {
        return PortAddress::from($this->net, $this->subNet, $universe);
    }

    /** What the status bits say, in words: those that an integrator asks about. */
    public function features(): string
    {
        $words = [
            [$this->status2 & 0x01, 'web page'],
            [$this->status2 & 0x02, 'address from DHCP'],
            [$this->status2 & 0x08, '15-bit port-addresses'],
            [
                $this->status2 & 0x10,
                'switches between Art-Net and sACN',
            ], [$this->status2 & 0x80, 'RDM control'], [$this->status1 & 0x02, 'RDM'],
        ];

        return implode(', ', array_column(array_filter($words, static fn(array $one): bool => $one[0] !== 0), 1));
    }

    /** Its name and the port-addresses of its ports, as Net:Sub-Net:Universe. */
    public function spelled(): string
    {
        $takes = array_filter($this->ports, static fn(NodePort $port): bool => $port->isOutput());
        $gives = array_filter($this->ports, static fn(NodePort $port): bool => $port->isInput());
        $words = ["\"{$this->portName}\" at {$this->address}"];
        if ($takes !== []) {
            $words[] = 'takes port-address '.implode(
                ', ',
                array_map(fn(NodePort $port): string => $this->at($port->out)->told(), $takes),
            );
        }
        if ($gives !== []) {
            $words[] = 'feeds port-address '.implode(
                ', ',
                array_map(fn(NodePort $port): string => $this->at($port->in)->told(), $gives),
            );
        }

        return implode(', ', $words);
    }

    public static function layout(): Layout
    {
        return Header::layout(
            'ArtPollReply',
            OpCode::PollReply,
            self::SHORTEST,
            Field::address('IpAddress'),
            Field::numberLowFirst('Port', 2, Packet::UDP_PORT),
            Field::number('VersInfo', 2),
            Field::number('NetSwitch', 1),
            Field::number('SubSwitch', 1),
            Field::number('Oem', 2),
            Field::number('UbeaVersion', 1),
            Field::number('Status1', 1),
            Field::numberLowFirst('EstaMan', 2),
            Field::text('PortName', 18),
            Field::text('LongName', 64),
            Field::text('NodeReport', 64),
            Field::number('NumPorts', 2, 0, 4),
            Field::numbers('PortTypes', 4),
            Field::numbers('GoodInput', 4),
            Field::numbers('GoodOutputA', 4),
            Field::numbers('SwIn', 4),
            Field::numbers('SwOut', 4),
            Field::number('AcnPriority', 1),
            Field::number('SwMacro', 1),
            Field::number('SwRemote', 1),
            Field::bytes('Spare', 3),
            Field::number('Style', 1)->meaning(static fn(int $style): string => self::STYLES[$style] ?? ''),
            Field::bytes('MAC', 6)->saying(Spelling::mac(...)),
            Field::address('BindIp'),
            Field::number('BindIndex', 1),
            Field::number('Status2', 1),
            Field::numbers('GoodOutputB', 4),
            Field::number('Status3', 1),
            Field::bytes('DefaultRespUID', 6)->saying(Spelling::rdmUid(...)),
            Field::number('User', 2),
            Field::number('RefreshRate', 2),
            Field::number('BackgroundQueuePolicy', 1),
            Field::bytes('Filler', 10),
        );
    }

    /** @param \Closure(NodePort): int $of */
    private function four(\Closure $of): string
    {
        $bytes = '';
        foreach ($this->ports as $port) {
            $bytes .= \chr($of($port));
        }

        return str_pad($bytes, 4, "\0");
    }

    private static function port(Values $values, int $i): NodePort
    {
        $at = static fn(string $name): int => $values->numbers($name)[$i] ?? 0;

        return new NodePort(
            $at('PortTypes'),
            $at('SwIn') & 15,
            $at('SwOut') & 15,
            $at('GoodInput'),
            $at('GoodOutputA'),
            $at('GoodOutputB'),
        );
    }
}
