<?php

declare(strict_types=1);

namespace NimbleJunction\Engine\Order;

use NimbleJunction\Core\Document\Field;
use NimbleJunction\Core\Document\Field\Id;
use NimbleJunction\Engine\CommandRefused;
use NimbleJunction\Engine\Said\Said;
use NimbleJunction\Engine\Tape\TapeLabel;

/** A tape is called otherwise, cut, thrown away, or a part of it has a name; or its file is new, and looked for. */
final readonly class ChangeTape implements Order
{
    public function __construct(
        private string $tape,
        private string $name,
        private ?float $from,
        private ?float $to,
        private bool $removes,
        private string $part,
        private string $forgets,
    ) {
    }

    public static function kind(): string
    {
        return 'change-tape';
    }

    public static function label(): string
    {
        return 'Change a tape';
    }

    public static function fields(): array
    {
        return [
            new Id('tape', 'Tape; empty to look for new files', 'tape', false),
            Field::textOrNone('name', 'Name', TapeLabel::LONGEST_NAME),
            Field::number('from', 'Played from (s)', 0.0, 1e6, -1.0),
            Field::number('to', 'Played to (s); 0 for its end', 0.0, 1e6, -1.0),
            Field::flag('removes', 'It is thrown away', false),
            Field::textOrNone('part', 'What is played of it becomes a part of this name', TapeLabel::LONGEST_NAME),
            Field::textOrNone('forgets', 'Id of a part that is no more', 60),
        ];
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
        $deck = $reach->deck();
        if ($this->tape === '') {
            $deck->lookAgain();

            return null;
        }
        if ($this->removes) {
            $reach->done($deck->remove($this->tape));

            return null;
        }
        $from = $this->from === null || $this->from < 0.0 ? null : $this->from;
        $to = $this->to === null || $this->to < 0.0 ? null : $this->to;
        if ($to !== null && $to > 0.0 && $to <= ($from ?? 0.0)) {
            throw new CommandRefused('Nothing would be played: let it end behind where it begins, or give 0 for its end.');
        }
        $reach->done($deck->change($this->tape, function (TapeLabel $label) use ($from, $to): TapeLabel {
            $label = $this->name === '' ? $label : $label->called($this->name);
            $label = $from === null && $to === null ? $label : $label->cut($from ?? $label->from, $to ?? $label->to);
            $label = $this->part === '' ? $label : $label->withPart($this->part);

            return $this->forgets === '' ? $label : $label->withoutPart($this->forgets);
        }));

        return null;
    }
}
