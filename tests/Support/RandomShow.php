<?php

declare(strict_types=1);

namespace NimbleJunction\Tests\Support;

use NimbleJunction\Core\Document\Schema;
use NimbleJunction\Core\Show\Show;
use NimbleJunction\Core\Show\ShowReader;
use NimbleJunction\Core\Show\ShowRefused;

/** Sound shows with some of everything that their parts' descriptions allow, by the state of mt_rand. */
final class RandomShow
{
    private const ROUNDS = 40;
    private const IDS = ['palm', '1', '2', 'a-b', '0'];
    private const TEXTS = [
        'go {cue: 1-9}',
        'go {cue: 1-9}',
        '/a',
        '/note/1/60',
        'Palm House',
        '1',
        '10.0.0.7',
        '10.0.0.0/8',
        'slides',
        '/dev/midi1',
        'f0 41 f7',
        '01:00:00:00',
        "späť \u{1F33F}",
        '{value}',
        '3/1',
    ];
    private const POINTS = [
        'slot:palm/5',
        'slot:1/512',
        'value:1',
        'route:a-b',
        'hold:palm/5',
        'port:2/alive',
        'fixture:1/level',
        'fixture:palm/1/leaves',
        'pixels:1/red',
        'dot:1/speed',
    ];

    /** @return array<string, mixed> */
    public static function make(): array
    {
        $document = ['format' => Show::FORMAT, 'version' => Show::VERSION, 'name' => 'Made up'];
        foreach (Show::LISTS as $list => [$class]) {
            $document[$list] = [];
            foreach (self::IDS as $id) {
                $document[$list][] = ['id' => $id] + self::part(Schema::described($class), 0);
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
        throw new \LogicException('it does not become sound: '.$refused->getMessage());
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
    private static function part(array $described, int $depth): array
    {
        $part = $described['kind'] === '' ? [] : ['kind' => $described['kind']];
        foreach ($described['fields'] as $field) {
            if ($field['isNeeded'] || mt_rand(0, 2) > 0) {
                $value = self::value($field, $depth);
                if ($value !== null) {
                    $part[$field['name']] = $value;
                }
            }
        }

        return $part;
    }

    /** @param array<string, mixed> $field */
    private static function value(array $field, int $depth): mixed
    {
        return match ($field['type']) {
            'id', 'port', 'universe', 'profile' => self::one(self::IDS),
            'point' => self::one(self::POINTS),
            'word' => self::one($field['words']),
            'words' => \array_slice($field['words'], mt_rand(0, 3), mt_rand(1, 3)),
            'flag' => mt_rand(0, 1) === 1,
            'whole' => mt_rand((int) $field['low'], min((int) $field['high'], (int) $field['low'] + 600)),
            'number' => self::one([0, 0.5, 1, 3.25, (float) $field['low'], (float) $field['high']]),
            'numbers' => [0, mt_rand(1, 127)],
            'list' => [mt_rand(1, 3), mt_rand(4, 9)],
            'ids' => \array_slice(self::IDS, mt_rand(0, 2), mt_rand(1, 5)),
            'texts', 'addresses' => [self::one(self::TEXTS), '10.0.0.9'],
            'value' => self::one([0, 1, 0.5, 'go', true]),
            'our-address' => self::one(['0.0.0.0', '127.0.0.1', 'eth0']),
            'object' => self::part($field['part'], $depth),
            'objects' => array_map(fn(): array => self::part($field['part'], $depth), array_fill(0, mt_rand(1, 3), 0)),
            'side' => ['enabled' => true] + self::part(self::one(array_values((array) $field['sides'])), $depth),
            'parts' => $depth > 2 ? [] : array_map(
                fn(): array => self::kind($field['of'], $depth + 1),
                array_fill(0, mt_rand(1, 2), 0),
            ),
            'part' => $depth > 3 ? null : self::kind($field['of'], $depth + 1),
            default => self::one(self::TEXTS),
        };
    }

    /** @return array<string, mixed> */
    private static function kind(string $of, int $depth): array
    {
        return self::part(self::one(ShowReader::kinds()->described()[$of]), $depth);
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
}
