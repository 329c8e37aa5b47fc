<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Surface\Kind;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Point\PointKind;
use NimbleJunction\Core\Surface\Binding;
use NimbleJunction\Core\Surface\ControlKind;
use NimbleJunction\Core\Surface\Hand;
use NimbleJunction\Core\Surface\Shown;
use NimbleJunction\Core\Surface\Springs;

/** A button: what it is bound to is pressed where it can be, and set to the ends of its range where it cannot. */
final readonly class ButtonControl implements ControlKind, Springs
{
    private const MODES = ['toggle', 'momentary', 'once', 'hold'];

    private const TITLES = [
        'toggle' => 'on, and off again',
        'momentary' => 'on as long as it is pressed',
        'once' => 'fires once a press',
        'hold' => 'fires when it has been held',
    ];

    /**
     * @param list<Binding> $points
     * @param float $seconds that it has to be held for
     * @param string $confirm question before it fires; '' for none
     * @param string $onText what stands on it while it is on; '' for the same as otherwise
     */
    public function __construct(
        public array $points = [],
        public string $mode = 'toggle',
        public float $seconds = 1.0,
        public string $confirm = '',
        public string $onText = '',
    ) {
    }

    public static function kind(): string
    {
        return 'button';
    }

    public static function label(): string
    {
        return 'Button';
    }

    public static function fields(): array
    {
        return [
            Field::objects('points', 'Points', Binding::class, 32),
            Field::word('mode', 'When it is pressed', self::MODES, 'toggle')->called(self::TITLES),
            Field::number('seconds', 'Held for seconds', 0.2, 10.0, 1.0)->shownFor('mode', 'hold'),
            Field::textOrNone('confirm', 'Question before it fires; empty for none', 120)->rare(),
            Field::textOrNone('onText', 'Text while it is on', 120)->rare(),
        ];
    }

    public function axes(): array
    {
        return ['' => $this->points];
    }

    public function others(): array
    {
        return [];
    }

    public function parts(): array
    {
        return ['' => PointKind::Switch];
    }

    public function move(string $part, int|float|string $value, Hand $hand): string
    {
        if (! is_numeric($value)) {
            return 'a button is a switch: 0 or 1';
        }

        return $hand->bring($this->points, '', (float) $value > 0.0 ? 1.0 : 0.0);
    }

    public function press(string $part, Hand $hand): string
    {
        if ($this->points === []) {
            return $hand->bring([], '', $this->mode === 'toggle' && $this->isOn($hand) ? 0.0 : 1.0);
        }
        $isOn = $this->mode === 'toggle' && $this->isOn($hand);
        $refusals = array_map(static function (Binding $binding) use ($hand, $isOn): string {
            $point = $hand->describe($binding->point);
            if ($point !== null && $point->isPressed && $binding->low === null && $binding->high === null) {
                return $hand->press($binding->point);
            }

            return $hand->bring([$binding], '', $isOn ? 0.0 : 1.0);
        }, $this->points);

        return implode('; ', array_unique(array_filter($refusals)));
    }

    public function shown(Hand $hand): Shown
    {
        $first = $this->points[0] ?? null;
        $text = $first === null ? '' : $hand->words($first->point);

        return new Shown([$hand->at($this->points, '')], $text, $this->isOn($hand));
    }

    public function traits(): array
    {
        return ['mode' => $this->mode, 'seconds' => $this->seconds, 'confirm' => $this->confirm, 'onText' => $this->onText];
    }

    public function rest(string $part): ?float
    {
        return $this->mode === 'momentary' ? 0.0 : null;
    }

    /** With a maximum of its own it is on there alone; else wherever the point is on at all. */
    private function isOn(Hand $hand): bool
    {
        $at = $hand->at($this->points, '');
        $isExact = ($this->points[0] ?? null)?->high !== null;

        return $at !== null && ($isExact ? $at >= 0.995 : $at > 0.0);
    }
}
