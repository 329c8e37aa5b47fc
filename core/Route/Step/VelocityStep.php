<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Step;

use NimbleJunction\Core\Document\Checked;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Fields;
use NimbleJunction\Core\Point\Reference;
use NimbleJunction\Core\Route\Continuing;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Template;
use NimbleJunction\Core\Route\Wording;

/** A stick sets how fast a point goes, from -1 to 1: off its centre it goes on and on, in its centre it stands. */
final readonly class VelocityStep implements Continuing, Checked
{
    /** After a pause of more than this it begins anew: nothing jumps. */
    private const LONGEST_SECONDS = 0.2;

    /**
     * @param float $speed a second, at the end of the stick; below 0 it is turned round
     * @param float $dead around the centre nothing moves
     * @param float $bend 1 goes straight; above, it is finer around the centre
     */
    public function __construct(
        public Reference $point,
        public float $low = 0.0,
        public float $high = 100.0,
        public float $speed = 50.0,
        public float $dead = 0.08,
        public float $bend = 2.0,
    ) {
    }

    public static function kind(): string
    {
        return 'velocity';
    }

    public static function label(): string
    {
        return 'A stick sets how fast it goes';
    }

    public static function fields(): array
    {
        return [
            Field::point(),
            Field::number('low', 'Lowest', -1e9, 1e9, 0.0),
            Field::number('high', 'Highest', -1e9, 1e9, 100.0),
            Field::number('speed', 'A second, at the end of the stick', -1e9, 1e9, 50.0),
            Field::number('dead', 'Dead zone around its centre', 0.0, 0.9, 0.08),
            Field::number('bend', 'Finer around its centre; 1 for straight', 1.0, 5.0, 2.0),
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
        $passing->mind()->keep('stick', $value);
        if ($this->rate($value) === 0.0) {
            $passing->mind()->forget('at');
            $passing->rest();

            return null;
        }
        if (! $passing->mind()->has('at')) {
            $passing->note('moved');
        }
        $passing->wakeWithin(RampStep::STEP_SECONDS);

        return null;
    }

    public function goOn(Passing $passing): float
    {
        $mind = $passing->mind();
        $is = $passing->read($this->point);
        // What it is told rounds: as long as nobody else moves it, it goes on from its own exact place.
        $own = $mind->get('at', is_numeric($is) ? (float) $is : $this->low);
        $at = is_numeric($is) && abs((float) $is - $own) > ($this->high - $this->low) / 100 ? (float) $is : $own;
        $seconds = min(self::LONGEST_SECONDS, $passing->since('moved') ?? 0.0);
        $passing->note('moved');
        $next = max($this->low, min($this->high, $at + $this->rate($mind->get('stick')) * $seconds));
        $mind->keep('at', $next);
        $passing->wakeIn(RampStep::STEP_SECONDS);

        return $next;
    }

    public function words(Wording $wording): string
    {
        return "the stick sets how fast {$wording->point($this->point->text())} goes, up to ".Template::number(abs($this->speed))
            .' a second';
    }

    /** @return float a second */
    private function rate(float $stick): float
    {
        $way = abs($stick);
        if ($way <= $this->dead) {
            return 0.0;
        }
        $share = min(1.0, ($way - $this->dead) / (1.0 - $this->dead));

        return ($stick < 0.0 ? -1.0 : 1.0) * $this->speed * $share ** $this->bend;
    }
}
