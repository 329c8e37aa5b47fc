<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\Net\Lent;
use NimbleJunction\Engine\Said\LentNews;

/** What pages and the engine say to each other about the devices that pages lend. */
final readonly class Lending
{
    private const LONGEST = 65536;

    public function __construct(private Lent $lent)
    {
    }

    /**
     * @param list<string> $devices all that the page lends now: "midi NAME" or "controller NAME"
     *
     * @throws CommandRefused
     */
    public function lend(Client $client, array $devices): void
    {
        $keys = [];
        foreach ($devices as $device) {
            [$kind, $name] = explode(' ', $device, 2) + [1 => ''];
            if (! \in_array($kind, ['midi', 'controller'], true) || $name === '' || \strlen($name) > 200) {
                throw new CommandRefused("\"{$device}\" cannot be lent: give \"midi\" or \"controller\" and the device's name.");
            }
            $keys[] = Lent::key($kind, $name);
        }
        $this->lent->lend(spl_object_id($client), $client->token->user, $keys, static function (string $key, string $bytes) use ($client): void {
            $client->tell(new LentNews(self::device($key), bin2hex($bytes)));
        });
    }

    /**
     * Something came from a device.
     *
     * @param string $device "midi NAME" or "controller NAME"
     * @param string $hex of a MIDI device
     * @param string $state of a game controller, as JSON
     *
     * @throws CommandRefused
     */
    public function heard(Client $client, string $device, string $hex, string $state): void
    {
        [$kind, $name] = explode(' ', $device, 2) + [1 => ''];
        $bytes = $kind === 'midi' ? @hex2bin($hex) : $state;
        if (! \is_string($bytes) || \strlen($bytes) > self::LONGEST) {
            throw new CommandRefused(
                '"bytes" must be hexadecimal digits, two for each byte, of at most '.self::LONGEST.' bytes.',
            );
        }
        $this->lent->heard(spl_object_id($client), Lent::key($kind, $name), $bytes);
    }

    public function gone(Client $client): void
    {
        $this->lent->lend(spl_object_id($client), '', [], static function (): void {
        });
    }

    private static function device(string $key): string
    {
        [$kind, , $name] = explode(' ', $key, 3);

        return "{$kind} {$name}";
    }
}
