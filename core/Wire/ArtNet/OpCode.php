<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

/** Operation codes of Art-Net 4, table 1 of the protocol document (from memory). Sent low byte first. */
enum OpCode: int
{
    case Poll = 0x2000;
    case PollReply = 0x2100;
    case DiagData = 0x2300;
    case Command = 0x2400;
    case Dmx = 0x5000;
    case Nzs = 0x5100;
    case Sync = 0x5200;
    case Address = 0x6000;
    case Input = 0x7000;
    case TodRequest = 0x8000;
    case TodData = 0x8100;
    case TodControl = 0x8200;
    case Rdm = 0x8300;
    case RdmSub = 0x8400;
    case TimeCode = 0x9700;
    case TimeSync = 0x9800;
    case Trigger = 0x9900;
    case IpProg = 0xF800;
    case IpProgReply = 0xF900;

    /** As the protocol document writes it. */
    public function spelled(): string
    {
        return "Op{$this->name}";
    }
}
