<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\LiveLink\WebSocket;

/** A client broke RFC 6455; the code is the close code that it gets. */
final class ProtocolError extends \RuntimeException
{
}
