<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Check\Question;

use NimbleJunction\Core\Check\Finding;
use NimbleJunction\Core\Check\Question;
use NimbleJunction\Core\Check\Scene;

final readonly class IsItOn implements Question
{
    private const WORDS = 'Is it switched on?';

    public function ask(Scene $scene): array
    {
        $port = $scene->port;
        if ($scene->isOnInShow && ! $port->enabled) {
            return [Finding::wrong(
                self::WORDS,
                'The port was switched off while the show runs, by hand or by a route.',
                'Press "Switch on again" at the port.',
            )];
        }
        $off = array_keys(array_filter([
            'the port' => ! $port->enabled,
            'receiving' => $port->receive !== null && ! $port->receive->enabled,
            'sending' => $port->send !== null && ! $port->send->enabled,
        ]));
        if ($off === []) {
            return [Finding::right(self::WORDS, 'The port is switched on.')];
        }
        $changes = ['enabled' => true];
        foreach (['receive' => $port->receive, 'send' => $port->send] as $side => $entry) {
            if ($entry !== null) {
                $changes["{$side}/enabled"] = true;
            }
        }

        return [Finding::wrong(
            self::WORDS,
            ucfirst(implode(' and ', $off)).(\count($off) > 1 ? ' are' : ' is').' switched off here.',
            'Switch it on.',
            ['label' => 'Switch it on', 'changes' => $changes],
        )];
    }
}
