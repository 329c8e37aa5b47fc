<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Discovery\Service;
use NimbleJunction\Core\Show\LinkKind;

/** What a plan offers to others by name, so that they pick us from a list: network MIDI and OSC, where others can reach it. */
final class Offered
{
    /** @return list<Service> */
    public static function by(Plan $plan): array
    {
        $services = [];
        foreach ($plan->endpoints as $key => $endpoint) {
            $type = match (true) {
                $endpoint->kind === LinkKind::Session => Service::MIDI_SESSION,
                $endpoint->kind === LinkKind::Udp && str_starts_with($key, 'osc ') => Service::OSC_UDP,
                $endpoint->kind === LinkKind::Tcp => Service::OSC_TCP,
                default => '',
            };
            // What listens for this machine alone, nobody else can reach.
            if ($type === '' || $endpoint->portIds === [] || $endpoint->port < 1 || str_starts_with($endpoint->address, '127.')) {
                continue;
            }
            $name = $endpoint->name !== '' ? $endpoint->name : $plan->portName($endpoint->portIds[0]);
            $services[] = new Service($type, $name, $endpoint->port);
        }

        return $services;
    }
}
