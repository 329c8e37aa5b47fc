<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Live;

use NimbleJunction\Core\Plan\Announcement;
use NimbleJunction\Core\Port\Activity;
use NimbleJunction\Core\Port\OutgoingPacket;

/** Says what is to be said again and again, when it is due. */
final class Announcements
{
    public int $dueAt = \PHP_INT_MAX;

    /** @var list<Announcement> */
    private array $announcements = [];

    /** @var array<string, int> when each is due, by key */
    private array $due = [];

    /** @param \Closure(string): Activity $activity of a port */
    public function __construct(private readonly \Closure $activity)
    {
    }

    /**
     * What goes on as it was keeps its rhythm; what is new or changed is said at once.
     *
     * @param list<Announcement> $announcements
     */
    public function adopt(array $announcements, int $now): void
    {
        $before = array_column($this->announcements, null, 'key');
        $due = [];
        foreach ($announcements as $announcement) {
            $old = $before[$announcement->key] ?? null;
            $due[$announcement->key] = $old !== null
                && $old->packets === $announcement->packets
                && $old->everyNanos === $announcement->everyNanos
                ? $this->due[$announcement->key]
                : $now;
        }
        $this->announcements = $announcements;
        $this->due = $due;
        $this->dueAt = $due === [] ? \PHP_INT_MAX : min($due);
    }

    /** @return list<OutgoingPacket> */
    public function sendDue(int $now): array
    {
        $packets = [];
        foreach ($this->announcements as $one) {
            if ($this->due[$one->key] > $now) {
                continue;
            }
            $this->due[$one->key] = $now + $one->everyNanos;
            $activity = ($this->activity)($one->portId);
            foreach ($one->exit?->destinations($activity->messageFrom) ?? $one->destinations as $destination) {
                foreach ($one->packets as $packet) {
                    $packets[] = new OutgoingPacket(
                        $destination->via,
                        $destination->address,
                        $destination->port,
                        $packet,
                        $one->portId,
                    );
                    $activity->said($now);
                }
            }
        }
        $this->dueAt = $this->due === [] ? \PHP_INT_MAX : min($this->due);

        return $packets;
    }
}
