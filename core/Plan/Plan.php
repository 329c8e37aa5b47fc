<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Plan;

use NimbleJunction\Core\Route\MessageToSlot;
use NimbleJunction\Core\Route\SlotToMessage;
use NimbleJunction\Core\Signal\Protocol;
use NimbleJunction\Core\Universe\MergeRule;
use NimbleJunction\Core\Universe\WhenLost;

/** A show, compiled: nothing in it changes, and everything is found by an index. */
final readonly class Plan
{
    /**
     * @param array<string, array{name: string, merge: MergeRule, whenLost: WhenLost}> $universes by id
     * @param array<string, array{name: string, protocol: Protocol, enabled: bool, receives: bool, sends: bool}> $ports by id
     * @param array<string, Endpoint> $endpoints by key
     * @param array<string, list<Outlet>> $outlets by universe
     * @param array<string, list<Target>> $messageTargets by port
     * @param array<string, array<string, list<MessageToSlot>>> $messageRoutes by port and address, disabled ones too: they are near misses
     * @param array<string, array<int, list<SlotToMessage>>> $slotRoutes by universe and slot, enabled ones
     */
    public function __construct(
        public string $name,
        public array $universes,
        public array $ports,
        public array $endpoints,
        public array $outlets,
        public array $messageTargets,
        public array $messageRoutes,
        public array $slotRoutes,
    ) {
    }

    public static function empty(): self
    {
        return new self('', [], [], [], [], [], [], []);
    }

    public function portName(string $id): string
    {
        return $this->ports[$id]['name'] ?? $id;
    }

    public function universeName(string $id): string
    {
        return $this->universes[$id]['name'] ?? $id;
    }

    /** Whether frames can still reach a universe through a port. */
    public function feeds(string $portId, string $universeId): bool
    {
        foreach ($this->endpoints as $endpoint) {
            foreach ($endpoint->mappings as $mappings) {
                foreach ($mappings as $mapping) {
                    if ($mapping->portId === $portId && $mapping->universeId === $universeId) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
