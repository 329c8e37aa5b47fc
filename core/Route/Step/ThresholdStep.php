<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Step;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** On when it rises to one value, off when it falls to a lower one; between them it stays as it is. */
final readonly class ThresholdStep implements Step, Checked
{
    public function __construct(public float $rises, public float $falls)
    {
    }

    public static function kind(): string
    {
        return 'threshold';
    }

    public static function label(): string
    {
        return 'Over a threshold, with hysteresis';
    }

    public static function fields(): array
    {
        return [
            Field::number('rises', 'On from', -1e9, 1e9, 128.0),
            Field::number('falls', 'Off again at', -1e9, 1e9, 100.0),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->falls >= $this->rises) {
            $fields->fault(
                'falls',
                'it is '.Template::number($this->falls),
                'It is below '.Template::number($this->rises).', from where it is on.',
            );
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        $wasOn = $mind->has('on') ? $mind->get('on') > 0.0 : null;
        $isOn = match (true) {
            $value >= $this->rises => true,
            $value <= $this->falls => false,
            default => $wasOn ?? false,
        };
        $mind->keep('on', $isOn ? 1.0 : 0.0);

        return $isOn === ($wasOn ?? false) ? null : ($isOn ? 1.0 : 0.0);
    }

    public function words(Wording $wording): string
    {
        return '1 from '.Template::number($this->rises).' on, 0 again at '.Template::number($this->falls);
    }
}
