<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\Ids;
use NimbleJunction\Core\Live\Programme\WhatIsThere;
use NimbleJunction\Core\Patch\ParameterKind;
use NimbleJunction\Core\Programme\PointValue;
use NimbleJunction\Engine\Said\Gathered;
use NimbleJunction\Engine\Said\GatheredValue;
use NimbleJunction\Engine\Said\Said;

/** What is there is gathered for a look: what leaves, what is held, or what one port sends. */
final readonly class GatherLook implements Order
{
    private const FROM = ['leaves', 'holds', 'port'];
    private const EVERY = 'all';

    /**
     * @param string $port whose senders count, where it is from a port; '' for none
     * @param list<string> $fixtures ids; none for all
     * @param string $kind of parameters; "all" for every kind
     * @param bool $lit whether fixtures that are dark are left out
     * @param string $look id of the look that it is for, whose groups are named again; '' for a new one
     */
    public function __construct(
        private string $from,
        private string $port,
        private array $fixtures,
        private string $kind,
        private bool $lit,
        private string $look,
    ) {
    }

    public static function kind(): string
    {
        return 'gather';
    }

    public static function label(): string
    {
        return 'Gather values for a look';
    }

    public static function fields(): array
    {
        return [
            Field::word('from', 'From', self::FROM, 'leaves'),
            Field::portOrNone('port', 'Port'),
            new Ids('fixtures', 'Fixtures', 'fixture', 5000),
            Field::word('kind', 'Kind', [self::EVERY, ...array_column(ParameterKind::cases(), 'value')], self::EVERY),
            Field::flag('lit', 'Only fixtures that are lit', false),
            new Id('look', 'For the look', 'look', false),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return Gathered::class;
    }

    public function obey(Reach $reach): Said
    {
        $junction = $reach->engine->junction;
        $there = new WhatIsThere($junction->plan()->patch, $junction->universes());
        $gathering = match ($this->from) {
            'holds' => $there->holds(),
            'port' => $there->sentAt($this->port),
            default => $there->leaves(),
        };
        $kind = ParameterKind::tryFrom($this->kind);
        $named = $junction->plan()->programme->looks[$this->look]->values ?? [];
        $values = $gathering->asNamed($gathering->values($this->fixtures, $kind === null ? [] : [$kind], $this->lit), $named);

        return new Gathered(array_map(static function (PointValue $one) use ($junction): GatheredValue {
            $parameter = $junction->plan()->patch->find($one->point->id, $one->point->part)?->placed->parameter;

            return new GatheredValue(
                $one->point->text(),
                (float) $one->value,
                $junction->names()->point($one->point->text()),
                $one->point->kind === 'fixture' ? $parameter->kind->value ?? '' : '',
                $one->point->kind === 'fixture' ? $parameter->unit ?? '' : '',
            );
        }, $values));
    }
}
