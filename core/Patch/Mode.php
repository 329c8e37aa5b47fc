<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Patch;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Signal\Frame;

/** One of several ways in which a kind of fixture can be set to listen. */
final readonly class Mode implements Part, Checked
{
    public Footprint $footprint;

    /**
     * @param list<Parameter> $parameters
     * @param list<Cells> $cells
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $parameters,
        public array $cells = [],
        public bool $virtualIntensity = false,
    ) {
        $this->footprint = Footprint::of($parameters, $cells, $virtualIntensity);
    }

    public static function label(): string
    {
        return 'Mode';
    }

    public static function fields(): array
    {
        return [Field::id(), Field::name('Mode', 80), ...self::meanings()];
    }

    /** @return list<Field> what its slots mean: a profile of one mode has the same */
    public static function meanings(): array
    {
        return [
            Field::objects('parameters', 'Parameters', Parameter::class, Frame::SLOTS),
            Field::objects('cells', 'Repeated cells', Cells::class, 64),
            Field::flag('virtualIntensity', 'Virtual intensity', false)->meaning(
                'For a fixture that has only colours: an intensity by which all its lights are scaled on the way out.',
            ),
        ];
    }

    public function check(Fields $fields): void
    {
        $this->footprint->check($fields);
    }
}
