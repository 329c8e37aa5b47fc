<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Wire\Sacn;

use NimbleJunction\Core\Wire\Layout\Field;
use NimbleJunction\Core\Wire\Layout\Layout;
use NimbleJunction\Core\Wire\Malformed;
use NimbleJunction\Core\Wire\OutOfRange;

/**
 * An sACN universe discovery packet: one page of the universes that a source
 * sends. It goes to universe 64214 every ten seconds.
 *
 * Source: ANSI E1.31-2018, table 4-3, clauses 6.4 and 8 (from memory).
 */
final readonly class Discovery
{
    public const UNIVERSE = 64214;
    public const INTERVAL_NANOS = 10_000_000_000;
    public const PER_PAGE = 512;
    private const SHORTEST = 120;
    private const CLAUSE = 'ANSI E1.31-2018, 8';

    /**
     * @param string $cid 16 bytes
     * @param list<int> $universes in rising order, at most 512
     */
    public function __construct(
        public string $cid,
        public string $sourceName,
        public array $universes,
        public int $page = 0,
        public int $lastPage = 0,
    ) {
    }

    /**
     * The pages that tell of all these universes: sorted, each of them once.
     *
     * @param list<int> $universes
     *
     * @return list<self>
     */
    public static function pages(string $cid, string $sourceName, array $universes): array
    {
        $universes = array_values(array_unique($universes));
        sort($universes);
        $chunks = $universes === [] ? [[]] : array_chunk($universes, self::PER_PAGE);
        $last = \count($chunks) - 1;

        return array_map(
            static fn(array $chunk, int $page): self => new self($cid, $sourceName, $chunk, $page, $last),
            $chunks,
            array_keys($chunks),
        );
    }

    /** @throws Malformed the root layer has been checked by Packet */
    public static function decode(string $bytes): self
    {
        $values = self::layout()->read($bytes);
        $length = \strlen($bytes);
        Packet::checkLength($bytes, 38, $length);
        Packet::checkLength($bytes, 112, $length);
        if ($values->int('Universe Discovery Layer Vector') !== 1) {
            throw Malformed::at(114, 'universe discovery vector is not 1', 'ANSI E1.31-2018, 8.2');
        }
        $list = $values->text('List of Universes');
        if (\strlen($list) % 2 !== 0 || \strlen($list) > 2 * self::PER_PAGE) {
            throw Malformed::at(
                self::SHORTEST,
                'the list has '.\strlen($list).' bytes; two each of at most 512 universes are allowed',
                self::CLAUSE,
            );
        }
        if ($values->int('Page') > $values->int('Last Page')) {
            throw Malformed::outside('Page', $values->int('Page'), 0, $values->int('Last Page'), 118, 'ANSI E1.31-2018, 8.3');
        }
        $universes = [];
        for ($at = 0; $at < \strlen($list); $at += 2) {
            $universe = \ord($list[$at]) << 8 | \ord($list[$at + 1]);
            if ($universe <= (end($universes) ?: 0)) {
                throw Malformed::at(
                    self::SHORTEST + $at,
                    "universe {$universe} stands after a higher one: the list must be sorted",
                    'ANSI E1.31-2018, 8.5',
                );
            }
            $universes[] = $universe;
        }

        return new self(
            $values->text('CID'),
            $values->text('Source Name'),
            $universes,
            $values->int('Page'),
            $values->int('Last Page'),
        );
    }

    public function encode(): string
    {
        $count = OutOfRange::check('Universes on one page', \count($this->universes), 0, self::PER_PAGE);

        return self::layout()->write([
            'Root Layer Flags and Length' => 0x7000 | 104 + 2 * $count,
            'CID' => $this->cid,
            'Framing Layer Flags and Length' => 0x7000 | 82 + 2 * $count,
            'Source Name' => mb_strcut($this->sourceName, 0, 63),
            'Universe Discovery Layer Flags and Length' => 0x7000 | 8 + 2 * $count,
            'Page' => $this->page,
            'Last Page' => $this->lastPage,
            'List of Universes' => pack('n*', ...$this->universes),
        ]);
    }

    public function spelled(): string
    {
        $count = \count($this->universes);
        $many = $count === 1 ? '1 universe' : "{$count} universes";

        return "\"{$this->sourceName}\" sends {$many} on page ".($this->page + 1).' of '.($this->lastPage + 1);
    }

    public static function layout(): Layout
    {
        return new Layout(
            'E1.31 Universe Discovery Packet',
            'ANSI E1.31-2018, table 4-3',
            self::SHORTEST,
            ...Packet::root(104, 8),
            ...[
                Field::number('Framing Layer Flags and Length', 2, 0x7052),
                Field::number('Framing Layer Vector', 4, 2),
                Field::text('Source Name', 64),
                Field::number('Reserved', 4),
                Field::number('Universe Discovery Layer Flags and Length', 2, 0x7008),
                Field::number('Universe Discovery Layer Vector', 4, 1),
                Field::number('Page', 1),
                Field::number('Last Page', 1),
                Field::numbers('List of Universes', each: 2),
            ],
        );
    }
}
