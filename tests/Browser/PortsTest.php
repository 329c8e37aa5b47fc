<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Browser;

/** Everything on the page of ports: what is out there, how ports cross, why two devices do not talk, and the fix on a button. */
final class PortsTest extends BrowserTestCase
{
    private const OUT_THERE = '[aria-label="Found on the network"]';
    private const CHECK = '[aria-label="Check connection"]';
    private const ROW = '.row-button[aria-current="true"]';

    public function testNodesThatAnswerAreBesideThePortsAndOneClickMakesAPort(): void
    {
        $this->go('Ports');
        $this->sees(self::OUT_THERE, 'Canopy media server');
        $this->sees(self::OUT_THERE, 'takes 0:1:0 (16)');
        $this->sees(self::OUT_THERE, 'is Canopy levels');
        self::$chrome->press('Canopy levels', '.list');
        self::$chrome->press('Delete', 'aside.panel');
        self::$chrome->press('Delete it', 'aside.panel');
        self::$chrome->press('Add as port', self::OUT_THERE);
        $this->sees(self::ROW, 'Canopy media server');
        $this->sees('aside.panel', 'sends to 127.77.0.16:6454, Canopy media server 16 → 0:1:0 (16)');
        $this->sees(self::OUT_THERE, 'is Canopy media server');
        $this->undo('add "Canopy media server", found on the network');
        $this->undo('delete port "canopy-levels"');
        $this->sees(self::OUT_THERE, 'is Canopy levels');
    }

    public function testAnOscLinkIsDrawnAsTwoPortsThatCross(): void
    {
        $this->go('Ports');
        self::$chrome->press("Guide's tablet", '.list');
        self::assertSame(
            'We receive at 8000 and send to 9000; the other end sends to 8000 and receives at 9000.',
            self::$chrome->find('[aria-label="How the two ports cross"] svg')->getAttribute('aria-label'),
        );
        $this->fader("Guide's tablet fader", 0.4);
        $this->go('Ports');
        self::$chrome->press("Guide's tablet", '.list');
        $this->sees('aside.panel', 'First and last heard');
        $this->sees('aside.panel', '127.77.0.15 (1)');
    }

    public function testSwappedPortsAreFoundAndUncrossedByOneButton(): void
    {
        $this->habit("Guide's tablet", 'Swapped ports');
        $this->go('Ports');
        self::$chrome->press("Guide's tablet", '.list');
        self::$chrome->press('Check connection', 'aside.panel');
        $this->sees(self::CHECK, 'Is the port open?');
        // The engine listens beside the port for some seconds after it was asked: meanwhile somebody moves the fader.
        $this->fader("Guide's tablet fader", 0.7);
        $this->go('Ports');
        self::$chrome->press("Guide's tablet", '.list');
        self::$chrome->press('Check connection', 'aside.panel');
        $this->sees(self::CHECK, '127.77.0.15 sends to our port 9000, and we listen at 8000. The two ports are swapped');
        self::$chrome->press('Listen at 9000', self::CHECK);
        self::$chrome->press('Done', self::CHECK);
        $this->sees('aside.panel', 'listens at 127.77.0.1:9000, sends to 127.77.0.15:8000');
        $this->fader("Guide's tablet fader", 0.2);
        $this->lamp('Palm House dimmers', 5, 51);
        $this->habit("Guide's tablet", 'Swapped ports');
        $this->undo('change port "Guide\'s tablet"');
    }

