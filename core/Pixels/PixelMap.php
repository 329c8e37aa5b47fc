<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Pixels;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** Pixels on one line: where each one is, and which slots it listens to. */
final readonly class PixelMap implements Part, Checked
{
    /** Pixels of a map. */
    public const MOST = 20_000;

    /** Universes of a map. */
    private const MOST_UNIVERSES = 160;
    private const MOST_GAPS = 200;

    public Wiring $wiring;

    /**
     * @param list<string> $universes ids, in the order in which the line runs through them
     * @param int $first slot in the first of them, 1 to 512
     * @param int|null $perUniverse whole pixels in a universe at most; null for as many as fit
     * @param bool $split whether a pixel may begin in one universe and end in the next
     * @param list<Gap> $gaps
     * @param list<string> $sharesWith ids of fixtures and of pixel maps that share slots with it, and are meant to
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?Layout $layout,
        public ColourOrder $order,
        public array $universes,
        public int $first,
        public ?int $perUniverse = null,
        public bool $split = false,
        public array $gaps = [],
        public string $place = '',
        public array $sharesWith = [],
        public string $note = '',
    ) {
        $this->wiring = new Wiring($layout?->count() ?? 1, $order->width(), $first - 1, $perUniverse, $split, $gaps);
    }

    public static function label(): string
    {
        return 'Pixel map';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('place', 'Place', 80),
            Field::part('layout', 'How they lie', 'layout'),
            Field::choice('order', 'Colour order', ColourOrder::class, ColourOrder::Rgb)->called(ColourOrder::TITLES),
            new Ids('universes', 'Universes, in their order', 'universe', self::MOST_UNIVERSES),
            Field::whole('first', 'First slot', 1, Frame::SLOTS, 1),
            Field::whole('perUniverse', 'Pixels in a universe at most', 1, Frame::SLOTS, null, false)->meaning(
                'Without it, as many whole pixels as fit: 170 of RGB, 128 of RGBW.',
            ),
            Field::flag('split', 'Split across universes', false)->meaning(
                'A pixel may begin in one universe and end in the next: all 512 slots are used.',
            ),
            Field::objects('gaps', 'Gaps on the line', Gap::class, self::MOST_GAPS),
            new Ids('sharesWith', 'Shares slots on purpose with', 'fixture', 64),
            Field::textOrNone('note', 'Note', 1000),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->split && $this->perUniverse !== null) {
            $fields->fault(
                'perUniverse',
                'they are split across universes as well',
                'Say how many whole pixels a universe has, or let them be split.',
            );
        }
        if (\count(array_unique($this->universes)) < \count($this->universes)) {
            $fields->fault('universes', 'one is named twice', 'Name each universe once, in the order of the line.');
        }
        if ($this->layout === null) {
            return;
        }
        $needed = $this->wiring->universes();
        $named = \count($this->universes);
        if ($named < $needed) {
            $fields->fault(
                'universes',
                "{$this->wiring->count} pixels take {$needed}, and {$named} ".($named === 1 ? 'is' : 'are').' named',
                "Name {$needed} universes, in the order of the line.",
            );
        }
    }

    /** @return string "682 pixels, 4 universes, 2,046 of 2,048 slots" */
    public function counts(): string
    {
        $universes = $this->wiring->universes();

        return number_format($this->wiring->count).($this->wiring->count === 1 ? ' pixel, ' : ' pixels, ')
            .$universes.($universes === 1 ? ' universe, ' : ' universes, ')
            .number_format($this->wiring->taken()).' of '.number_format($universes * Frame::SLOTS).' slots';
    }

    /** @return array<int, PixelRun> what it takes of each universe, by its place among them, from 0 */
    public function runs(): array
    {
        $runs = [];
        foreach (\array_slice($this->universes, 0, $this->wiring->universes()) as $i => $universe) {
            $span = $this->wiring->span($i);
            if ($span !== null) {
                $runs[$i] = new PixelRun($this, $i, $universe, $span[0] + 1, $span[1] + 1);
            }
        }

        return $runs;
    }
}
