<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Scale;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** From one range to another. */
final readonly class ScaleStep implements Reversible
{
    private const OPEN = ['none', 'first', 'second', 'both'];

    private Scale $scale;

    /**
     * @param list<float> $from two of them
     * @param list<float> $to two of them
     * @param string $open the ends beyond which it goes on in a straight line
     */
    public function __construct(public array $from, public array $to, public string $open = 'none')
    {
        $this->scale = new Scale($from[0], $from[1], $to[0], $to[1]);
    }

    public static function kind(): string
    {
        return 'scale';
    }

    public static function label(): string
    {
        return 'From one range to another';
    }

    public static function fields(): array
    {
        return [
            Field::numbers('from', 'From', -1e9, 1e9, [0.0, 1.0]),
            Field::numbers('to', 'To', -1e9, 1e9, [0.0, 1.0]),
            Field::word('open', 'Open beyond', self::OPEN, 'none')
                ->meaning(
                    '"none": what lies outside is held at the ends. "first", "second", "both": it goes on in a straight line there.',
                ),
        ];
    }

    public function apply(float $value, Passing $passing): float
    {
        return $this->gone($this->scale, $value);
    }

    public function reversed(float $value): float
    {
        return $this->gone($this->scale->reversed(), $value);
    }

    private function gone(Scale $scale, float $value): float
    {
        return $this->open === 'none'
            ? $scale->apply($value)
            : $scale->open($value, $this->open !== 'second', $this->open !== 'first');
    }

    public function words(Wording $wording): string
    {
        return Template::number($this->from[0]).' to '.Template::number($this->from[1]).' becomes '.Template::number($this->to[0])
            .' to '.Template::number($this->to[1]);
    }
}
