<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\LineVerdict;
use NimbleJunction\Engine\Said\Said;

/** What a desk takes a typed line for; sent, where that is asked for. */
final readonly class TypeLine implements Order
{
    public function __construct(private string $desk, private string $line, private bool $sends)
    {
    }

    public static function kind(): string
    {
        return 'type-line';
    }

    public static function label(): string
    {
        return 'Type a line at a desk';
    }

    public static function fields(): array
    {
        return [
            new Id('desk', 'Desk', 'desk', true),
            Field::textOrNone('line', 'Line', Desk::LONGEST_LINE),
            Field::flag('sends', 'It is sent', false),
        ];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): string
    {
        return LineVerdict::class;
    }

    public function obey(Reach $reach): Said
    {
        $desk = $reach->engine->junction->plan()->desks[$this->desk]
            ?? throw new CommandRefused("There is no desk \"{$this->desk}\" in the show.");
        if ($this->sends) {
            $reach->done($reach->engine->run(fn(LiveProgramme $programme): string => $programme->deskRun->typeOnce(
                $this->desk,
                $this->line,
                $reach->by(),
            )));
        }

        return LineVerdict::of($desk, $this->line, null);
    }
}
