<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** From where something is it is taken along in proportion, so that nothing jumps and both ends are reached. */
final readonly class TakeOverStep implements Reversible, Checked
{
    use PassesBack;

    public function __construct(public Reference $point, public float $low, public float $high)
    {
    }

    public static function kind(): string
    {
        return 'take-over';
    }

    public static function label(): string
    {
        return 'Takes a point over, in proportion';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::number('low', 'Lowest', -1e9, 1e9, 0.0),
            Field::number('high', 'Highest', -1e9, 1e9, 255.0),
        ];
    }

    public function check(Fields $fields): void
    {
        if ($this->high <= $this->low) {
            $fields->fault(
                'high',
                'it is '.Template::number($this->high),
                'It is above '.Template::number($this->low).', the lowest.',
            );
        }
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $mind = $passing->mind();
        $value = max($this->low, min($this->high, $value));
        $is = $passing->read($this->point);
        $is = is_numeric($is) ? max($this->low, min($this->high, (float) $is)) : $value;
        $before = $mind->has('value') ? $mind->get('value') : null;
        $mind->keep('value', $value);
        if ($before === null || $before === $value) {
            return null;
        }
        [$end, $room] = $value > $before ? [$this->high, $this->high - $before] : [$this->low, $before - $this->low];
        $share = $room <= 0.0 ? 1.0 : min(1.0, abs($value - $before) / $room);

        return $is + $share * ($end - $is);
    }

    public function words(Wording $wording): string
    {
        return "takes over {$wording->point($this->point->text())}, in proportion";
    }
}
