<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme\Wave;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Point\Reference;

/** A point that a wave moves. */
final readonly class Waved implements Part, Checked
{
    /** Where a document names none: it is refused then. */
    private const NOWHERE = 'value:none';

    /** Levels of fixtures, and control points that have an effective value beside what they were set to. */
    private const KINDS = ['slot', 'fixture', 'group', 'master', 'look', 'wave'];

    public Reference $point;

    public function __construct(?Reference $point)
    {
        $this->point = $point ?? Reference::parse(self::NOWHERE) ?? throw new \LogicException(self::NOWHERE);
    }

    public static function label(): string
    {
        return 'Point that is moved';
    }

    public static function fields(): array
    {
        return [Field::point()];
    }

    public function check(Fields $fields): void
    {
        $isPart = ! \in_array($this->point->kind, ['master', 'look'], true) || $this->point->part === '';
        $isPart = $this->point->kind === 'wave' ? \in_array($this->point->part, ['rate', 'size', 'centre'], true) : $isPart;
        if ($this->point->text() !== self::NOWHERE && (! \in_array($this->point->kind, self::KINDS, true) || ! $isPart)) {
            $fields->fault(
                'point',
                "{$this->point->text()} cannot be moved by a wave",
                'Name a slot, a parameter of a fixture or group, a master, a look, or the rate, size or centre of another wave.',
            );
        }
    }
}
