<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Layout;

/** How the bytes of a field are to be taken. */
enum Kind
{
    /** Unsigned, high byte first. */
    case Number;

    /** Unsigned, low byte first. */
    case NumberLowFirst;

    /** Text that a zero byte ends before the field does. */
    case Text;

    /** Dotted IPv4. */
    case Address;

    /** As they are; hexadecimal outside. */
    case Bytes;

    /** Several numbers, one after the other. */
    case Numbers;

    /** Always the same; hexadecimal outside. */
    case Fixed;
}
