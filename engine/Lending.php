<?php

declare(strict_types=1);

namespace NimbleJunction\Engine;

use NimbleJunction\Engine\LiveLink\Client;
use NimbleJunction\Engine\Net\Lent;

/** What pages and the engine say to each other about the devices that pages lend. */
final readonly class Lending
{
    private const MOST_DEVICES = 64;
    private const LONGEST = 65536;

    public function __construct(private Lent $lent)
    {
    }

    /**
     * {"do": "lend", "devices": ["midi NAME", "controller NAME"]}: all that the page lends now.
     *
     * @throws CommandRefused
     */
    public function lend(Client $client, Command $command): void
    {
        $keys = [];
        foreach ($command->words('devices', self::MOST_DEVICES) as $device) {
            [$kind, $name] = explode(' ', $device, 2) + [1 => ''];
            if (! \in_array($kind, ['midi', 'controller'], true) || $name === '' || \strlen($name) > 200) {
                throw new CommandRefused("\"{$device}\" cannot be lent: give \"midi\" or \"controller\" and the device's name.");
            }
            $keys[] = Lent::key($kind, $name);
        }
        $this->lent->lend(spl_object_id($client), $client->token->user, $keys, static function (string $key, string $bytes) use ($client): void {
            $client->tell(['type' => 'lent', 'device' => self::device($key), 'bytes' => bin2hex($bytes)]);
        });
    }

    /**
     * {"do": "lent", "device": "midi NAME", "bytes": "903c7f"} or, from a controller, {…, "state": "{…}"}: something came from it.
     *
     * @throws CommandRefused
     */
    public function heard(Client $client, Command $command): void
    {
        [$kind, $name] = explode(' ', $command->word('device'), 2) + [1 => ''];
        $bytes = $kind === 'midi' ? @hex2bin($command->word('bytes')) : $command->word('state');
        if (! \is_string($bytes) || \strlen($bytes) > self::LONGEST) {
            throw new CommandRefused('"bytes" must be hexadecimal digits, two for each byte, of at most '.self::LONGEST.' bytes.');
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
