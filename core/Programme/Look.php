<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Programme;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Part;
use NimbleJunction\Core\Route\Action;
use NimbleJunction\Core\Route\Occurred;
use NimbleJunction\Core\Route\Route;

/** Values of chosen points, that are recalled together. */
final readonly class Look implements Part
{
    public const MOST = 2000;

    /** What it does besides, as an ordinary route; null for nothing. */
    public ?Route $route;

    /**
     * @param string $set looks of one set replace each other; '' for none
     * @param list<PointValue> $values
     * @param float|null $fadeIn seconds; null for the common fade time
     * @param float|null $fadeOut seconds; null for the common fade time
     * @param float $delay seconds
     * @param list<KindTime> $kinds
     * @param int|null $priority 0 to 200; null joins whoever is in control
     * @param list<Action> $do what happens besides, when it is recalled
     * @param string $note '' for none
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $values = [],
        public string $set = '',
        public Recall $press = Recall::Toggle,
        public ?float $fadeIn = null,
        public ?float $fadeOut = null,
        public float $delay = 0.0,
        public array $kinds = [],
        public ?int $priority = null,
        public array $do = [],
        public string $note = '',
    ) {
        $this->route = $do === [] ? null : WhenTrigger::route("look.{$id}", $name, $this->recalled(), $do);
    }

    /** What occurs when it is recalled. */
    public function recalled(): Occurred
    {
        return new Occurred("recalled look {$this->id}", ['point' => "look:{$this->id}"]);
    }

    public static function label(): string
    {
        return 'Look';
    }

    public static function fields(): array
    {
        return [
            Field::id(),
            Field::name(),
            Field::textOrNone('set', 'Set', 60)->meaning('Looks of one set replace each other: one of them is on.'),
            Field::choice('press', 'When it is pressed', Recall::class, Recall::Toggle)->called(Recall::TITLES),
            Field::number('fadeIn', 'Fade in (s); empty for the common fade time', 0.0, Times::LONGEST, null, false),
            Field::number('fadeOut', 'Fade out (s); empty for the common fade time', 0.0, Times::LONGEST, null, false),
            Field::number('delay', 'Delay (s)', 0.0, Times::LONGEST, 0.0)->rare(),
            Field::objects('kinds', 'Times by kind', KindTime::class, 6)->rare(),
            Field::whole('priority', 'Priority; empty to join whoever is in control', 0, 200, null, false)->rare(),
            Field::objects('values', 'Values', PointValue::class, 20000),
            Field::parts('do', 'Besides, when it is recalled', 'action')->rare(),
            Field::textOrNone('note', 'Note', 1000)->rare(),
        ];
    }

    /** @param float $common seconds, where it has no time of its own */
    public function timesIn(float $common): Times
    {
        $seconds = $this->fadeIn ?? $common;

        return new Times($seconds, $seconds, $this->delay, $this->kinds);
    }

    /** At once, whatever its times are: what is brought up by its level is there as far as that says. */
    public function atOnce(): Times
    {
        return new Times(kinds: array_values(array_map(
            static fn(KindTime $one): KindTime => new KindTime($one->kind, jumps: true),
            array_filter($this->kinds, static fn(KindTime $one): bool => $one->jumps),
        )));
    }

    /** @param float $common seconds, where it has no time of its own */
    public function secondsOut(float $common): float
    {
        return $this->fadeOut ?? $common;
    }
}
