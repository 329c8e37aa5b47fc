<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\ArtNet;

/** What OpAddress asks a node to do: table 7 of the Art-Net 4 protocol document (from memory). The digit is the node's port. */
enum AddressCommand: int
{
    case None = 0x00;
    case CancelMerge = 0x01;
    case LedNormal = 0x02;
    case LedMute = 0x03;
    case LedLocate = 0x04;
    case ResetRxFlags = 0x05;
    case AnalysisOn = 0x06;
    case AnalysisOff = 0x07;
    case FailHold = 0x08;
    case FailZero = 0x09;
    case FailFull = 0x0A;
    case FailScene = 0x0B;
    case FailRecord = 0x0C;
    case MergeLtp0 = 0x10;
    case MergeLtp1 = 0x11;
    case MergeLtp2 = 0x12;
    case MergeLtp3 = 0x13;
    case DirectionTx0 = 0x20;
    case DirectionTx1 = 0x21;
    case DirectionTx2 = 0x22;
    case DirectionTx3 = 0x23;
    case DirectionRx0 = 0x30;
    case DirectionRx1 = 0x31;
    case DirectionRx2 = 0x32;
    case DirectionRx3 = 0x33;
    case MergeHtp0 = 0x50;
    case MergeHtp1 = 0x51;
    case MergeHtp2 = 0x52;
    case MergeHtp3 = 0x53;
    case ArtNetSel0 = 0x60;
    case ArtNetSel1 = 0x61;
    case ArtNetSel2 = 0x62;
    case ArtNetSel3 = 0x63;
    case AcnSel0 = 0x70;
    case AcnSel1 = 0x71;
    case AcnSel2 = 0x72;
    case AcnSel3 = 0x73;
    case ClearOp0 = 0x90;
    case ClearOp1 = 0x91;
    case ClearOp2 = 0x92;
    case ClearOp3 = 0x93;

    /** As the protocol document writes it. */
    public function spelled(): string
    {
        return "Ac{$this->name}";
    }
}
