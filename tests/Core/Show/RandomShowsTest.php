<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Core\Show;

use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Point\Act;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;
use NimbleJunction\Core\Words\OtherEnd;
use NimbleJunction\Core\Words\PortPlace;
use NimbleJunction\Core\Words\RouteEnds;
use NimbleJunction\Core\Words\Sentence;
use NimbleJunction\Tests\Support\Rig;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\TestCase;

/**
 * Shows of parts that are made up by the very descriptions of their classes. What is wrong with one is taken away
 * where the reader says that it is: so in the end it is sound, and then everything has to work with it.
 */
final class RandomShowsTest extends TestCase
{
    private const SHOWS = 120;
    private const ROUNDS = 40;
    private const IDS = ['palm', '1', '2', 'a-b', '0'];
    private const TEXTS = ['/a', '/note/1/60', 'Palm House', '1', '10.0.0.7', '10.0.0.0/8', 'slides', '/dev/midi1', 'f0 41 f7', '01:00:00:00', "späť \u{1F33F}", '{value}'];
    private const POINTS = ['slot:palm/5', 'slot:1/512', 'value:1', 'route:a-b', 'hold:palm/5', 'port:2/alive', 'fixture:1/level', 'fixture:palm/1/leaves'];

    public function testASoundShowRunsWhateverIsInIt(): void
    {
        mt_srand(26);
        $schema = (string) file_get_contents(\dirname(__DIR__, 3).'/schema/show.schema.json');
        $validator = new Validator();
        $parts = array_fill_keys(array_keys(Show::LISTS), 0);
        for ($i = 0; $i < self::SHOWS; ++$i) {
            $document = $this->soundShow();
            foreach ($parts as $list => $count) {
                $parts[$list] = $count + \count($document[$list]);
            }
            self::assertTrue($validator->validate(json_decode((string) json_encode($document)), $schema)->isValid(), 'the published schema agrees: '.json_encode($document));
            $this->speakOf(ShowReader::fromArray($document));
            $this->play($document);
        }
        self::assertGreaterThan(self::SHOWS / 4, min($parts), 'there are some of everything: '.json_encode($parts));
    }

    /** @return array<string, mixed> */
    private function soundShow(): array
    {
        $document = ['format' => Show::FORMAT, 'version' => Show::VERSION, 'name' => 'Made up'];
        foreach (Show::LISTS as $list => [$class]) {
            $document[$list] = [];
            foreach (self::IDS as $id) {
                $document[$list][] = ['id' => $id] + $this->part(Schema::described($class), 0);
            }
        }
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            try {
                ShowReader::fromArray($document);

                return $document;
            } catch (ShowRefused $refused) {
                $faults = [];
                foreach ($refused->faults as $fault) {
                    $path = explode('/', ltrim($fault->path, '/'));
                    $faults["{$path[0]}/{$path[1]}"] ??= $path;
                }
                foreach ($faults as $path) {
                    [$list, $place] = $path;
                    $path = \array_slice($path, 2);
                    // In the end its whole part goes.
                    $isPatient = $round < self::ROUNDS / 2 && $path !== [];
                    $document[$list][(int) $place] = $isPatient ? self::without($document[$list][(int) $place], $path) : null;
                }
                foreach (array_keys(Show::LISTS) as $list) {
                    $document[$list] = array_values(array_filter($document[$list]));
                }
            }
        }
        self::fail('it does not become sound: '.($refused ?? null)?->getMessage());
    }

    /**
     * What stands there goes; where nothing stands there, something is missing, and what it is missing in goes.
     *
     * @param array<mixed> $from
     * @param non-empty-list<string> $path
     *
     * @return array<mixed>|null
     */
    private static function without(array $from, array $path): ?array
    {
        $key = array_shift($path);
        if (! \array_key_exists($key, $from)) {
            return null;
        }
        $left = $path === [] || ! \is_array($from[$key]) ? null : self::without($from[$key], $path);
        if ($left === null || $left === []) {
            unset($from[$key]);
        } else {
            $from[$key] = $left;
        }

        return array_filter(array_keys($from), \is_string(...)) === [] ? array_values($from) : $from;
    }

    /**
     * @param array<string, mixed> $described
     *
     * @return array<string, mixed>
     */
    private function part(array $described, int $depth): array
    {
        $part = $described['kind'] === '' ? [] : ['kind' => $described['kind']];
        foreach ($described['fields'] as $field) {
            if ($field['isNeeded'] || mt_rand(0, 2) > 0) {
                $value = $this->value($field, $depth);
                if ($value !== null) {
                    $part[$field['name']] = $value;
                }
            }
        }

        return $part;
    }

    /** @param array<string, mixed> $field */
    private function value(array $field, int $depth): mixed
    {
        return match ($field['type']) {
            'id', 'port', 'universe', 'profile' => self::one(self::IDS),
            'point' => self::one(self::POINTS),
            'word' => self::one($field['words']),
            'flag' => mt_rand(0, 1) === 1,
            'whole' => mt_rand((int) $field['low'], min((int) $field['high'], (int) $field['low'] + 600)),
            'number' => self::one([0, 0.5, 1, 3.25, (float) $field['low'], (float) $field['high']]),
            'numbers' => [0, mt_rand(1, 127)],
            'list' => [mt_rand(1, 3), mt_rand(4, 9)],
            'texts', 'addresses' => [self::one(self::TEXTS), '10.0.0.9'],
            'value' => self::one([0, 1, 0.5, 'go', true]),
            'our-address' => self::one(['0.0.0.0', '127.0.0.1', 'eth0']),
            'object' => $this->part($field['part'], $depth),
            'objects' => array_map(fn(): array => $this->part($field['part'], $depth), array_fill(0, mt_rand(1, 3), 0)),
            'side' => ['enabled' => true] + $this->part(self::one(array_values((array) $field['sides'])), $depth),
            'parts' => $depth > 2 ? [] : array_map(fn(): array => $this->kind($field['of'], $depth + 1), array_fill(0, mt_rand(1, 2), 0)),
            'part' => $depth > 3 ? null : $this->kind($field['of'], $depth + 1),
            default => self::one(self::TEXTS),
        };
    }

    /** @return array<string, mixed> */
    private function kind(string $of, int $depth): array
    {
        return $this->part(self::one(ShowReader::kinds()->described()[$of]), $depth);
    }

    /**
     * @template T
     *
     * @param list<T> $of
     *
     * @return T
     */
    private static function one(array $of): mixed
    {
        return $of[mt_rand(0, \count($of) - 1)];
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
            foreach (["/a\0\0,f\0\0\x3f\x00\x00\x00", "\x90\x3c\x40", "\xb0\x07\x10", "\xf0\x41\xf7", "\xfa", "Art-Net\0\x00\x50\x00\x0E\x01\x00\x00\x00\x00\x02\xFF\x80", 'rubbish', '{"axes":{"0":0.5}}'] as $bytes) {
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
        $state = json_decode(json_encode($rig->junction->state($rig->nanos()), JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE), true, flags: JSON_THROW_ON_ERROR);
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
