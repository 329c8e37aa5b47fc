<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Wave;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action\SetAction;
use NimbleJunction\Core\Route\Route;
use NimbleJunction\Core\Route\Trigger\StartedTrigger;

/** Moves points by itself, to and fro: added to what is there, multiplied with it, or in place of it. */
final readonly class Wave implements Part, Checked
{
    public const MOST = 500;
    public const ADD = 'add';
    public const MULTIPLY = 'multiply';
    public const REPLACE = 'replace';

    /** What starts it when the engine starts; null for nothing. */
    public ?Route $beginning;

    private const MODES = [self::ADD, self::MULTIPLY, self::REPLACE];
    public const UNITS = ['hertz', 'beats'];
    private const MODE_TITLES = [
        'add' => 'added to what is there',
        'multiply' => 'multiplied with what is there',
        'replace' => 'in place of what is there',
    ];
    public const UNIT_TITLES = ['hertz' => 'turns a second', 'beats' => 'beats a turn'];

    /**
     * @param list<Waved> $on points that it moves
     * @param float $width of a square: per cent of a turn that it is up
     * @param list<float> $points drawn ones, 0 to 100
     * @param float $centre per cent of the whole range of what it moves; of a sum, what is added in the middle
     * @param float $size per cent that it goes up and down from there
     * @param float $rate turns a second, or beats a turn
     * @param string $tempo id, where it goes by beats; '' for the first one
     * @param float $phase of a turn, 0 to 360
     * @param float $offset degrees of a turn over which it is spread
     * @param int $seed of what is random
     * @param int|null $priority where it is in place of what is there; null joins whoever is in control
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $on = [],
        public Shape $shape = Shape::Sine,
        public float $width = 50.0,
        public array $points = [],
        public string $mode = self::ADD,
        public float $centre = 0.0,
        public float $size = 20.0,
        public string $unit = 'hertz',
        public float $rate = 0.5,
        public string $tempo = '',
        public float $phase = 0.0,
        public float $offset = 0.0,
        public Spread $spread = Spread::Order,
        public int $seed = 1,
        public bool $begins = false,
        public ?int $priority = null,
        public string $note = '',
    ) {
        $point = Reference::parse("wave:{$id}");
        $this->beginning = ! $begins || $point === null
            ? null
            : new Route(
                "wave.{$id}.start",
                "{$name}, at the start",
                true,
                [new StartedTrigger()],
                [],
                [],
                [new SetAction($point, 1)],
            );
    }

    public static function label(): string
    {
        return 'Wave';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::choice('shape', 'Shape', Shape::class, Shape::Sine)->called(Shape::TITLES),
            Field::number('width', 'Up for (% of a turn)', 1.0, 99.0, 50.0)->shownFor('shape', Shape::Square->value),
            Field::list('points', 'Drawn points, 0 to 100, over one turn')->only('shape', Shape::Drawn->value),
            Field::word('mode', 'It is', self::MODES, self::ADD)->called(self::MODE_TITLES),
            Field::number('centre', 'Centre (%)', -100.0, 200.0, 0.0)
                ->meaning(
                    'Where its middle is: added to what is there, it is 0 for as much up as down; in place of it, 50 for the middle of the range.',
                ),
            Field::number('size', 'Size (%)', 0.0, 200.0, 20.0)->meaning('How far it goes up and down from its centre.'),
            Field::word('unit', 'Rate in', self::UNITS, 'hertz')->called(self::UNIT_TITLES),
            Field::number('rate', 'Rate', 0.0, 100.0, 0.5),
            (new Id('tempo', 'Tempo; empty for the first one', 'tempo', false))->shownFor('unit', 'beats'),
            Field::number('phase', 'Phase (°)', 0.0, 360.0, 0.0)->rare(),
            Field::objects('on', 'It moves', Waved::class, 500),
            Field::number('offset', 'Spread over (°)', -3600.0, 3600.0, 0.0)->meaning(
                'What lies between the first and the one after the last, of several.',
            ),
            Field::choice('spread', 'Spread', Spread::class, Spread::Order)->called(Spread::TITLES)->rare(),
            Field::whole('seed', 'Seed of what is random', 0, 1_000_000, 1)->rare(),
            Field::flag('begins', 'Starts when the engine starts', false)->rare(),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false)->rare(),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->shape === Shape::Drawn && \count($this->points) < 2) {
            $fields->fault('points', 'there are '.\count($this->points), 'Draw at least two points.');
        }
        foreach ($this->points as $i => $point) {
            if ($point < 0.0 || $point > 100.0) {
                $fields->fault("points/{$i}", "it is {$point}", 'Points lie from 0 to 100.');
            }
        }
        foreach ($this->on as $i => $one) {
            if ($one->point->kind === 'wave' && $one->point->id === $this->id) {
                $fields->fault("on/{$i}/point", 'it is the wave itself', 'Let another wave move it.');
            }
        }
    }
}
