<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Action;

/** A control of a surface: where it stands, how it looks, and of what kind it is. */
final readonly class Control implements Part, Checked
{
    public const COLOUR = '#^\#[0-9a-f]{6}$#D';
    public const COLOUR_RULE = 'Write a colour as # and six hexadecimal digits, in small letters, like #1f6f5c.';

    /** What is read of it as a text. */
    public const TEXT = 'text';

    /** What is pressed of it when somebody rests on it. */
    public const LONG = 'long';

    /** What stands in its text for the name of what it moves. */
    public const OTHERS_NAME = '{name}';

    /** What its name is read as, with that in it. */
    public const NAME = 'name';

    public const ICONS = [
        'none',
        'bell',
        'camera',
        'clock',
        'door',
        'down',
        'eye',
        'fire',
        'light',
        'lock',
        'microphone',
        'moon',
        'music',
        'next',
        'pause',
        'person',
        'play',
        'power',
        'previous',
        'star',
        'stop',
        'sun',
        'up',
        'warning',
        'water',
    ];

    private const SIZES = ['small', 'medium', 'large', 'huge'];

    /**
     * @param ControlKind|null $does null where the document has none, which is refused
     * @param int $column of its left edge, from 1
     * @param int $row of its upper edge, from 1
     * @param int $width columns
     * @param int $height rows
     * @param string $text what stands on it; {value} is its value. '' for its name
     * @param string $icon none, or one of ours
     * @param string $size of its text
     * @param string $colour when it is on, "#rrggbb"; '' for that of the surface
     * @param string $ground when it is off; '' for that of the surface
     * @param string $ink of its text; '' for whichever is read best
     * @param bool $showsValue whether its value stands on it
     * @param string $unit behind the value; '' for that of the point
     * @param Reference|null $visible only seen while this point is above 0
     * @param Reference|null $enabled can only be moved while this point is above 0
     * @param Reference|null $longPress pressed when somebody rests on it
     * @param list<Action> $do what its moves do besides
     * @param list<Grip> $hardware parts of panels that move it
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?ControlKind $does = null,
        public int $column = 1,
        public int $row = 1,
        public int $width = 1,
        public int $height = 1,
        public string $text = '',
        public string $size = 'medium',
        public string $icon = 'none',
        public string $colour = '',
        public string $ground = '',
        public string $ink = '',
        public bool $showsValue = true,
        public string $unit = '',
        public ?Reference $visible = null,
        public ?Reference $enabled = null,
        public ?Reference $longPress = null,
        public array $do = [],
        public array $hardware = [],
    ) {
    }

    public static function label(): string
    {
        return 'Control';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name('Name', 60),
            Field::part('does', 'Control', 'controlKind'),
            ...Box::fields(),
            Field::textOrNone('text', 'Text on it; empty for its name', 200)->meaning(
                '{value} stands for its value, {name} for the name of what it moves, as it is called now.',
            ),
            Field::word('icon', 'Icon', self::ICONS, 'none')->rare(),
            Field::word('size', 'Size of its text', self::SIZES, 'medium'),
            Field::flag('showsValue', 'Its value is shown', true),
            Field::pattern('colour', 'Colour when on', self::COLOUR, self::COLOUR_RULE, false)->rare(),
            Field::pattern('ground', 'Colour when off', self::COLOUR, self::COLOUR_RULE, false)->rare(),
            Field::pattern(
                'ink',
                'Colour of its text; empty for what is read best',
                self::COLOUR,
                self::COLOUR_RULE,
                false,
            )->rare(),
            Field::textOrNone('unit', 'Unit; empty for that of the point', 20)->rare(),
            Field::pointOrNone('visible', 'Visible only while this point is on')->rare(),
            Field::pointOrNone('enabled', 'Can be moved only while this point is on')->rare(),
            Field::pointOrNone('longPress', 'A long press presses')->rare(),
            Field::parts('do', 'Its moves do besides', 'action')->rare(),
            Field::objects('hardware', 'Moved by parts of a panel', Grip::class, 8)->rare(),
        ];
    }

    public function check(Fields $fields): void
    {
        foreach (['colour' => $this->colour, 'ground' => $this->ground] as $field => $under) {
            if ($this->ink === '' || $under === '') {
                continue;
            }
            $contrast = Contrast::between($this->ink, $under);
            if ($contrast < Contrast::LEAST) {
                $ratio = number_format($contrast, 1);
                $fields->fault(
                    $field,
                    "text of {$this->ink} on {$under} has a contrast of {$ratio} : 1",
                    'From 4.5 : 1 on it can be read: choose others, or leave the text\'s colour empty.',
                );
            }
        }
    }

    /** @return array<string, PointKind> what can be set and pressed of it, by name: '' for the control itself */
    public function parts(): array
    {
        $parts = [...$this->does?->parts() ?? [], self::TEXT => PointKind::Text, self::NAME => PointKind::Text];

        return $this->longPress === null ? $parts : [...$parts, self::LONG => PointKind::Press];
    }

    /** The first point that it moves or shows; null where there is none. */
    public function first(): ?Reference
    {
        foreach ($this->does?->axes() ?? [] as $bindings) {
            if ($bindings !== []) {
                return $bindings[0]->point;
            }
        }

        return $this->does?->others()[0] ?? null;
    }

    /** @return list<Reference> all points that it moves, presses or shows */
    public function points(): array
    {
        $points = [...$this->does?->others() ?? [], ...array_filter([$this->visible, $this->enabled, $this->longPress])];
        foreach ($this->does?->axes() ?? [] as $bindings) {
            array_push($points, ...array_map(static fn(Binding $binding): Reference => $binding->point, $bindings));
        }

        return array_values($points);
    }

    /** @return string its text, as it is written on a colour */
    public function inkOn(string $under): string
    {
        return $this->ink !== '' ? $this->ink : Contrast::inkOn($under);
    }

    public function box(): Box
    {
        return new Box($this->column, $this->row, $this->width, $this->height);
    }
}
