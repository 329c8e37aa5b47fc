<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Discovery;

use NimbleJunction\Core\Discovery\Service;
use NimbleJunction\Core\Discovery\ServiceLine;
use NimbleJunction\Core\Plan\Offered;
use NimbleJunction\Core\Plan\Plan;
use NimbleJunction\Engine\Net\Adapters;
use Revolt\EventLoop;

/**
 * What is offered on the network by name, through the system's own Avahi where it runs: ours is announced, that of others is
 * found. Without it all else works.
 */
final class ServiceDiscovery
{
    private const LOOK_SECONDS = 2.0;
    private const PID = '/run/avahi-daemon/pid';
    private const BROWSE = '/usr/bin/avahi-browse';
    private const PUBLISH = '/usr/bin/avahi-publish-service';

    /** More are not listed: somebody floods the network. */
    private const MOST = 200;

    /** @var array<string, Program> by type */
    private array $browsers = [];

    /** @var array<string, Program> by type, name and port */
    private array $announced = [];

    /** @var array<string, Service> by key */
    private array $found = [];
    private string $callback = '';
    private string $problem = '';

    /** @var list<Service>|null of others, as pages are told; null where that has to be looked at again */
    private ?array $listed = null;

    /** @param \Closure(): Plan $plan the one in force */
    public function __construct(private readonly \Closure $plan)
    {
    }

    public function start(): void
    {
        $this->look();
        $this->callback = EventLoop::unreference(EventLoop::repeat(self::LOOK_SECONDS, $this->look(...)));
    }

    public function stop(): void
    {
        EventLoop::cancel($this->callback);
        foreach ([...$this->browsers, ...$this->announced] as $program) {
            $program->end();
        }
        $this->browsers = $this->announced = $this->found = [];
    }

    /** @return string why nothing is found or announced by name; '' where it is */
    public function problem(): string
    {
        return $this->problem;
    }

    /** @return list<Service> of others, in the order of their names */
    public function found(): array
    {
        return $this->listed ??= $this->others();
    }

    private static function whatIsMissing(): string
    {
        $isThere = is_executable(self::BROWSE) && is_executable(self::PUBLISH);
        $why = match (true) {
            ! $isThere => 'this machine has no Avahi (apt-get install avahi-daemon avahi-utils)',
            ! self::daemonRuns() => 'Avahi does not run on this machine (systemctl start avahi-daemon)',
            default => '',
        };

        return $why === '' ? '' : "Network MIDI and OSC are neither found nor announced by name: {$why}. All else works.";
    }

    /**
     * Its socket is there without it too: systemd holds that, and leaves it. Nor is it begun from here, where somebody has
     * stopped it.
     */
    private static function daemonRuns(): bool
    {
        $pid = (int) @file_get_contents(self::PID);

        return $pid > 0 && trim((string) @file_get_contents("/proc/{$pid}/comm")) === 'avahi-daemon';
    }

    /** @return list<Service> */
    private function others(): array
    {
        $ours = [];
        $addresses = array_column(Adapters::all(), 'address');
        foreach (Offered::by(($this->plan)()) as $service) {
            foreach ($addresses as $here) {
                $ours["{$service->type} {$here} {$service->port}"] = true;
            }
        }
        $others = [];
        foreach ($this->found as $one) {
            if (! isset($ours["{$one->type} {$one->address} {$one->port}"])) {
                // Somebody who is at two adapters is one find.
                $others["{$one->name} {$one->type} {$one->address} {$one->port}"] = $one;
            }
        }
        ksort($others);

        return array_values($others);
    }

    private function look(): void
    {
        $this->problem = self::whatIsMissing();
        // What of it is ours may have changed with the show, or with an adapter.
        $this->listed = null;
        if ($this->problem !== '') {
            foreach ([...$this->browsers, ...$this->announced] as $program) {
                $program->end();
            }
            $this->browsers = $this->announced = $this->found = [];

            return;
        }
        foreach (Service::TYPES as $type) {
            if (! isset($this->browsers[$type]) || ! $this->browsers[$type]->isRunning()) {
                ($this->browsers[$type] ?? null)?->end();
                $this->browsers[$type] = new Program(
                    [self::BROWSE, '--parsable', '--resolve', '--no-db-lookup', $type],
                    $this->heard(...),
                );
            }
        }
        $this->announce();
    }

    private function announce(): void
    {
        $wanted = [];
        foreach (Offered::by(($this->plan)()) as $service) {
            $wanted["{$service->type} {$service->port} {$service->name}"] = $service;
        }
        foreach ($this->announced as $key => $program) {
            if (! isset($wanted[$key]) || ! $program->isRunning()) {
                $program->end();
                unset($this->announced[$key]);
            }
        }
        foreach (array_diff_key($wanted, $this->announced) as $key => $service) {
            $this->announced[$key] = new Program(
                [self::PUBLISH, '--', mb_strcut($service->name, 0, 63), $service->type, (string) $service->port],
                static function (): void {
                },
            );
        }
    }

    private function heard(string $line): void
    {
        $read = ServiceLine::read($line);
        if ($read === null) {
            return;
        }
        $this->listed = null;
        if ($read->isGone) {
            unset($this->found[$read->key]);
        } elseif ($read->service !== null && (isset($this->found[$read->key]) || \count($this->found) < self::MOST)) {
            $this->found[$read->key] = $read->service;
        }
    }
}