    public function testAUniverseOffByOneIsFoundAndMendedByOneButton(): void
    {
        $this->habit('Guest desk', 'Universe off by one');
        $this->fader('Guest desk fader 6', 222);
        $this->go('Overview');
        $this->sees('.stray', 'sACN universe 2 arrives from 127.77.0.12, and no port listens to it.');
        $this->go('Ports');
        $this->sees(self::OUT_THERE, 'sACN from 127.77.0.12');
        self::$chrome->press('Or was Guest desk meant?', self::OUT_THERE);
        $this->sees(self::CHECK, 'Check connection: Guest desk');
        $this->field('Address that the other end says it has', '127.77.0.12');
        $this->sees(self::CHECK, 'Heard on universe 2 from 127.77.0.12; this port listens to universe 1.', 15);
        self::$chrome->press('Listen to universe 2', self::CHECK);
        $this->sees(self::CHECK, 'Yes: 512 slots of sACN universe 2', 15);
        $this->lamp('Palm House dimmers', 6, 222);
        $this->habit('Guest desk', 'Universe off by one');
        $this->undo('change port "Guest desk"');
    }

    public function testASenderThatIsNotAllowedIsRefusedWithItsReasonAndLetInByOneButton(): void
    {
        $this->go('Ports');
        self::$chrome->press('House desk', '.list');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('Listen only to these addresses', '10.0.0.0/40');
        self::$chrome->press('Save', 'form');
        $this->sees('form', 'Use an IPv4 address or a network, like 192.168.1.10 or 192.168.1.0/24.');
        $this->field('Listen only to these addresses', '10.0.0.0/8');
        self::$chrome->press('Save', 'form');
        $this->sees('aside.panel', '127.77.0.11 is not among the senders that this port listens to');
        self::$chrome->press('Check connection', 'aside.panel');
        $this->field('Address that the other end says it has', '127.77.0.11');
        self::$chrome->press('Let 127.77.0.11 in', self::CHECK);
        $this->sees(self::CHECK, 'Yes: 512 slots of Art-Net port-address', 15);
        $this->undo('change port "House desk"');
        $this->undo('change port "House desk"');
    }

    public function testARangeOfUniversesIsWrittenAtOnceAndRanksLeaveTheLastOnesOut(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        $this->field('Name', 'Two-line box');
        $this->choose('Protocol', 'sACN');
        foreach (['Receives', 'Sends'] as $switch) {
            self::$chrome->driver->executeScript(
                '[...document.querySelectorAll("form label")].find((one) => one.textContent.trim() === arguments[0])?.click()',
                [$switch],
            );
        }
        $this->field('To, one or more addresses', '127.77.0.90');
        $this->field('Universes this device can take', '2');
        $this->field('Several at once, like 1-8', '30-32');
        self::$chrome->press('Add these', 'form');
        $this->sees('form', 'The lowest ranks go first');
        self::$chrome->press('Add the port', 'form');
        $this->sees('aside.panel', 'Palm House → universe 30, Fern Gallery → universe 31, Canopy → universe 32');
        $this->sees('aside.panel', 'Not sent, as there is no room: Canopy');
        self::$chrome->press('Change', 'aside.panel');
        $this->field('Several at once, like 1-8', '9-3');
        self::$chrome->press('Add these', 'form');
        $this->sees('form [role=alert]', 'Write numbers and ranges like 1-8 or 1, 3, 5-7');
        $this->leave();
    }

    public function testAnArtNetNumberMayBeWrittenInItsThreeParts(): void
    {
        $this->go('Ports');
        self::$chrome->press('Add a port', '.page-head');
        $this->field('Name', 'Far node');
        self::$chrome->press('Add a universe', 'form');
        $this->field('Port-address, from 0', '1:2:3');
        $this->sees('form', 'Net : Sub-Net : Universe 1:2:3; number 292 on a desk that counts from 1');
        self::$chrome->press('127.0.0.1 (lo)', 'form');
        self::$chrome->press('Add the port', 'form');
        $this->sees('aside.panel', '1:2:3 (291) → Palm House');
        $this->sees('aside.panel', 'Palm House: port-address, from 0');
    }

    private function habit(string $device, string $habit): void
    {
        $this->go('Stand-ins');
        self::$chrome->press($habit, "[aria-label=\"{$device}\"]");
    }
}
