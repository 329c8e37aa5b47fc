<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\RandomShow;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;

/**
 * Shows of parts that are made up by the very descriptions of their classes. What is wrong with one is taken away
 * where the reader says that it is: so in the end it is sound, and then everything has to work with it.
 */
final class RandomShowsTest extends TestCase
{
    private const SHOWS = 90;

    public function testASoundShowRunsWhateverIsInIt(): void
    {
        mt_srand(27);
        $schema = (string) file_get_contents(\dirname(__DIR__, 3).'/schema/show.schema.json');
        $validator = new Validator();
        $parts = array_fill_keys(array_keys(Show::LISTS), 0);
        for ($i = 0; $i < self::SHOWS; ++$i) {
            $document = RandomShow::make();
            foreach ($parts as $list => $count) {
                $parts[$list] = $count + \count($document[$list]);
            }
            self::assertTrue(
                $validator->validate(json_decode((string) json_encode($document)), $schema)->isValid(),
                'the published schema agrees: '.json_encode($document),
            );
            $this->speakOf(ShowReader::fromArray($document));
            $this->play($document);
        }
        self::assertGreaterThan(self::SHOWS / 6, min($parts), 'there are some of everything: '.json_encode($parts));
    }

    private function speakOf(Show $show): void
    {
        foreach ($show->routes as $route) {
            self::assertNotSame('', Sentence::of($route, $show));
            RouteEnds::of($route, $show);
        }
        foreach ($show->ports as $port) {
            self::assertIsString(PortPlace::of($port, $show));
            OtherEnd::of($port, $show, ['127.0.0.1']);
        }
    }

    /** @param array<string, mixed> $document */
    private function play(array $document): void
    {
        $rig = new Rig($document);
        $act = new Act('ada', 'Ada');
        foreach ($rig->junction->plan()->endpoints as $key => $endpoint) {
            foreach ([
                "/a\0\0,f\0\0\x3f\x00\x00\x00",
                "\x90\x3c\x40",
                "\xb0\x07\x10",
                "\xf0\x41\xf7",
                "\xfa",
                "Art-Net\0\x00\x50\x00\x0E\x01\x00\x00\x00\x00\x02\xFF\x80",
                'rubbish',
                '{"axes":{"0":0.5}}',
            ] as $bytes) {
                $rig->junction->arrived($key, '10.0.0.9', 9000, $bytes, $rig->nanos());
            }
        }
        $rig->artNet([1 => 200, 5 => 20]);
        $rig->sacn([1 => 100]);
        foreach ($rig->junction->points()->find('', 60) as $point) {
            $rig->junction->set($point->reference, 1, $act, $rig->nanos());
            $rig->junction->press($point->reference, $act, $rig->nanos());
            $rig->junction->points()->read($point->reference);
        }
        $rig->pass(0.3);
        foreach ($rig->junction->universes() as $universe) {
            $universe->explain(0);
            $universe->explain(511);
        }
        $rig->allHops();
        $state = json_decode(
            json_encode($rig->junction->rooms()->state($rig->nanos()), JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
        $again = new Rig($document);
        $again->junction->restore($state, $again->nanos());
        $again->pass(0.1);
        foreach (array_keys($rig->junction->universes()) as $id) {
            self::assertSame(512, \strlen($again->junction->universes()[$id]->levels));
        }
        $again->adopt();
        $again->pass(3.0);
        $again->junction->end($again->nanos());
    }
}
