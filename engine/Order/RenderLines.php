<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Desk\TimelineLines;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\LineVerdict;
use NimbleJunction\Engine\Said\LineVerdicts;
use NimbleJunction\Engine\Said\Said;

/** Triggers of a timeline as lines for a desk, each as the desk takes it; nothing is sent. */
final readonly class RenderLines implements Order
{
    public function __construct(private string $desk, private string $timeline, private string $template)
    {
    }

    public static function kind(): string
    {
        return 'render-lines';
    }

    public static function label(): string
    {
        return 'A timeline as lines for a desk';
    }

    public static function fields(): array
    {
        return [
            new Id('desk', 'Desk', 'desk', true),
            new Id('timeline', 'Timeline', 'timeline', true),
            Field::text('template', 'Line of each trigger', null, 300)->meaning(
                '{number} from 1, {name}, {at} in the unit of the timeline, {time} as h:mm:ss.ss, {track}',
            ),
        ];
    }

    public static function isForOperators(): bool
    {
        return false;
    }

    public static function answers(): string
    {
        return LineVerdicts::class;
    }

    public function obey(Reach $reach): Said
    {
        $plan = $reach->engine->junction->plan();
        $desk = $plan->desks[$this->desk] ?? throw new CommandRefused("There is no desk \"{$this->desk}\" in the show.");
        $timeline = $plan->timelines->timelines[$this->timeline]
            ?? throw new CommandRefused("There is no timeline \"{$this->timeline}\" in the show.");

        return new LineVerdicts(array_map(
            static fn(array $one): LineVerdict => LineVerdict::of($desk, $one[1], $one[0]),
            TimelineLines::of($timeline, $this->template),
        ));
    }
}
