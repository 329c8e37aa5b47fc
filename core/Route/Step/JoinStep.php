<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Wording;

/** What came by each trigger last, joined to one value. */
final readonly class JoinStep implements Step
{
    private const WORDS = [
        'highest' => 'the highest',
        'lowest' => 'the lowest',
        'sum' => 'the sum',
        'mean' => 'the mean',
        'product' => 'the product',
        'last' => 'the last',
    ];

    public function __construct(public string $how)
    {
    }

    public static function kind(): string
    {
        return 'join';
    }

    public static function label(): string
    {
        return 'What came by each trigger, joined';
    }

    public static function fields(): array
    {
        return [
            Field::word('how', 'Joined', array_keys(self::WORDS), 'highest'),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        $passing->mind()->keep("from {$passing->source}", $value);
        $all = array_values($passing->mind()->kept);

        return match ($this->how) {
            'lowest' => min([$value, ...$all]),
            'sum' => array_sum($all),
            'mean' => array_sum($all) / max(1, \count($all)),
            'product' => array_product($all),
            'last' => $value,
            default => max([$value, ...$all]),
        };
    }

    public function words(Wording $wording): string
    {
        return self::WORDS[$this->how].' of what came by each trigger';
    }
}
