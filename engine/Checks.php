<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Core\Show\PortEntry;
use NimbleJunction\Engine\Said\Findings;

/** The checks of two boxes that pages have open: the newest one of each port. */
final class Checks
{
    /** @var array<string, Diagnosis> by port */
    private array $diagnoses = [];
    private readonly Overheard $overheard;

    public function __construct(private readonly Engine $engine, private readonly PortReport $ports)
    {
        $this->overheard = new Overheard($engine);
        // A check listens at the neighbouring port numbers; the fix that it offers needs one of them.
        $engine->beforeOpening($this->close(...));
    }

    /** @param string $other address of the other end; '' where it is not known */
    public function of(PortEntry $port, string $other): Findings
    {
        $known = $this->diagnoses[$port->id] ?? null;
        if ($known === null || $known->port != $port) {
            $known?->close();
            $known = new Diagnosis($this->engine, $port, $this->ports, $this->overheard);
            $this->diagnoses[$port->id] = $known;
        }

        return $known->findings($other);
    }

    private function close(): void
    {
        foreach ($this->diagnoses as $diagnosis) {
            $diagnosis->close();
        }
    }
}
