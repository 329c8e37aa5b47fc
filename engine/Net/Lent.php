<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Net;

use NimbleJunction\Core\Port\OutgoingPacket;

/**
 * Devices that pages lend us: MIDI and game controllers plugged into whatever
 * computer has a page open. They are known by name, so a page that was loaded
 * again, or another computer, takes the place of the one before.
 */
final class Lent implements Transport
{
    /** @var array<string, array<int, array{who: string, tell: \Closure(string, string): void}>> lenders by key of the device */
    private array $lenders = [];

    /** @var array<string, true> keys that the show asks for */
    private array $wanted = [];

    public function __construct(private readonly World $world)
    {
    }

    /** @param string $kind "midi" or "controller" */
    public static function key(string $kind, string $name): string
    {
        return "{$kind} browser {$name}";
    }

    /**
     * A page says which devices it has now; none when it goes.
     *
     * @param list<string> $keys
     * @param \Closure(string, string): void $tell device key and bytes for it
     */
    public function lend(int $lender, string $who, array $keys, \Closure $tell): void
    {
        foreach (array_keys($this->lenders) as $key) {
            if (isset($this->lenders[$key][$lender]) && ! \in_array($key, $keys, true)) {
                unset($this->lenders[$key][$lender]);
                if ($this->lenders[$key] === []) {
                    unset($this->lenders[$key]);
                    $this->report($key);
                }
            }
        }
        foreach ($keys as $key) {
            $isNew = ! isset($this->lenders[$key][$lender]);
            $this->lenders[$key][$lender] = ['who' => $who, 'tell' => $tell];
            $this->report($key);
            if ($isNew && isset($this->wanted[$key])) {
                ($this->world->joined)($key);
            }
        }
    }

    /** Something came from a lent device. */
    public function heard(int $lender, string $key, string $bytes): void
    {
        $who = $this->lenders[$key][$lender]['who'] ?? null;
        if ($who !== null && isset($this->wanted[$key])) {
            ($this->world->arrived)($key, $who, 0, $bytes);
            ($this->world->drained)();
        }
    }

    public function adopt(array $endpoints): array
    {
        $this->wanted = array_fill_keys(array_keys($endpoints), true);
        $faults = [];
        foreach (array_keys($endpoints) as $key) {
            if (! isset($this->lenders[$key])) {
                $faults[$key] = self::missing($key);
            }
        }

        return $faults;
    }

    public function send(OutgoingPacket $packet): string
    {
        foreach ($this->lenders[$packet->via] ?? [] as $lender) {
            ($lender['tell'])($packet->via, $packet->bytes);
        }

        return isset($this->lenders[$packet->via]) ? '' : self::missing($packet->via);
    }

    public function connected(): array
    {
        return array_map(
            static fn(array $lenders): array => array_values(array_unique(array_column($lenders, 'who'))),
            $this->lenders,
        );
    }

    public function close(): void
    {
        $this->lenders = [];
    }

    private function report(string $key): void
    {
        if (isset($this->wanted[$key])) {
            ($this->world->fault)($key, isset($this->lenders[$key]) ? '' : self::missing($key));
        }
    }

    private static function missing(string $key): string
    {
        [$kind, , $name] = explode(' ', $key, 3);

        return $kind === 'controller'
            ? "The game controller \"{$name}\" is not there: plug it in at a computer that has a page open, press one of its buttons, and lend it under Ports. The last values stay."
            : "No page lends \"{$name}\" now: open one on the computer that it is plugged into, and lend its MIDI under Ports.";
    }
}
