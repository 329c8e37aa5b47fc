<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Trace;

use NimbleJunction\Core\Signal\Message;

/** No route took a message. Which one nearly did is looked for when somebody reads it, not while messages come. */
final readonly class Untaken implements Fact
{
    public function __construct(private string $portId, private Message $message)
    {
    }

    public function words(Names $names): string
    {
        return $names->nearMiss($this->portId, $this->message)['words']
            ?? "no route listens for {$this->message->address()} on {$names->port($this->portId)}";
    }

    /** @return string|null id of the route that nearly took it */
    public function nearly(Names $names): ?string
    {
        return $names->nearMiss($this->portId, $this->message)['route'] ?? null;
    }
}
