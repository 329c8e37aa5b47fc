<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Junction;

/**
 * What is wrong with the ports, from two sides: where they meet the world, and
 * what they send. Each fault stays until that very thing is right again.
 */
final class PortFaults
{
    /** @var array<string, string> by endpoint */
    private array $places = [];

    /** @var array<string, array<string, string>> by port, then by where it sends to */
    private array $sending = [];

    public function __construct(private readonly Junction $junction)
    {
    }

    /**
     * How the places where ports meet the world are now, all of them.
     *
     * @param array<string, string> $faults by endpoint; what is not named is right
     */
    public function look(array $faults): void
    {
        $this->places = $faults;
        $ports = $this->junction->plan()->ports;
        $this->sending = array_intersect_key($this->sending, $ports);
        array_map($this->show(...), array_keys($ports));
    }

    /** @param string $fault what is wrong there now; '' for nothing any more */
    public function place(string $endpoint, string $fault): void
    {
        if ($fault === '') {
            unset($this->places[$endpoint]);
        } else {
            $this->places[$endpoint] = $fault;
        }
        foreach ($this->junction->plan()->ports as $portId => $port) {
            if ($port['via'] === $endpoint) {
                $this->show((string) $portId);
            }
        }
    }

    /** @param string $problem what went wrong with what was sent to this other end; '' when it went out */
    public function sent(string $portId, string $to, string $problem): void
    {
        if ($problem === '' && ! isset($this->sending[$portId][$to])) {
            return;
        }
        if ($problem === '') {
            unset($this->sending[$portId][$to]);
        } else {
            $this->sending[$portId][$to] = "Sending to {$to} fails: {$problem}.";
        }
        $this->show($portId);
    }

    private function show(string $portId): void
    {
        $via = $this->junction->plan()->ports[$portId]['via'] ?? '';
        $sending = $this->sending[$portId] ?? [];
        $this->junction->activity($portId)->fault = $this->places[$via] ?? (reset($sending) ?: '');
    }
}
