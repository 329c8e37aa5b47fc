<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Health;

use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\Net\Descriptors;
use NimbleJunction\Engine\PortReport;

/** How the engine is at this moment, for those who ask from outside: the application, and through it monitors. */
final readonly class Vitals
{
    /** @param \Closure(): int $pages how many pages are open */
    public function __construct(
        private Engine $engine,
        private PortReport $ports,
        private Warnings $warnings,
        private FaultLog $faults,
        private Descriptors $descriptors,
        private LoopLag $lag,
        private \Closure $pages,
        private string $version,
    ) {
    }

    /**
     * @return array<string, mixed> "startedAt" seconds since 1970, "late" the longest wait of the last minute in seconds, "memory"
     *                              bytes, "ports" by id: name, state, what came and left and was lost, packets a second
     */
    public function read(int $now): array
    {
        $junction = $this->engine->junction;
        $plan = $junction->plan();
        $ports = [];
        foreach ($this->ports->lives($now) as $id => $life) {
            $ports[$id] = [
                'name' => $plan->portName((string) $id),
                'protocol' => $plan->ports[$id]['protocol']->value,
                'state' => $plan->ports[$id]['enabled'] ? $life->state : 'off',
                'fault' => $life->fault,
                'received' => $life->received,
                'sent' => $life->sent,
                'lost' => $life->lost,
                'refused' => $life->refused,
            ];
        }

        return [
            'version' => $this->version,
            'pid' => (int) getmypid(),
            'startedAt' => round(microtime(true) - ($now - $this->engine->startedAt) / 1e9, 3),
            'show' => $plan->name,
            'adoptions' => $junction->adoptions,
            'universes' => \count($junction->universes()),
            'pages' => ($this->pages)(),
            'descriptors' => $this->descriptors->open(),
            'memory' => memory_get_usage(true),
            'late' => round($this->lag->worst() / 1e9, 6),
            'faults' => $this->faults->count,
            'warnings' => array_column($this->warnings->all(), 'words'),
            'runs' => Compilation::words(),
            'ports' => (object) $ports,
        ];
    }
}
