<?php

declare(strict_types=1);

namespace NimbleJunction\Core\Route\Condition;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Route\Condition;
use NimbleJunction\Core\Route\Heard;
use NimbleJunction\Core\Route\Missed;
use NimbleJunction\Core\Route\Passing;
use NimbleJunction\Core\Route\Wording;

/** It came from one of these addresses. */
final readonly class SenderCondition implements Condition
{
    /** @param list<string> $senders */
    public function __construct(public array $senders)
    {
    }

    public static function kind(): string
    {
        return 'sender';
    }

    public static function label(): string
    {
        return 'Only from these senders';
    }

    public static function fields(): array
    {
        return [
            Field::addresses('senders', 'Addresses', 64),
        ];
    }

    public function missed(float $value, Passing $passing): ?Missed
    {
        $from = $passing->event instanceof Heard ? $passing->event->from : '';
        $names = implode(', ', $this->senders);

        return \in_array($from, $this->senders, true) ? null : new Missed(
            "wants it from {$names}, ".($from === '' ? 'it came from no sender' : "it came from {$from}"),
            $from === '' ? [] : ['senders' => [...$this->senders, $from]],
        );
    }

    public function words(Wording $wording): string
    {
        return 'it came from '.implode(', ', $this->senders);
    }
}
