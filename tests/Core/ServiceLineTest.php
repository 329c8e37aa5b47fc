<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core;

use NimbleJunction\Core\Discovery\Service;
use NimbleJunction\Core\Discovery\ServiceLine;
use NimbleJunction\Core\Plan\Offered;
use NimbleJunction\Tests\Support\Rig;
use PHPUnit\Framework\TestCase;

/** What is offered by name: lines as a browser of services says them (avahi-browse(1)), and what of ours is announced. */
final class ServiceLineTest extends TestCase
{
    public function testWhoComesAndGoes(): void
    {
        $come = ServiceLine::read("+;eth0;IPv4;Fern\\032keys;_apple-midi._udp;local\n");
        $there = ServiceLine::read('=;eth0;IPv4;Fern\032keys;_apple-midi._udp;local;fern.local;10.0.0.9;5004;"a=1" "b;c"');
        $gone = ServiceLine::read('-;eth0;IPv4;Fern\032keys;_apple-midi._udp;local');
        self::assertSame([$come?->key, $gone?->key], [$there?->key, $there?->key]);
        self::assertSame([null, false, true], [$come?->service, $come?->isGone, $gone?->isGone]);
        self::assertEquals(new Service(Service::MIDI_SESSION, 'Fern keys', 5004, '10.0.0.9'), $there?->service);
        self::assertSame('midi', $there->service->protocol());
    }

    public function testNamesAreThoseThatPeopleGave(): void
    {
        $name = static fn(string $escaped): ?string => ServiceLine::read(
            "=;eth0;IPv4;{$escaped};_osc._udp;local;h.local;10.0.0.9;8000;",
        )?->service?->name;
        self::assertSame('Palm (2); house', $name('Palm\032\0402\041\059\032house'));
        self::assertSame('Grün', $name('Gr\195\188n'), 'letters of several bytes');
        self::assertSame('a.b\c', $name('a\.b\\\\c'));
        self::assertSame('x y', $name('x\226\128\174y'), 'what turns the writing round is left out');
        self::assertSame(63, mb_strlen((string) $name(str_repeat('n', 300))));
    }

    public function testWhatIsNotMeantOrTornIsPassedOver(): void
    {
        foreach ([
            '',
            '=',
            '+;eth0;IPv6;x;_osc._udp;local',
            '=;eth0;IPv4;x;_http._tcp;local;h;10.0.0.9;80;',
            '=;eth0;IPv4;x;_osc._udp;local;h;not-an-address;80;',
            '=;eth0;IPv4;x;_osc._udp;local;h;10.0.0.9;0;',
            '=;eth0;IPv4;x;_osc._udp;local;h;10.0.0.9;70000;',
            '=;eth0;IPv4;x;_osc._udp;local',
            '?;eth0;IPv4;x;_osc._udp;local',
            str_repeat(';', 100),
        ] as $line) {
            self::assertNull(ServiceLine::read($line), $line);
        }
        mt_srand(3);
        for ($i = 0; $i < 2000; ++$i) {
            $line = '=;eth0;IPv4;'.implode('', array_map(static fn(): string => \chr(mt_rand(1, 255)), range(1, mt_rand(1, 40))))
                .';_osc._udp;local;h;10.0.0.9;80;';
            $name = ServiceLine::read($line)?->service?->name;
            self::assertTrue($name === null || mb_check_encoding($name, 'UTF-8'));
        }
    }

    public function testWhatOthersCanReachIsOffered(): void
    {
        $session = [
            'id' => 'keys',
            'name' => 'Keys',
            'protocol' => 'midi',
            'link' => ['kind' => 'session'],
            'receive' => ['address' => '10.0.0.5', 'port' => 5004],
        ];
        $osc = ['id' => 'tablet', 'name' => 'Tablet', 'protocol' => 'osc', 'receive' => ['address' => '0.0.0.0', 'port' => 8000]];
        $tcp = [
            'id' => 'far',
            'name' => 'Far',
            'protocol' => 'osc',
            'link' => ['kind' => 'tcp'],
            'receive' => ['address' => '10.0.0.5', 'port' => 9100],
        ];
        $here = ['id' => 'here', 'name' => 'Here', 'protocol' => 'osc', 'receive' => ['address' => '127.0.0.1', 'port' => 8001]];
        $sends = ['id' => 'sends', 'name' => 'Sends', 'protocol' => 'osc', 'send' => ['to' => ['10.0.0.9'], 'port' => 8002]];
        $rig = new Rig(['ports' => [$session, $osc, $tcp, $here, $sends], 'routes' => []]);
        $offered = array_map(static fn(Service $one): string => "{$one->type} {$one->port}", Offered::by($rig->junction->plan()));
        sort($offered);
        self::assertSame(['_apple-midi._udp 5004', '_osc._tcp 9100', '_osc._udp 8000'], $offered);
    }
}
