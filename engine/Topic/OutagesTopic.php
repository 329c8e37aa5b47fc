<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Topic;

use NimbleJunction\Core\Junction;
use NimbleJunction\Core\Port\Outage;
use NimbleJunction\Engine\Engine;
use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\PageView;
use NimbleJunction\Engine\Said\OutageLine;
use NimbleJunction\Engine\Said\PortOutages;

/** When the senders of a port were away; its subject is the port. */
final readonly class OutagesTopic implements Topic
{
    public function __construct(private Junction $junction)
    {
    }

    public static function name(): string
    {
        return 'outages';
    }

    public static function says(): array
    {
        return [PortOutages::class];
    }

    public function everyNanos(): int
    {
        return 500_000_000;
    }

    public function isSubject(string $subject): bool
    {
        return Topics::mayBeAnId($subject);
    }

    public function show(Client $client, PageView $view, string $subject, int $now): void
    {
        $lines = array_map(static fn(Outage $outage): OutageLine => new OutageLine(
            Engine::millis($outage->from),
            $outage->until === null ? null : Engine::millis($outage->until),
            $outage->what,
            $outage->meanwhile,
        ), isset($this->junction->plan()->ports[$subject]) ? $this->junction->activity($subject)->streams->outages($now) : []);
        if ($view->isNew("outages:{$subject}", json_encode($lines, \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE))) {
            $client->tell(new PortOutages($subject, Engine::millis($now), $lines));
        }
    }
}
