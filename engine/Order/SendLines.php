<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Desk\Desk;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Core\Document\Field\TextList;
use NimbleJunction\Core\Live\Desk\DeskRun;
use NimbleJunction\Core\Live\Programme\LiveProgramme;
use NimbleJunction\Engine\Said\Said;

/** Lines are sent to a desk one after the other: all of them, or none where the desk does not take one. */
final readonly class SendLines implements Order
{
    /** @param list<string> $lines */
    public function __construct(private string $desk, private array $lines)
    {
    }

    public static function kind(): string
    {
        return 'send-lines';
    }

    public static function label(): string
    {
        return 'Send lines to a desk';
    }

    public static function fields(): array
    {
        return [new Id('desk', 'Desk', 'desk', true), new TextList('lines', 'Lines', DeskRun::MOST_LINES, Desk::LONGEST_LINE)];
    }

    public static function isForOperators(): bool
    {
        return true;
    }

    public static function answers(): ?string
    {
        return null;
    }

    public function obey(Reach $reach): ?Said
    {
        $reach->done($reach->engine->run(fn(LiveProgramme $programme, int $now): string => $programme->deskRun->start(
            $this->desk,
            $this->lines,
            $reach->by(),
            $now,
        )));

        return null;
    }
}
