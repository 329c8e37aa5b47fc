<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\App;

use App\Exchange\FixtureTypeFile;
use NimbleJunction\Engine\LiveLink\Role;

/** Offers by the interface that pages use: their place in the patch, and what people at the desk are given. */
final class OffersApiTest extends AppTestCase
{
    private const OFFER = [
        'name' => 'Walk',
        'universe' => 'fern-gallery',
        'first' => 301,
        'oscPort' => 'guides-tablet',
        'midiPort' => 'lectern',
        'channel' => 3,
        'number' => 20,
        'parameters' => [
            ['name' => 'Size', 'bits' => '16', 'functions' => [['kind' => 'level', 'point' => 'fixture:laser/size', 'first' => 1]]],
            ['name' => 'House', 'functions' => [
                ['kind' => 'set', 'point' => 'value:house-open', 'value' => 0, 'first' => 10, 'last' => 20, 'name' => 'Close'],
                ['kind' => 'press', 'point' => 'value:house-open', 'first' => 128],
            ]],
        ],
    ];

    public function testItStandsInThePatchAndMayNotLieOnOthersUnlessItIsMeant(): void
    {
        $this->as(Role::Builder);
        $answer = $this->postJson('/api/show/offers', self::OFFER)->assertOk()->assertJsonPath('id', 'walk');
        $line = collect($answer->json('patch'))->firstWhere('id', 'offer:walk');
        self::assertSame(['fern-gallery', 301, 303, 'Offered'], [$line['universe'], $line['first'], $line['last'], $line['profile']]);
        self::assertSame([['name' => 'Size', 'slots' => [1, 2]], ['name' => 'House', 'slots' => [3]]], $line['offered']);
        $fixture = ['name' => 'Spare', 'profile' => 'dimmer', 'universe' => 'fern-gallery', 'first' => 303];
        $refused = $this->postJson('/api/show/fixtures', $fixture)->assertStatus(422);
        self::assertStringContainsString('"Spare" would share slot 303 with "Walk"', $refused->json('faults.0.problem'));
        $this->postJson('/api/show/fixtures', [...$fixture, 'sharesWith' => ['walk']])->assertOk();
        $this->deleteJson('/api/show/fixtures/spare')->assertOk();
        $refused = $this->postJson('/api/show/offers', [...self::OFFER, 'name' => 'Other', 'first' => 302])->assertStatus(422);
        self::assertSame('/offers/2/first', $refused->json('faults.0.path'));
        self::assertStringContainsString('"Other" would share slots 302 to 303 with "Walk"', $refused->json('faults.0.problem'));
        $this->postJson('/api/show/offers', [...self::OFFER, 'name' => 'Other', 'first' => 302, 'sharesWith' => ['walk']])->assertOk();
        $this->deleteJson('/api/show/offers/walk')->assertOk();
        self::assertArrayNotHasKey('sharesWith', collect($this->getJson('/api/show')->json('document.offers'))->firstWhere('id', 'other'));
    }

    public function testTheTableOfThreeProtocols(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/offers', self::OFFER)->assertOk();
        $sheet = $this->getJson('/api/show/offers/walk/sheet?json=1')->assertOk();
        self::assertSame(
            ['Fern Gallery, slots 301 to 303', "OSC at Guide's tablet", 'MIDI at Lectern panel, channel 3'],
            $sheet->json('heads'),
        );
        $lines = array_map(
            static fn(array $line): array => [$line['slots'], $line['values'], $line['address'], $line['midi'], $line['does']],
            $sheet->json('lines'),
        );
        self::assertSame([
            ['301–302', '0', '', '', 'no change'],
            ['301–302', '1–65535', '/walk/size', 'controller 20 and 52, 14 bits', 'Pond laser, size from 0 to 100'],
            ['303', '0–9', '', '', 'no change'],
            ['303', '10–20', '/walk/house/close', 'note 21 (A0)', 'Close: set "House open" to 0'],
            ['303', '21–127', '', '', 'no change'],
            ['303', '128–255', '/walk/house/2', 'note 22 (A#0)', 'press "House open"'],
        ], $lines);
        $csv = $this->get('/api/show/offers/walk/sheet')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8');
        self::assertStringContainsString(
            "\r\n303,House,8,10–20,\"Close: set \"\"House open\"\" to 0\",/walk/house/close,",
            (string) $csv->getContent(),
        );
        $this->getJson('/api/show/offers/none/sheet?json=1')->assertNotFound();
        $end = (string) $this->getJson('/api/show/ports/guides-tablet/other-end')->assertOk()->getContent();
        self::assertStringContainsString('Size: \/walk\/size, number from 0 to 100', $end);
    }

    public function testTheFixtureTypeIsReadAgainAsWhatIsOffered(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/offers', self::OFFER)->assertOk();
        $read = FixtureTypeFile::read((string) $this->get('/api/show/offers/walk/type')->assertOk()->getContent())->profile;
        self::assertSame('Walk', $read['name']);
        self::assertSame(['size', 'house'], array_map(strtolower(...), array_column($read['parameters'], 'name')));
        self::assertSame(2, $read['parameters'][0]['slots'] ?? \count($read['parameters'][0]['at'] ?? []));
        $ranges = array_map(
            static fn(array $range): array => [$range['name'], $range['first'], $range['last']],
            $read['parameters'][1]['ranges'],
        );
        self::assertSame([
            ['no change', 0, 9],
            ['Close: set "House open" to 0', 10, 20],
            ['no change 2', 21, 127],
            ['press "House open"', 128, 255],
        ], $ranges);
        self::assertSame('Nimble Junction', $read['maker']);
    }

    public function testWhatAnOfferNamesStaysUntilItIsNamedNoMore(): void
    {
        $this->as(Role::Builder);
        $this->postJson('/api/show/offers', self::OFFER)->assertOk();
        $refused = $this->deleteJson('/api/show/fixtures/laser')->assertStatus(422);
        self::assertStringContainsString('there is no point "fixture:laser/size"', $refused->json('faults.1.problem'));
        self::assertSame('/offers/1/parameters/0/functions/0/point', $refused->json('faults.1.path'));
        $this->deleteJson('/api/show/offers/walk')->assertOk();
        $this->as(Role::Viewer);
        $this->postJson('/api/show/offers', self::OFFER)->assertForbidden();
        $this->getJson('/api/show/offers/garden/sheet?json=1')->assertOk();
    }
}
