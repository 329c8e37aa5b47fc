<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\PassesBack;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Reversible;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** A flood is thinned: the first passes at once; of those that come too soon after it the newest passes when it may, or none. */
final readonly class ThinStep implements Continuing, Reversible
{
    use PassesBack;

    public function __construct(public float $seconds, public string $keep = 'newest')
    {
    }

    public static function kind(): string
    {
        return 'thin';
    }

    public static function label(): string
    {
        return 'At most so often';
    }

    public static function fields(): array
    {
        return [
            Field::number('seconds', 'One in so many seconds', 0.001, 3600.0, 0.1),
            Field::word('keep', 'Of those that come too soon', ['newest', 'first'], 'newest')
                ->meaning('"newest": the last of them passes when it may. "first": they are lost.'),
        ];
    }

    public function apply(float $value, Passing $passing): ?float
    {
        $since = $passing->since('passed');
        if ($since === null || $since >= $this->seconds) {
            $passing->note('passed');
            $passing->rest();

            return $value;
        }
        if ($this->keep === 'newest') {
            $passing->mind()->keep('newest', $value);
            $passing->wakeIn($this->seconds - $since);
        }

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $passing->note('passed');
        $passing->rest();

        return $passing->mind()->get('newest');
    }

    public function words(Wording $wording): string
    {
        return 'at most once in '.Template::number($this->seconds).' s, the '.$this->keep;
    }
}
