<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

/** Ports that are more than a UDP port, as documents. */
trait PortsOfEachKind
{
    private const CABLE = [
        'id' => 'extra',
        'name' => 'Extra',
        'protocol' => 'midi',
        'link' => ['kind' => 'cable', 'device' => 'slides'],
        'receive' => ['enabled' => true],
        'send' => ['enabled' => true],
    ];
    private const STICK = [
        'id' => 'extra',
        'name' => 'Extra',
        'protocol' => 'controller',
        'link' => ['kind' => 'browser', 'device' => 'Stick'],
        'receive' => ['deadZone' => 0.1, 'centres' => [0, 0.2]],
    ];
    private const TCP = [
        'id' => 'extra',
        'name' => 'Extra',
        'protocol' => 'osc',
        'link' => ['kind' => 'tcp', 'framing' => 'slip'],
        'receive' => ['address' => '10.0.0.1', 'port' => 8100],
        'send' => ['to' => [], 'port' => 8100],
    ];
    private const SACN = [
        'id' => 'extra',
        'name' => 'Extra',
        'protocol' => 'sacn',
        'send' => [
            'to' => ['10.0.0.9'],
            'carries' => [['number' => 5, 'universe' => 'palm', 'rank' => 2]],
            'lines' => 1,
            'syncUniverse' => 7,
            'slotPriorities' => [['first' => 1, 'last' => 4, 'priority' => 200]],
            'announce' => true,
        ],
    ];
}
